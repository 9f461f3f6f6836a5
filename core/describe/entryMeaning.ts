import type { Diagram } from '../diagram/diagram';
import type { Moved, Says } from '../inference/entryMeaning';
import { nameOf } from './unit';

/** What an entry says, before the suspects. */
export const SAYS_WORDS: Record<Says, string> = {
  'as-it-should-be': 'As it should be',
  'not-as-it-should-be': 'Not as it should be',
  'does-not-tell': 'Does not tell',
};

/** A probability in hundredths; what is less than one is said so. */
const hundredths = (share: number): string =>
  share < 0.005 ? '<1' : share > 0.995 ? '>99' : String(Math.round(100 * share));

/** A suspect that has moved: "Lid switch 21 → 58 %". */
export const sayMoved = (diagram: Diagram, { id, was, is }: Moved): string =>
  `${nameOf(diagram, id)} ${hundredths(was)}\u00a0→\u00a0${hundredths(is)}\u00a0%`;
