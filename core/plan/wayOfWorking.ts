import type { Refusal } from '../call/refusal';
import type { Diagram } from '../diagram/diagram';
import type { Option } from './decisionProblem';
import type { Policy } from './policies';

/** How the technician wants to work. */
export interface WayOfWorking {
  school: Policy;
  /** Whether live readings and jumper tries may be advised. */
  live: boolean;
  /**
   * What it is taken to cost to put power on a suspected short, in minutes: the shop says how it sees that, and
   * live work is dear by the same measure.
   */
  harm: number;
  /** Whether somebody is there to be asked how it behaved. */
  asks: boolean;
  /** What this visit does not allow. */
  refusals?: readonly Refusal[];
  /** Left of the visit: what takes longer is not begun. */
  minutesLeft?: number;
  /** Readings at the parts alone, from the plug alone, or both. */
  place: 'part' | 'plug' | 'any';
}

/**
 * Cold first: what only a live reading can settle is said when nothing cold tells any more; alone with the
 * unit: nobody is there to be asked.
 */
export const USUAL_WAY: WayOfWorking = {
  school: 'least',
  live: false,
  asks: false,
  harm: 60,
  place: 'any',
};

/** As the app begins: who uses it stands before the unit, and mostly before its owner. */
export const BESIDE_THE_OWNER: WayOfWorking = { ...USUAL_WAY, asks: true };

/** What a shop may choose for it; never nothing. From memory. */
export const HARM_MINUTES = [30, 60, 240] as const;

/** A thermocouple's loop is read in millivolts: no ohmmeter shows what matters, and nobody is hurt. */
export const onlyMillivolts = ({ supplies }: Diagram): boolean =>
  supplies.every((supply) => supply.kind === 'thermocouple');

/** Whether a test is at the place that the technician wants to work at; looks and tries always are. */
export function wanted({ test, at }: Option, { place }: WayOfWorking): boolean {
  if (place === 'any' || test.kind === 'look' || test.kind === 'try' || test.kind === 'ask')
    return true;
  const atPart = test.kind === 'ohm' ? test.reach !== 'through' : at.length > 0;
  return (place === 'part') === atPart;
}
