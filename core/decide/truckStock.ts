/** A part that may be put on the truck. */
export interface StockItem {
  key: string;
  /** Whole units of the shop's money; what is between is rounded up. */
  price: number;
}

/** The chance that a call needs a part; of one call they add up to one at most, for it needs one or another. */
export interface Need {
  key: string;
  chance: number;
}

/** One more of a part, and the repairs on the first visit that it makes. */
export interface Taken {
  key: string;
  count: number;
  /** On the average, over the day. */
  repairs: number;
}

export interface TruckStock {
  take: Taken[];
  /** Calls of the day that are expected to be repaired on the first visit, with what is aboard and what is taken. */
  repairs: number;
  spent: number;
}

/**
 * How probable it is that so many calls and more need a part: the Poisson binomial distribution, call by call
 * (a recurrence that is in every textbook of probability).
 * @returns by the number of calls, from nought on
 */
export function atLeast(chances: readonly number[]): number[] {
  const exactly = [1];
  for (const chance of chances) {
    exactly.push(0);
    for (let n = exactly.length - 1; n >= 0; n--)
      exactly[n] = (exactly[n] ?? 0) * (1 - chance) + (exactly[n - 1] ?? 0) * chance;
  }
  let rest = 1;
  return exactly.map((each) => {
    const from = rest;
    rest -= each;
    return Math.max(0, from);
  });
}

/**
 * The parts that make most repairs on the first visit for the money: of each part the n-th makes one where n calls need it, so that
 * the sum over all parts is what is expected of the day (expectation is additive, whatever hangs together). The best set within
 * the budget is found by dynamic programming over the money (bounded knapsack), and is exact.
 * @param calls what each call may need
 * @param aboard how many of a part are on the truck already
 */
export function truckStock(
  calls: readonly (readonly Need[])[],
  items: readonly StockItem[],
  budget: number,
  aboard: Readonly<Record<string, number>> = {},
): TruckStock {
  const most = Math.max(0, Math.floor(budget));
  let repairs = 0;
  const copies = items.flatMap(({ key, price }) => {
    const chances = calls.flatMap((needs) => {
      const chance = needs
        .filter((each) => each.key === key)
        .reduce((sum, each) => sum + each.chance, 0);
      return chance > 0 ? [Math.min(1, chance)] : [];
    });
    const more = atLeast(chances);
    const has = aboard[key] ?? 0;
    for (let n = 1; n <= Math.min(has, chances.length); n++) repairs += more[n] ?? 0;
    return chances.slice(has).map((_, i) => ({
      key,
      price: Math.max(0, Math.ceil(price)),
      makes: more[has + i + 1] ?? 0,
    }));
  });
  // Best sum for each amount, and whether each copy is in it.
  const best = new Float64Array(most + 1);
  const taken = copies.map(() => new Uint8Array(most + 1));
  copies.forEach(({ price, makes }, i) => {
    for (let money = most; money >= price; money--) {
      const sum = (best[money - price] ?? 0) + makes;
      if (sum <= (best[money] ?? 0) + 1e-12) continue;
      best[money] = sum;
      const row = taken[i];
      if (row) row[money] = 1;
    }
  });
  const take = new Map<string, Taken>();
  let money = most;
  for (let i = copies.length - 1; i >= 0; i--) {
    const copy = copies[i];
    if (!copy || !taken[i]?.[money]) continue;
    money -= copy.price;
    const before = take.get(copy.key) ?? { key: copy.key, count: 0, repairs: 0 };
    take.set(copy.key, {
      ...before,
      count: before.count + 1,
      repairs: before.repairs + copy.makes,
    });
  }
  return {
    take: [...take.values()].sort((one, two) => two.repairs - one.repairs),
    repairs: repairs + (best[most] ?? 0),
    spent: most - money,
  };
}
