/**
 * Effective resistance between two nodes of a resistor network, by star-mesh transforms: every
 * other node is eliminated in turn and its neighbours are joined by G_ik G_jk / sum of G_k. Only
 * sums, products and quotients of positive numbers occur, so nothing cancels and the answer is
 * good to nearly all digits whatever the spread of the resistors.
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
  for (const { a, b } of edges) {
    for (const node of [a, b]) if (!index.has(node)) index.set(node, index.size);
  }
  const n = index.size;
  const siemens = new Float64Array(n * n);
  for (const { a, b, ohms } of edges) {
    const i = index.get(a) ?? 0;
    const j = index.get(b) ?? 0;
    if (i === j) continue;
    siemens[i * n + j] = siemens[j * n + i] = (siemens[i * n + j] ?? 0) + 1 / ohms;
  }
  for (let k = n - 1; k > 1; k--) eliminate(siemens, n, k);
  return 1 / (siemens[1] ?? 0);
}

/** Takes out node k of the first k + 1 and spreads its star over the mesh of its neighbours. */
function eliminate(siemens: Float64Array, n: number, k: number): void {
  let sum = 0;
  for (let i = 0; i < k; i++) sum += siemens[k * n + i] ?? 0;
  if (sum === 0) return;
  for (let i = 0; i < k; i++) {
    const share = (siemens[k * n + i] ?? 0) / sum;
    if (share === 0) continue;
    for (let j = 0; j < i; j++) {
      const through = share * (siemens[k * n + j] ?? 0);
      siemens[i * n + j] = (siemens[i * n + j] ?? 0) + through;
      siemens[j * n + i] = siemens[i * n + j] ?? 0;
    }
  }
}
