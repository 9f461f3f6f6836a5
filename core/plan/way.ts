import type { School } from './schools';

/** How the technician wants to work. */
export interface Way {
  school: School;
  /** Whether live readings and jumper tries may be advised. */
  live: boolean;
  /** Readings at the parts alone, from the plug alone, or both. */
  place: 'part' | 'plug' | 'any';
}

/** Cold first: what only a live reading can settle is said when nothing cold tells any more. */
export const USUAL_WAY: Way = { school: 'least', live: false, place: 'any' };
