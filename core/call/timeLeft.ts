import { takenBack } from './takenBack';
import { VISIT_MS } from './power';
import type { LogEntry } from './record';

const MINUTE_MS = 60_000;

/**
 * Minutes that are left of the visit, by what was said last; undefined where nobody has set an end, or that was another visit.
 * @param now in milliseconds; the last entry without it, so that a log alone always says the same
 */
export function minutesLeft(entries: readonly LogEntry[], now?: number): number | undefined {
  const gone = takenBack(entries);
  const said = entries.findLast(
    (each) => each.kind === 'acknowledged' && each.body.what === 'time-left' && !gone.has(each.id),
  );
  const minutes = said?.kind === 'acknowledged' ? said.body.minutes : undefined;
  if (!said || minutes === undefined) return undefined;
  const last = now ?? Date.parse(entries.at(-1)?.phoneAt ?? said.phoneAt);
  const since = Math.max(0, last - Date.parse(said.phoneAt));
  return since > VISIT_MS ? undefined : Math.max(0, minutes - since / MINUTE_MS);
}
