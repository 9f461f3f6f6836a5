/**
 * Bayes' rule: probabilities from weights that are given as natural logarithms, up to a factor that
 * all of them share.
 */
export function posterior(log: Float64Array): Float64Array {
  const top = log.reduce((most, each) => Math.max(most, each), -Infinity);
  const weights = log.map((each) => Math.exp(each - top));
  const total = weights.reduce((sum, each) => sum + each, 0);
  return weights.map((each) => each / total);
}

/** Shannon's entropy in bits of weights that add up to `whole`. */
export function entropy(weights: Iterable<number>, whole = 1): number {
  let bits = 0;
  for (const each of weights) if (each > 0) bits -= (each / whole) * Math.log2(each / whole);
  return bits;
}
