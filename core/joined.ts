/** Which nodes are one, as pairs of them are joined (union-find); each group goes by its smallest node. */
export class Joined {
  private readonly parent: Int32Array;

  /** @param of how many nodes there are, none joined; or what is joined already, which stays as it is */
  constructor(of: number | Joined) {
    this.parent =
      typeof of === 'number' ? Int32Array.from({ length: of }, (_, i) => i) : of.parent.slice();
  }

  root(node: number): number {
    let here = node;
    for (let up = this.parent[here] ?? here; up !== here; up = this.parent[here] ?? here) {
      this.parent[here] = this.parent[up] ?? up;
      here = up;
    }
    return here;
  }

  join(a: number, b: number): void {
    const [one, two] = [this.root(a), this.root(b)];
    this.parent[Math.max(one, two)] = Math.min(one, two);
  }

  /** The smallest node of each node's group. */
  roots(): Int32Array {
    return this.parent.map((_, node) => this.root(node));
  }
}
