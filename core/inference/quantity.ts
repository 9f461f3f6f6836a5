import type { Diagram, QuantityActuator, SetPoint, SwitchPart } from '../diagram/diagram';
import { switches } from '../diagram/terminal';
import type { Felt } from '../call/evidence';
import { effectOf, type Fault } from '../fault/fault';

export const quantityOf = (diagram: Diagram, id: string): QuantityActuator | undefined => {
  const actuator = diagram.actuators.find((each) => each.id === id);
  return actuator?.kind === 'quantity' ? actuator : undefined;
};

type Moved = SwitchPart & { setPoints: { rising: SetPoint; falling: SetPoint } };

/** Switches that a quantity moves, as far as it is known when it does. */
export const movedBy = (diagram: Diagram, actuator: string): Moved[] =>
  switches(diagram).filter(
    (part): part is Moved => part.actuator === actuator && part.setPoints !== undefined,
  );

export type Side = 'below' | 'above' | 'between';

/** On which side of a switch's set points a value lies; between them the switch stays as it was. */
export const sideOf = ({ rising, falling }: Moved['setPoints'], value: number): Side =>
  value >= rising.at ? 'above' : value <= falling.at ? 'below' : 'between';

/**
 * Sides of all its switches that a quantity is on.
 * @param usual where a good unit has it
 * @param faults that put it somewhere else
 */
export const sidesUnder = (
  diagram: Diagram,
  actuator: string,
  usual: number,
  faults: readonly Fault[] = [],
): Side[] => {
  const out = faults.filter((each) => 'actuator' in each && each.actuator === actuator);
  return movedBy(diagram, actuator).map((part) => {
    for (const fault of out) {
      const side = effectOf(fault, 'stands')?.position(fault, part, diagram);
      if (side === 'below' || side === 'above') return side;
    }
    return sideOf(part.setPoints, usual);
  });
};

/** Where a quantity may be, in its own unit. */
export interface Span {
  low: number;
  high: number;
}

/** The set points that one of some faults puts a quantity beyond, and on which side. */
export function beyondUnder(
  diagram: Diagram,
  actuator: string,
  faults: readonly Fault[],
): { side: 'below' | 'above'; points: Moved['setPoints'] } | undefined {
  for (const fault of faults) {
    if (!('actuator' in fault) || fault.actuator !== actuator) continue;
    const points = movedBy(diagram, actuator).find(({ id }) => id === fault.beyond)?.setPoints;
    if (points) return { side: fault.side, points };
  }
  return undefined;
}

/**
 * Where a quantity is under some faults: at its usual value, or beyond the set point that one of them says.
 */
export function spanUnder(
  diagram: Diagram,
  actuator: string,
  usual: number,
  faults: readonly Fault[],
): Span {
  const beyond = beyondUnder(diagram, actuator, faults);
  if (!beyond) return { low: usual, high: usual };
  const { rising, falling } = beyond.points;
  return beyond.side === 'above'
    ? { low: rising.at, high: Infinity }
    : { low: -Infinity, high: falling.at };
}

/**
 * Degrees Fahrenheit that a hand calls so; from memory, hot near the 140 °F (60 °C) at which ASTM C1055 puts
 * the burn after a few seconds.
 */
const FELT_F: Record<Felt, Span & { about: number }> = {
  cold: { low: -Infinity, high: 95, about: 70 },
  warm: { low: 85, high: 140, about: 110 },
  hot: { low: 125, high: Infinity, about: 150 },
};

const inUnit = (unit: string, fahrenheit: number): number =>
  /c$/i.test(unit) ? ((fahrenheit - 32) * 5) / 9 : fahrenheit;

/** What a hand means by a word, in the unit of a temperature; `about` is where it is taken to be. */
export function feltSpan({ unit }: QuantityActuator, felt: Felt): Span & { about: number } {
  const { low, high, about } = FELT_F[felt];
  return { low: inUnit(unit, low), high: inUnit(unit, high), about: inUnit(unit, about) };
}

/** Whether a value that was found is where it was to be; undefined where it lies between set points. */
export function isThere(
  diagram: Diagram,
  actuator: string,
  found: number,
  wanted: readonly Side[],
): boolean | undefined {
  const sides = movedBy(diagram, actuator).map((part) => sideOf(part.setPoints, found));
  const apart = sides.some(
    (side, i) => side !== 'between' && wanted[i] !== 'between' && side !== wanted[i],
  );
  if (apart) return false;
  return sides.some((side, i) => (side === 'between') !== (wanted[i] === 'between'))
    ? undefined
    : true;
}
