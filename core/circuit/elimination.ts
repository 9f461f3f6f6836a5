/**
 * Star-mesh elimination of a resistor network: each node in turn is taken out and its neighbours
 * are joined by G_ik G_jk / sum of G_k. Only sums, products and quotients of positive numbers
 * occur, so nothing cancels and an answer is good to nearly all digits whatever the spread of the
 * resistors. The node with the fewest neighbours goes first, which keeps the meshes small.
 *
 * The last node of every island is its ground: potentials are told against it.
 */
export class Elimination {
  /** Nodes in the order in which they are taken out. */
  private readonly order: Int32Array;
  private readonly start: Int32Array;
  /** For each node taken out: its neighbours then, and the share of its current that each takes. */
  private readonly neighbour: Int32Array;
  private readonly share: Float64Array;
  /** Sum of the siemens at a node when it is taken out; 0 for the ground of an island. */
  private readonly sum: Float64Array;

  /**
   * @param edges siemens >= 0 between nodes 0..n-1; several between two nodes are in parallel
   * @param last nodes taken out at the end; the very last one grounds its island
   */
  constructor(
    n: number,
    edges: readonly { a: number; b: number; siemens: number }[],
    last: readonly number[] = [],
  ) {
    const g = new Float64Array(n * n);
    const degree = new Int32Array(n);
    for (const { a, b, siemens } of edges) {
      if (a === b || siemens === 0) continue;
      if (g[a * n + b] === 0) {
        degree[a] = (degree[a] ?? 0) + 1;
        degree[b] = (degree[b] ?? 0) + 1;
      }
      g[a * n + b] = g[b * n + a] = (g[a * n + b] ?? 0) + siemens;
    }
    this.order = new Int32Array(n);
    this.start = new Int32Array(n + 1);
    this.sum = new Float64Array(n);
    const neighbours: number[] = [];
    const shares: number[] = [];
    // 0: waits, 1: waits until the end, 2: taken out.
    const state = new Uint8Array(n);
    for (const node of last) state[node] = 1;
    const early = n - last.length;
    const around = new Int32Array(n);
    for (let step = 0; step < n; step++) {
      let k = step < early ? -1 : (last[step - early] ?? -1);
      if (k < 0) {
        let least = n + 1;
        for (let node = 0; node < n; node++) {
          const has = degree[node] ?? 0;
          if (state[node] === 0 && has < least) {
            least = has;
            k = node;
          }
        }
      }
      state[k] = 2;
      this.order[step] = k;
      this.start[step] = neighbours.length;
      let count = 0;
      let sum = 0;
      for (let i = 0; i < n; i++) {
        const siemens = g[k * n + i] ?? 0;
        if (siemens === 0 || state[i] === 2) continue;
        around[count++] = i;
        sum += siemens;
      }
      this.sum[step] = sum;
      for (let x = 0; x < count; x++) {
        const i = around[x] ?? 0;
        const share = (g[k * n + i] ?? 0) / sum;
        neighbours.push(i);
        shares.push(share);
        degree[i] = (degree[i] ?? 0) - 1;
        for (let y = 0; y < x; y++) {
          const j = around[y] ?? 0;
          const through = share * (g[k * n + j] ?? 0);
          if (g[i * n + j] === 0) {
            degree[i] = (degree[i] ?? 0) + 1;
            degree[j] = (degree[j] ?? 0) + 1;
          }
          g[i * n + j] = g[j * n + i] = (g[i * n + j] ?? 0) + through;
        }
      }
    }
    this.start[n] = neighbours.length;
    this.neighbour = Int32Array.from(neighbours);
    this.share = Float64Array.from(shares);
  }

  /** Ohms between the two nodes that were taken out last; Infinity when nothing joins them. */
  get lastTwo(): number {
    return 1 / (this.sum[this.sum.length - 2] ?? 0);
  }

  /**
   * Potentials when a current flows in at each node and out at the ground of its island.
   * @param amps current into each node, ampere; used up by the call
   * @param volts filled with the potential of each node against its ground
   */
  solve(amps: Float64Array, volts: Float64Array): void {
    const { order, start, neighbour, share, sum } = this;
    const n = order.length;
    for (let step = 0; step < n; step++) {
      const here = amps[order[step] ?? 0] ?? 0;
      if (here === 0) continue;
      const end = start[step + 1] ?? 0;
      for (let x = start[step] ?? 0; x < end; x++) {
        const i = neighbour[x] ?? 0;
        amps[i] = (amps[i] ?? 0) + (share[x] ?? 0) * here;
      }
    }
    for (let step = n - 1; step >= 0; step--) {
      const k = order[step] ?? 0;
      const all = sum[step] ?? 0;
      if (all === 0) {
        volts[k] = 0;
        continue;
      }
      let level = (amps[k] ?? 0) / all;
      const end = start[step + 1] ?? 0;
      for (let x = start[step] ?? 0; x < end; x++)
        level += (share[x] ?? 0) * (volts[neighbour[x] ?? 0] ?? 0);
      volts[k] = level;
    }
  }
}
