/** A list with one thing put where another stands; what is between moves up. The same list where there is no such thing. */
export function moved<T>(all: readonly T[], from: number, to: number): T[] {
  const left = [...all];
  const [one] = left.splice(from, 1);
  if (one === undefined) return left;
  left.splice(to, 0, one);
  return left;
}
