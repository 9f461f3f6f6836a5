/** A stop on the way: the two terminals that the probes are on, and the actuator's position. */
interface Stop {
  pair: [string, string];
  position: string;
}

/** Moves from one reading to the next: each probe that changes its terminal, and the actuator. */
export function moves(from: Stop, to: Stop): number {
  const [a, b] = from.pair;
  const [c, d] = to.pair;
  const kept = Number(a === c || a === d) + Number(b === c || b === d);
  return 2 - kept + Number(from.position !== to.position);
}

export const totalMoves = (stops: readonly Stop[]): number =>
  stops.slice(1).reduce((sum, stop, i) => sum + moves(stops[i] ?? stop, stop), 0);

/** Up to here the order is the exact optimum; beyond, the best of local improvements. */
const EXACT_UP_TO = 11;

/**
 * The order of readings with the fewest moves, starting from the first one given.
 * @param exactUpTo readings up to which the order is the exact optimum
 */
export function fewestMoves<T extends Stop>(stops: readonly T[], exactUpTo = EXACT_UP_TO): T[] {
  return stops.length <= exactUpTo ? exactOrder(stops) : improvedOrder(stops);
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

/** Stretches that are reversed or moved, at most so long: longer ones hardly ever help. */
const STRETCH = 60;
const MOVED = 3;

/**
 * Nearest next reading, then 2-opt and Or-opt (Croes 1958; Or 1976; both from memory) until nothing
 * gets shorter: stretches are reversed, and short ones moved to another place. What a change saves is
 * seen at the ends of the stretch alone.
 */
function improvedOrder<T extends Stop>(stops: readonly T[]): T[] {
  const order = nearestNext(stops);
  const cost = (i: number, j: number): number => {
    const [one, two] = [order[i], order[j]];
    return one && two ? moves(one, two) : 0;
  };
  const n = order.length;
  for (let shorter = true; shorter;) {
    shorter = false;
    for (let i = 1; i < n; i++) {
      for (let j = i + 1; j < Math.min(n, i + STRETCH); j++) {
        // Order i to j the other way round.
        if (cost(i - 1, j) + cost(i, j + 1) >= cost(i - 1, i) + cost(j, j + 1)) continue;
        order.splice(i, j - i + 1, ...order.slice(i, j + 1).reverse());
        shorter = true;
      }
    }
    for (let size = 1; size <= MOVED; size++)
      for (let i = 1; i + size <= n; i++) {
        const last = i + size - 1;
        const saved = cost(i - 1, i) + cost(last, last + 1) - cost(i - 1, last + 1);
        if (saved <= 0) continue;
        for (let k = 0; k < n; k++) {
          if (k >= i - 1 && k <= last) continue;
          // Between k and k + 1 instead.
          if (cost(k, i) + cost(last, k + 1) - cost(k, k + 1) >= saved) continue;
          const stretch = order.splice(i, size);
          order.splice(k < i ? k + 1 : k + 1 - size, 0, ...stretch);
          shorter = true;
          break;
        }
      }
  }
  return order;
}

function nearestNext<T extends Stop>(stops: readonly T[]): T[] {
  const left = [...stops];
  const order: T[] = left.splice(0, 1);
  for (let here = order[0]; here && left.length; here = order.at(-1)) {
    let best = 0;
    let least = Infinity;
    for (let i = 0; i < left.length && least > 1; i++) {
      const stop = left[i];
      const far = stop ? moves(here, stop) : Infinity;
      if (far < least) [best, least] = [i, far];
    }
    order.push(...left.splice(best, 1));
  }
  return order;
}
