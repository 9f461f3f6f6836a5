import { cellState } from '../diagram/contactTable';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import { positionsOf } from '../diagram/setup';
import { owners, switches, terminalRef } from '../diagram/terminal';
import { KINDS, legsOf } from '../circuit/supply';
import { Joined } from '../joined';

/** What the wiring of a unit comes to over all positions of its controls, by what is joined alone: no ohms. */
export interface EveryPosition {
  /** Loads that no position feeds, not even in series with others. */
  neverRun: string[];
  /** Supplies that metal alone joins in some position, with the controls that stand so. */
  shorted: { supply: string; at: Record<string, string> }[];
}

/** Combinations looked at, at most: controls beyond stand in all their positions at once, which hides a finding and makes none. */
const MOST = { metal: 512, series: 256 };

/**
 * Goes through the positions of a draft. A contact that may rightly be either counts as closed for what can run and as open
 * for what is shorted; so does one whose control is not told apart.
 */
export function everyPosition(diagram: Diagram): EveryPosition {
  const wiring = new Wiring(diagram);
  const runs = new Set<number>();
  const shorted = new Map<string, Record<string, string>>();
  for (const at of combinations(diagram, MOST.metal)) {
    const metal = wiring.joined(at, 'closed');
    for (const { id, ends } of wiring.legs) {
      const [a, b] = ends.map((end) => metal(end));
      if (a === b && !shorted.has(id)) shorted.set(id, Object.fromEntries(at));
    }
    if (runs.size === wiring.loads.length) continue;
    const possible = wiring.joined(at, 'may-close');
    const rails = wiring.railsOf(possible);
    wiring.loads.forEach(({ ends }, i) => {
      const [a, b] = [possible(ends[0]), possible(ends[1])];
      if (a !== b && rails.has(a) && rails.has(b)) runs.add(i);
    });
  }
  // What metal alone does not feed may run in series with others.
  const left = wiring.loads.flatMap((_, i) => (runs.has(i) ? [] : [i]));
  if (left.length)
    for (const at of combinations(diagram, MOST.series)) {
      const possible = wiring.joined(at, 'may-close');
      for (const i of left) if (!runs.has(i) && wiring.runsInSeries(at, possible, i)) runs.add(i);
    }
  const run = new Set(wiring.loads.flatMap(({ id }, i) => (runs.has(i) ? [id] : [])));
  return {
    neverRun: [...new Set(wiring.loads.map(({ id }) => id))].filter((id) => !run.has(id)),
    shorted: [...shorted].map(([supply, at]) => ({ supply, at })),
  };
}

type At = ReadonlyMap<string, string>;

/** What moves switches, each with its positions: a control, or a switch that a quantity moves by itself. */
function* combinations(diagram: Diagram, most: number): Generator<At> {
  const moved = new Map<string, string[]>();
  for (const part of switches(diagram)) {
    const name = mover(diagram, part);
    if (!moved.has(name)) moved.set(name, positionsOf(diagram, part));
  }
  let count = 1;
  const told = [...moved].filter(([, positions]) => {
    const fits = positions.length > 0 && count * positions.length <= most;
    if (fits) count *= positions.length;
    return fits;
  });
  const at = new Map<string, string>();
  for (let n = 0; n < count; n++) {
    let left = n;
    for (const [name, positions] of told) {
      at.set(name, positions[left % positions.length] ?? '');
      left = Math.floor(left / positions.length);
    }
    yield at;
  }
}

function mover(diagram: Diagram, part: ReturnType<typeof switches>[number]): string {
  const actuator = diagram.actuators.find(({ id }) => id === part.actuator);
  // Two limits on one quantity have set points of their own.
  return actuator?.kind === 'quantity' ? part.id : part.actuator;
}

/** Which nodes a set of ways joins. */
type Group = (node: number) => number;

class Wiring {
  private readonly nodes = new Map<TerminalRef, number>();
  private readonly always: [number, number][] = [];
  private readonly contacts: {
    pair: [number, number];
    by: string;
    cell: (position: string) => string;
  }[] = [];
  private readonly elements: [number, number][] = [];
  readonly legs: { id: string; ends: [number, number] }[] = [];
  readonly loads: { id: string; element: number; ends: [number, number] }[] = [];
  private readonly rails: number[] = [];

