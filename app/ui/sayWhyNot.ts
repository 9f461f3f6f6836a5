import { sayInputFault } from '../../contract/problem';
import { Refusal } from '../sync/api';

/** So many faults are told at once. */
const MOST_TOLD = 8;

/** Why the server did not do what was asked, a line each. @param away what is said where it was not reached */
export function sayWhyNot(error: unknown, away: string): string[] {
  if (!(error instanceof Refusal)) return [away];
  const { faults = [], title } = error.problem;
  const told = faults.slice(0, MOST_TOLD).map(sayInputFault);
  const more = faults.length - told.length;
  return [...(told.length ? told : [`${title}.`]), ...(more > 0 ? [`And ${more} more.`] : [])];
}
