import type { Supply, SupplyKind } from '../diagram/diagram';

/** One leg of a supply: the volts from one of its terminals to another, as a phasor. */
export interface Leg {
  /** Places in the supply's list of terminals. */
  from: number;
  to: number;
  /** Share of the supply's volts. */
  share: number;
  degrees: number;
}

interface SupplyModel {
  current: 'ac' | 'dc';
  /** Legs when all its terminals are given; the first leg alone, at full volts, without a neutral. */
  legs: Leg[];
  /** Place of the ground terminal, which the house bonds to the neutral at place `neutral`. */
  ground?: { at: number; neutral: number };
  /** Ohms inside a leg where the diagram gives none; from memory. */
  ohms: number;
  /** What is inside stays in the circuit when it feeds nothing: a winding, a thermopile. */
  staysIn: boolean;
}

const oneLeg: Leg[] = [{ from: 0, to: 1, share: 1, degrees: 0 }];
const legs = (share: number, degrees: number): Leg[] => [
  { from: 0, to: 2, share, degrees: 0 },
  { from: 1, to: 2, share, degrees },
];

/** What each kind of supply puts between its terminals. Adding a kind is adding a line here. */
export const KINDS: Record<SupplyKind, SupplyModel> = {
  mains: { current: 'ac', legs: oneLeg, ground: { at: 2, neutral: 1 }, ohms: 0.1, staysIn: false },
  'split-phase': {
    current: 'ac',
    legs: legs(1 / 2, 180),
    ground: { at: 3, neutral: 2 },
    ohms: 0.05,
    staysIn: false,
  },
  'wye-legs': {
    current: 'ac',
    legs: legs(1 / Math.sqrt(3), 120),
    ground: { at: 3, neutral: 2 },
    ohms: 0.05,
    staysIn: false,
  },
  'low-voltage-ac': { current: 'ac', legs: oneLeg, ohms: 0.8, staysIn: true },
  dc: { current: 'dc', legs: oneLeg, ohms: 0.1, staysIn: false },
  thermopile: { current: 'dc', legs: oneLeg, ohms: 3, staysIn: true },
  thermocouple: { current: 'dc', legs: oneLeg, ohms: 0.03, staysIn: true },
};

/** Per cent that the volts may be off where the diagram does not say: common practice says 10. */
export const SUPPLY_TOLERANCE = 10;

/** The legs that a supply has with the terminals that its diagram gives it. */
export function legsOf(supply: Supply): Leg[] {
  const all = KINDS[supply.kind].legs;
  const neutral = all.some((leg) => leg.to >= supply.terminals.length);
  return neutral ? [{ from: 0, to: 1, share: 1, degrees: 0 }] : all;
}
