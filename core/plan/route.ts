/** A stop on the way: the two terminals that the probes are on, and the actuator's position. */
interface Stop {
  pair: [string, string];
  position: string;
}

/** Moves from one reading to the next: each probe that changes its terminal, and the actuator. */
export function moves(from: Stop, to: Stop): number {
  const kept = to.pair.filter((terminal) => from.pair.includes(terminal)).length;
  return 2 - kept + (from.position === to.position ? 0 : 1);
}

export const totalMoves = (stops: readonly Stop[]): number =>
  stops.slice(1).reduce((sum, stop, i) => sum + moves(stops[i] ?? stop, stop), 0);

/** Up to here the order is the exact optimum; beyond, the best of local improvements. */
const EXACT_UP_TO = 11;

/** The order of readings with the fewest moves, starting from the first one given. */
export function fewestMoves<T extends Stop>(stops: readonly T[]): T[] {
  return stops.length <= EXACT_UP_TO ? exactOrder(stops) : improvedOrder(stops);
}

/** Held and Karp's dynamic programme over subsets, open path with a fixed start. */
function exactOrder<T extends Stop>(stops: readonly T[]): T[] {
  const n = stops.length;
  if (n < 3) return [...stops];
  const all = 1 << n;
  const cost = new Float64Array(all * n).fill(Infinity);
  const before = new Int8Array(all * n).fill(-1);
  cost[n] = 0; // only stop 0 visited, standing at it
  for (let visited = 1; visited < all; visited += 2) {
    for (let at = 0; at < n; at++) {
      const here = cost[visited * n + at] ?? Infinity;
      const from = stops[at];
      if (here === Infinity || !from) continue;
      for (let next = 1; next < n; next++) {
        const to = stops[next];
        if (!to || visited & (1 << next)) continue;
        const slot = (visited | (1 << next)) * n + next;
        const there = here + moves(from, to);
        if (there < (cost[slot] ?? Infinity)) {
          cost[slot] = there;
          before[slot] = at;
        }
      }
    }
  }
  let visited = all - 1;
  let at = 0;
  for (let i = 1; i < n; i++) {
    if ((cost[visited * n + i] ?? Infinity) < (cost[visited * n + at] ?? Infinity)) at = i;
  }
  const order: T[] = [];
  while (at >= 0) {
    const stop = stops[at];
    if (stop) order.unshift(stop);
    const came = before[visited * n + at] ?? -1;
    visited ^= 1 << at;
    at = came;
  }
  return order;
}

/** Nearest next reading, then reversing and shifting stretches until nothing gets shorter. */
function improvedOrder<T extends Stop>(stops: readonly T[]): T[] {
  const [first, ...left] = stops;
  if (!first) return [];
  let order = [first];
  while (left.length) {
    const here = order.at(-1) ?? first;
    let best = 0;
    left.forEach((stop, i) => {
      if (moves(here, stop) < moves(here, left[best] ?? stop)) best = i;
    });
    order.push(...left.splice(best, 1));
  }
  let length = totalMoves(order);
  for (let shorter = true; shorter;) {
    shorter = false;
    for (let i = 1; i < order.length; i++) {
      for (let j = i + 1; j <= order.length; j++) {
        const before = order.slice(0, i);
        const stretch = order.slice(i, j);
        const after = order.slice(j);
        const reversed = [...before, ...stretch.reverse(), ...after];
        const shifted = [...before, ...order.slice(i + 1, j), ...order.slice(i, i + 1), ...after];
        for (const other of [reversed, shifted]) {
          const otherLength = totalMoves(other);
          if (otherLength >= length) continue;
          order = other;
          length = otherLength;
          shorter = true;
        }
      }
    }
  }
  return order;
}
