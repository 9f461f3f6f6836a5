/** What is checked before a unit is handed back. */
export const CHECKS = [
  'safety',
  'corner',
  'cycles',
  'frame',
  'gas-joints',
  'flame',
  'draft',
  'carbon-monoxide',
  'temperature-rise',
  'leakage',
  'hoses',
  'caps',
  'capacitor',
  'airway',
  'covers',
  'run',
] as const;
export type Check = (typeof CHECKS)[number];

export const CHECK_OUTCOMES = ['right', 'wrong', 'not-done'] as const;
export type CheckOutcome = (typeof CHECK_OUTCOMES)[number];

/** How a switch was seen to do its work, from the least to the most that it says: common practice. */
export const GRADES = ['finger', 'actuator', 'run'] as const;
export type Grade = (typeof GRADES)[number];

/** What came of one check. */
export interface Checked {
  check: Check;
  /** The part or the actuator that it is of, where a unit may have several. */
  of?: string;
  outcome: CheckOutcome;
  /** Of a safety switch: how it was seen to stop the unit. */
  grade?: Grade;
  /** What an instrument showed, or how many were counted. */
  value?: number;
  /** Why it was not done. */
  words?: string;
}

/** What is read or counted, and how far it may go; no limit where the maker's sheet or the code has it. */
export interface CheckFigure {
  unit: string;
  most?: number;
  least?: number;
}

/**
 * Checks that have a figure. Leakage: no more than 5 mW per square centimetre at 5 cm, 21 CFR 1030.10 for an
 * oven in use, from memory. Three cycles: common practice.
 */
export const CHECK_FIGURES: Partial<Record<Check, CheckFigure>> = {
  cycles: { unit: 'cycles', least: 3 },
  flame: { unit: 'starts', least: 3 },
  draft: { unit: 'inH2O' },
  'carbon-monoxide': { unit: 'ppm' },
  'temperature-rise': { unit: '°F' },
  leakage: { unit: 'mW/cm²', most: 5 },
};

/** Whether a figure is within what is allowed, as far as that is known here. */
export const isWithin = ({ most = Infinity, least = -Infinity }: CheckFigure, value: number) =>
  value >= least && value <= most;

/** Checks of one part or actuator among several. */
export const isOfOne = (check: Check): boolean => ['safety', 'corner', 'cycles'].includes(check);
