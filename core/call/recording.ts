import { fail, ok, type Result } from '../result';

/** What a recorder with a channel on each of some contacts has written while something was moved slowly, cold and dead. */
export interface Recording {
  seconds: number[];
  /** Ohms at each moment; Infinity for an open contact. */
  channels: { name: string; ohms: number[] }[];
}

/** A dead contact with its wires off is closed below this: from memory, far over a film and far under a leak. */
const CLOSED_OHMS = 100;

/** When a channel went over for good, in seconds. */
export interface WentOver {
  name: string;
  at: number;
}

/**
 * Channels in the order in which their contacts went over, each at the end of its bounce: at the first moment from which on it
 * stays as it ends. Fails where one did not go over, or where two are nearer to each other than the recorder looks.
 */
export function wentOver({ seconds, channels }: Recording): Result<WentOver[], string> {
  const events: (WentOver & { sample: number })[] = [];
  for (const { name, ohms } of channels) {
    const closed = ohms.map((each) => each < CLOSED_OHMS);
    const end = closed.at(-1);
    if (closed[0] === end)
      return fail(`${name} is the same at the end as in the beginning: move it all the way once`);
    const sample = closed.findLastIndex((each) => each !== end) + 1;
    events.push({ name, at: seconds[sample] ?? 0, sample });
  }
  events.sort((one, two) => one.at - two.at);
  for (const [i, one] of events.entries()) {
    const next = events[i + 1];
    if (next && next.sample - one.sample < 2)
      return fail(
        `${one.name} and ${next.name} went over within one look of the recorder: move it slower, or record faster`,
      );
  }
  return ok(events.map(({ name, at }) => ({ name, at })));
}

/**
 * The one order that several orders of some of the things come to: a recorder with two channels sees two of three at a time.
 * Undefined while it is open which of two comes first; fails with two that contradict each other.
 */
export function orderFrom(
  all: readonly string[],
  seen: readonly (readonly string[])[],
): Result<string[] | undefined, [string, string]> {
  const before = new Set<string>();
  const key = (one: string, two: string): string => JSON.stringify([one, two]);
  for (const order of seen)
    for (const [i, one] of order.entries())
      for (const two of order.slice(i + 1)) before.add(key(one, two));
  // What comes before a thing comes before all that it comes before.
  for (const between of all)
    for (const one of all)
      for (const two of all)
        if (before.has(key(one, between)) && before.has(key(between, two)))
          before.add(key(one, two));
  for (const one of all)
    for (const two of all)
      if (one !== two && before.has(key(one, two)) && before.has(key(two, one)))
        return fail([one, two]);
  const ahead = (one: string): number =>
    all.filter((each) => each !== one && before.has(key(each, one))).length;
  const sorted = [...all].sort((one, two) => ahead(one) - ahead(two));
  const whole = sorted.every((each, i) => ahead(each) === i);
  return ok(whole ? sorted : undefined);
}
