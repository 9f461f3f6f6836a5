import type { Diagram, QuantityActuator, SetPoint, SwitchPart } from '../diagram/diagram';
import { switches } from '../diagram/terminal';
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
