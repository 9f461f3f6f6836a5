import { legsOf, SUPPLY_TOLERANCE } from '../circuit/supply';
import type { Diagram, Supply, TerminalRef } from '../diagram/diagram';
import { terminalRef } from '../diagram/terminal';
import { SERVICE_PERCENT } from '../trade/supplyBand';

/** Volts that are right between two terminals of a supply, by those who measure wide and by the standard. */
export interface SupplyPair {
  from: TerminalRef;
  to: TerminalRef;
  volts: number;
  /** The usual band of the trade: common practice. */
  usual: Band;
  /** ANSI C84.1, service voltage, range A: 5 per cent both ways; of house supplies alone. */
  standard: Band | undefined;
}

export interface Band {
  low: number;
  high: number;
}

export interface SupplyCheck {
  supply: Supply;
  /** In the order in which they tell most: leg to leg before each leg. */
  pairs: SupplyPair[];
  /** What is looked at, and why one pair comes before another. */
  says: string[];
}

const band = (volts: number, percent: number): Band => ({
  low: volts * (1 - percent / 100),
  high: volts * (1 + percent / 100),
});

/** What is checked of each supply before the unit is taken apart. */
export const supplyChecks = (diagram: Diagram): SupplyCheck[] =>
  diagram.supplies.map((supply) => ({ supply, pairs: pairsOf(supply), says: saysOf(supply) }));

function pairsOf(supply: Supply): SupplyPair[] {
  const { id, kind, volts, terminals, tolerancePercent = SUPPLY_TOLERANCE } = supply;
  const at = (place: number): TerminalRef | undefined => {
    const terminal = terminals[place];
    return terminal && terminalRef(id, terminal.id);
  };
  const pair = (one: number, two: number, share: number): SupplyPair[] => {
    const [from, to] = [at(one), at(two)];
    if (!from || !to) return [];
    const nominal = volts * share;
    const standard = HOUSE.includes(kind) ? band(nominal, SERVICE_PERCENT) : undefined;
    return [{ from, to, volts: nominal, usual: band(nominal, tolerancePercent), standard }];
  };
  const legs = legsOf(supply).flatMap(({ from, to, share }) => pair(from, to, share));
  return legs.length > 1 ? [...pair(0, 1, 1), ...legs] : legs;
}

const HOUSE: readonly Supply['kind'][] = ['mains', 'split-phase', 'wye-legs'];

function saysOf({ kind, terminals, amps }: Supply): string[] {
  const breaker = amps === undefined ? 'Breaker' : `Breaker of ${amps} A`;
  const reset = `${breaker}: fully off, then on; a tripped one may look as if it were on. A GFCI or AFCI: press its reset`;
  switch (kind) {
    case 'mains':
      return [reset, 'At the outlet, and again where the cord comes in'];
    case 'split-phase':
    case 'wye-legs':
      return [
        reset,
        ...(terminals.length > 2
          ? [
              'Leg to leg first: a dead leg still shows its volts to the neutral, fed back through a closed element. Only leg to leg tells',
            ]
          : []),
        ...(kind === 'wye-legs'
          ? [
              'Two legs of three: 208 V from leg to leg is right there, and heaters give three quarters',
            ]
          : []),
      ];
    case 'low-voltage-ac':
      return ['At the terminals that feed it, with the unit calling'];
    case 'dc':
      return [
        'At the battery or adapter with the unit running: what is right without load may sag',
      ];
    case 'thermopile':
    case 'thermocouple':
      return [
        'Gas cock open, pilot burning blue around its tip, the tip clean and in the flame',
        'With what it feeds switched on; it takes some minutes to warm',
      ];
  }
}
