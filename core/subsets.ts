/** All choices of `size` items, in the order of the items. */
export function* subsets<T>(items: readonly T[], size: number): Generator<T[]> {
  if (size === 0) yield [];
  else {
    for (const [i, item] of items.entries()) {
      for (const rest of subsets(items.slice(i + 1), size - 1)) yield [item, ...rest];
    }
  }
}
