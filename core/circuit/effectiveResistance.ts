import { Elimination } from './elimination';

/**
 * Effective resistance between two nodes of a resistor network: the volts between them when one
 * ampere goes in at one and out at the other.
 *
 * @param edges resistors with `ohms` > 0; several between the same two nodes are in parallel
 * @returns ohms; 0 for a node with itself; Infinity, exactly, when no way joins the two
 */
export function effectiveResistance(
  edges: readonly { a: number; b: number; ohms: number }[],
  source: number,
  sink: number,
): number {
  if (source === sink) return 0;
  const index = new Map<number, number>([
    [source, 0],
    [sink, 1],
  ]);
  const at = (node: number): number => {
    const known = index.get(node) ?? index.size;
    index.set(node, known);
    return known;
  };
  const local = edges.map(({ a, b, ohms }) => ({ a: at(a), b: at(b), siemens: 1 / ohms }));
  return new Elimination(index.size, local, [0, 1]).lastTwo;
}
