import type { Recording } from '../call/recording';
import { chanceFrom } from '../chance';
import type { ExpectedEvent } from '../plan/eventOrder';

/** Looks a second, and seconds of the movement. */
const RATE = 100;
const SECONDS = 4;
/** A contact bounces for so many seconds at most: from memory, a few milliseconds up to some hundredths. */
const BOUNCE_SECONDS = 0.05;

/**
 * A made-up recorder on the contacts of a door that is moved slowly: each goes over in its turn, and bounces.
 * @param events in the order in which they go over on this unit
 * @param names of the channels, in the same order
 */
export function record(
  events: readonly Pick<ExpectedEvent, 'becomes'>[],
  names: readonly string[],
  seed: number,
): Recording {
  const chance = chanceFrom(seed);
  const seconds = Array.from({ length: RATE * SECONDS }, (_, i) => i / RATE);
  const step = SECONDS / (events.length + 1);
  const channels = events.map(({ becomes }, i) => {
    const at = step * (i + 1) + (chance() - 0.5) * step * 0.4;
    const until = at + chance() * BOUNCE_SECONDS;
    const ohms = seconds.map((second) => {
      const over = second >= until || (second >= at && chance() < 0.5);
      const closed = over === (becomes === 'closed');
      return closed ? 0.2 + chance() * 0.2 : Infinity;
    });
    return { name: names[i] ?? `channel ${i + 1}`, ohms };
  });
  return { seconds, channels };
}
