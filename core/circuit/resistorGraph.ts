/** A resistor with one value. */
export interface Resistor {
  a: number;
  b: number;
  ohms: number;
}

/** Who is joined to whom while resistors come and go. */
export class ResistorGraph {
  private readonly start: Int32Array;
  private readonly next: Int32Array;
  private readonly edge: Int32Array;
  private readonly removed = new Set<number>();
  private readonly added: Resistor[] = [];
  private readonly mark: Uint8Array;
  private readonly queue: Int32Array;

  constructor(
    private readonly n: number,
    private readonly resistors: readonly Resistor[],
  ) {
    const degree = new Int32Array(n + 1);
    for (const { a, b } of resistors) {
      degree[a] = (degree[a] ?? 0) + 1;
      degree[b] = (degree[b] ?? 0) + 1;
    }
    this.start = new Int32Array(n + 1);
    for (let i = 0; i < n; i++) this.start[i + 1] = (this.start[i] ?? 0) + (degree[i] ?? 0);
    const fill = Int32Array.from(this.start);
    this.next = new Int32Array(2 * resistors.length);
    this.edge = new Int32Array(2 * resistors.length);
    resistors.forEach(({ a, b }, i) => {
      for (const [from, to] of [
        [a, b],
        [b, a],
      ] as const) {
        const slot = fill[from] ?? 0;
        fill[from] = slot + 1;
        this.next[slot] = to;
        this.edge[slot] = i;
      }
    });
    this.mark = new Uint8Array(n);
    this.queue = new Int32Array(n);
  }

  reset(): void {
    this.removed.clear();
    this.added.length = 0;
  }

  remove(at: number): void {
    this.removed.add(at);
  }

  add(a: number, b: number, ohms: number): void {
    this.added.push({ a, b, ohms });
  }

  left(): Resistor[] {
    return [...this.resistors.filter((_, i) => !this.removed.has(i)), ...this.added];
  }

  /** Walks from b; whether it comes to a. What it reached stays marked for `label`. */
  reaches(a: number, b: number): boolean {
    const { mark, queue, start, next, edge, removed, added } = this;
    mark.fill(0);
    mark[b] = 1;
    queue[0] = b;
    let end = 1;
    for (let head = 0; head < end; head++) {
      const here = queue[head] ?? 0;
      const stop = start[here + 1] ?? 0;
      for (let slot = start[here] ?? 0; slot < stop; slot++) {
        const to = next[slot] ?? 0;
        if (mark[to] || removed.has(edge[slot] ?? 0)) continue;
        if (to === a) return true;
        mark[to] = 1;
        queue[end++] = to;
      }
      for (const each of added) {
        const to = each.a === here ? each.b : each.b === here ? each.a : here;
        if (mark[to]) continue;
        if (to === a) return true;
        mark[to] = 1;
        queue[end++] = to;
      }
    }
    return false;
  }

  /** Of a range of nodes, those that the last walk reached, and the others. */
  sides(from: number, to: number): { near: number[]; far: number[] } {
    const near: number[] = [];
    const far: number[] = [];
    for (let i = from; i < to; i++) (this.mark[i] ? near : far).push(i);
    return { near, far };
  }

  /** Gives what the last walk reached a label of its own. */
  label(labels: Int32Array, label: number): void {
    for (let i = 0; i < this.n; i++) if (this.mark[i]) labels[i] = label;
  }
}