  constructor(diagram: Diagram) {
    for (const owner of owners(diagram))
      for (const { id } of owner.terminals) this.node(terminalRef(owner.id, id));
    for (const { from, to } of diagram.wires) this.always.push([this.node(from), this.node(to)]);
    for (const part of diagram.parts) {
      const pair = ([a, b]: [string, string]): [number, number] => [
        this.node(terminalRef(part.id, a)),
        this.node(terminalRef(part.id, b)),
      ];
      if (part.kind === 'connection') this.always.push(...part.joins.map(pair));
      if (part.kind === 'protector') this.always.push(pair(part.between));
      if (part.kind === 'switch')
        for (const { id, between } of part.contacts)
          this.contacts.push({
            pair: pair(between),
            by: mover(diagram, part),
            cell: (position) => cellState(part, id, position),
          });
      if (part.kind !== 'load') continue;
      for (const { id, between } of part.elements) {
        const ends = pair(between);
        // A secondary feeds; it is fed by its primary.
        if (part.windings?.secondary === id) this.rails.push(...ends);
        else this.loads.push({ id: part.id, element: this.elements.push(ends) - 1, ends });
      }
    }
    // What a board puts out is not known: its terminals may feed.
    for (const part of diagram.parts)
      if (part.kind === 'board')
        this.rails.push(...part.terminals.map(({ id }) => this.node(terminalRef(part.id, id))));
    for (const supply of diagram.supplies) {
      const ends = supply.terminals.map(({ id }) => this.node(terminalRef(supply.id, id)));
      this.rails.push(...ends);
      // The house bonds its ground to its neutral.
      const { ground } = KINDS[supply.kind];
      const [bonded, neutral] = ground ? [ends[ground.at], ends[ground.neutral]] : [];
      if (bonded !== undefined && neutral !== undefined) this.always.push([bonded, neutral]);
      for (const { from, to } of legsOf(supply)) {
        const [a, b] = [ends[from], ends[to]];
        if (a !== undefined && b !== undefined) this.legs.push({ id: supply.id, ends: [a, b] });
      }
      const [one, two] = ends;
      const legs = supply.kind === 'split-phase' || supply.kind === 'wye-legs';
      if (legs && one !== undefined && two !== undefined)
        this.legs.push({ id: supply.id, ends: [one, two] });
    }
  }

  /** What is joined in a position. @param around the element that is left out where the others conduct as well */
  joined(at: At, which: 'closed' | 'may-close', around?: number): Group {
    const joined = new Joined(this.nodes.size);
    const join = ([a, b]: readonly [number, number]): void => joined.join(a, b);
    this.always.forEach(join);
    for (const { pair, by, cell } of this.contacts) {
      const position = at.get(by);
      const state = position === undefined ? 'either' : cell(position);
      if (state === 'closed' || (state === 'either' && which === 'may-close')) join(pair);
    }
    if (around !== undefined) this.elements.forEach((pair, i) => i !== around && join(pair));
    return (node) => joined.root(node);
  }

  /** Groups that something feeds or takes back from. */
  railsOf(group: Group): Set<number> {
    return new Set(this.rails.map(group));
  }

  /** Whether two rails that metal does not join are reached from the ends of a load, through what else conducts. */
  runsInSeries(at: At, metal: Group, load: number): boolean {
    const { ends = [], element } = this.loads[load] ?? {};
    const around = this.joined(at, 'may-close', element);
    const reached = ends.map(
      (end) => new Set(this.rails.filter((each) => around(each) === around(end)).map(metal)),
    );
    return (
      reached.every(({ size }) => size > 0) &&
      new Set(reached.flatMap((each) => [...each])).size > 1
    );
  }

  private node(ref: TerminalRef): number {
    const known = this.nodes.get(ref) ?? this.nodes.size;
    this.nodes.set(ref, known);
    return known;
  }
}
