/** A small seeded generator (mulberry32): even in [0, 1), so that a failing run can be repeated. */
export function chanceFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** One of a list, each as likely; throws where there is none. */
export function oneOf<T>(items: readonly T[], chance: () => number): T {
  const item = items[Math.floor(chance() * items.length)];
  if (item === undefined) throw new Error('one of an empty list was asked for');
  return item;
}
