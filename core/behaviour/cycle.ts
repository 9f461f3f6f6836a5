import type { Diagram } from '../diagram/diagram';
import type { Moment } from './moment';

export interface CycleFound {
  seconds: number;
  /** Share of the period that each load runs, from 0 to 1. */
  runs: Record<string, number>;
}

/** Two rounds count as the same when their quantities are this near, as a share of their size. */
const SAME = 0.02;

/** Watches moments go by and tells when they come round to one that was there before. */
export class Cycle {
  private readonly seen: Moment[] = [];

  constructor(private readonly diagram: Diagram) {}

  see(moment: Moment): CycleFound | undefined {
    const before = this.seen.findLast((each) => this.same(each, moment));
    this.seen.push(moment);
    if (!before || moment.at <= before.at) return undefined;
    return { seconds: moment.at - before.at, runs: this.shares(before.at, moment.at) };
  }

  private same(one: Moment, two: Moment): boolean {
    const discrete = (each: Moment): string =>
      JSON.stringify([each.loads, each.switches, each.opened, each.boards]);
    if (discrete(one) !== discrete(two)) return false;
    return Object.entries(one.quantities).every(([id, value]) => {
      const other = two.quantities[id] ?? value;
      return Math.abs(value - other) <= SAME * Math.max(Math.abs(value), Math.abs(other), 1e-9);
    });
  }

  private shares(from: number, to: number): Record<string, number> {
    const runs: Record<string, number> = {};
    for (const { id, kind } of this.diagram.parts) {
      if (kind !== 'load') continue;
      let on = 0;
      this.seen.forEach((moment, i) => {
        const next = this.seen[i + 1];
        if (moment.at < from || !next || moment.loads[id] !== 'runs') return;
        on += next.at - moment.at;
      });
      runs[id] = on / (to - from);
    }
    return runs;
  }
}
