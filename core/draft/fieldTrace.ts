import { chanceFrom } from '../chance';
import { cellState } from '../diagram/contactTable';
import type { Diagram, TerminalRef, Wire } from '../diagram/diagram';
import { drawnSetup, switchPosition } from '../diagram/setup';
import { owners, terminalRef } from '../diagram/terminal';
import { Joined } from '../joined';
import { WireMatching, type EndSeen } from './wireMatching';

/** A reading between two terminals while a unit without a sheet is traced, in ohms, everything dead. */
export interface TraceReading {
  from: TerminalRef;
  to: TerminalRef;
  at: TraceSetup;
  /** Near zero, through something, or no path. */
  shows: TraceShows;
}
export type TraceShows = 'closed' | 'load' | 'open';

/** How the unit stands while it is read: as drawn, but for one control, or without one part. */
export interface TraceSetup {
  moved?: { actuator: string; position: string };
  out?: string;
}

/** What may be read next, and how much it tells. */
export interface TraceTest {
  from: TerminalRef;
  to: TerminalRef;
  at: TraceSetup;
  /** Bits that it is expected to tell of the structure. */
  bits: number;
}

/** What is known of the wiring so far. */
export interface Traced {
  /** Structures that fit all that was read; where they are too many to be counted, so many were drawn of them. */
  fits: number;
  counted: boolean;
  /** What tells most, the best first; empty where nothing tells them apart any more. */
  tests: TraceTest[];
  /** The wires of one structure that fits; those that all of them have are sure. */
  wires: (Wire & { sure: boolean })[];
  /** No structure fits, or none was found: these readings do not go together, as far as can be told. */
  contradiction: boolean;
  /** Structures that fit, to go on from with the next reading. */
  structures: readonly Int32Array[];
}

export interface TraceOptions {
  /** For the structures that are drawn where they are too many to be counted. */
  seed?: number;
  /** What fitted before the last reading. */
  before?: readonly Int32Array[];
  /** Structures up to which all are gone through. */
  mostCounted?: number;
}

/** Tests that are told, at most. */
const MOST_TESTS = 5;
/** Bits below which a reading that takes more hands is not preferred. */
const HANDS = { moved: 0.97, out: 0.9 };

/**
 * Field trace: what the wiring of a unit without a sheet may be, by the colours at its terminals and what was read between
 * them, and what to read next. The parts and their tables are known; wires that the draft has already are kept.
 */
export function fieldTrace(
  draft: Diagram,
  ends: readonly EndSeen[],
  readings: readonly TraceReading[],
  { seed = 1, before = [], mostCounted }: TraceOptions = {},
): Traced {
  const circuit = new TraceCircuit(draft);
  const matching = new WireMatching(
    ends,
    (partner) => circuit.violations(ends, partner, readings),
    chanceFrom(seed),
    before,
    mostCounted,
  );
  const { structures, counted } = matching.fitting((partner) => circuit.netsKey(ends, partner));
  const [first] = structures;
  if (!first)
    return { fits: 0, counted, tests: [], wires: [], contradiction: true, structures: before };
  const fitting = structures.map(({ partner }) => partner);
  const weights = structures.map(({ times }) => times);
  return {
    fits: structures.length,
    counted,
    tests: fitting.length > 1 ? circuit.tests(ends, fitting, weights) : [],
    wires: wiresOf(ends, fitting),
    contradiction: false,
    structures: fitting,
  };
}

/** The wires of the first structure, each with whether all join its two ends. */
function wiresOf(ends: readonly EndSeen[], structures: readonly Int32Array[]): Traced['wires'] {
  const [first] = structures;
  return [...(first ?? [])].flatMap((other, i) => {
    const [a, b] = [ends[i], ends[other]];
    if (other <= i || !a || !b) return [];
    const pair = (partner: Int32Array): boolean =>
      ends.some((each, j) => each.at === a.at && ends[partner[j] ?? -1]?.at === b.at);
    return [
      { id: `t${i + 1}`, colour: a.colour, from: a.at, to: b.at, sure: structures.every(pair) },
    ];
  });
}

/** What the parts join inside, as they stand, and what a structure of wires makes of that. */
class TraceCircuit {
  private readonly nodes = new Map<TerminalRef, number>();
  private readonly refs: TerminalRef[] = [];
  private readonly fixed: [number, number][];
  private readonly inside = new Map<
    string,
    { metal: [number, number][]; loads: [number, number][] }
  >();

  constructor(private readonly draft: Diagram) {
    for (const { id, terminals } of owners(draft))
      for (const terminal of terminals) {
        const ref = terminalRef(id, terminal.id);
        this.nodes.set(ref, this.refs.length);
        this.refs.push(ref);
      }
    this.fixed = draft.wires.map(({ from, to }) => [this.node(from), this.node(to)]);
  }

  /** How many readings a structure does not fit. */
  violations(
    ends: readonly EndSeen[],
    partner: Int32Array,
    readings: readonly TraceReading[],
  ): number {
    let wrong = 0;
    const known = new Map<string, Groups>();
    for (const { from, to, at, shows } of readings) {
      const key = keyOf(at);
      const groups = known.get(key) ?? this.groups(ends, partner, at);
      known.set(key, groups);
      if (groups.shows(this.node(from), this.node(to)) !== shows) wrong++;
    }
    return wrong;
  }

  /** The nets of a structure: which terminals its wires join. */
  netsKey(ends: readonly EndSeen[], partner: Int32Array): string {
    const nets = new Joined(this.refs.length);
    for (const pair of [...this.fixed, ...this.pairs(ends, partner)]) nets.join(...pair);
    return nets.roots().join();
  }

  /** What tells structures apart, the most telling first. */
  tests(
    ends: readonly EndSeen[],
    structures: readonly Int32Array[],
    weights: readonly number[],
  ): TraceTest[] {
    const points = [...new Set(ends.map(({ at }) => at))];
    const sum = weights.reduce((all, each) => all + each, 0);
    const found: TraceTest[] = [];
    for (const at of this.setups()) {
      const stands = structures.map((partner) => this.groups(ends, partner, at));
      const hands = at.out ? HANDS.out : at.moved ? HANDS.moved : 1;
      for (const [i, from] of points.entries())
        for (const to of points.slice(i + 1)) {
          const [a, b] = [this.node(from), this.node(to)];
          const counts = { closed: 0, load: 0, open: 0 };
          stands.forEach((groups, k) => {
            counts[groups.shows(a, b)] += weights[k] ?? 0;
          });
          const bits = Object.values(counts).reduce(
            (all, each) => (each > 0 ? all - (each / sum) * Math.log2(each / sum) : all),
            0,
          );
          if (bits > 1e-9) found.push({ from, to, at, bits: bits * hands });
        }
    }
    return found.sort((a, b) => b.bits - a.bits).slice(0, MOST_TESTS);
  }

  /** As drawn, with each control in each of its other positions, and without each part that always joins. */
  private setups(): TraceSetup[] {
    const moved = this.draft.actuators.flatMap((actuator) =>
      actuator.kind === 'hand' || actuator.kind === 'momentary'
        ? actuator.positions
            .filter(({ id }) => id !== this.draft.drawnFor[actuator.id])
            .map(({ id }): TraceSetup => ({ moved: { actuator: actuator.id, position: id } }))
        : [],
    );
    const out = this.draft.parts
      .filter(({ kind }) => kind !== 'hardware' && kind !== 'board')
      .map(({ id }): TraceSetup => ({ out: id }));
    return [{}, ...moved, ...out];
  }

  private groups(ends: readonly EndSeen[], partner: Int32Array, at: TraceSetup): Groups {
    const { metal, loads } = this.insideAt(at);
    const joined = new Joined(this.refs.length);
    for (const pair of this.fixed) joined.join(...pair);
    for (const pair of this.pairs(ends, partner)) joined.join(...pair);
    for (const pair of metal) joined.join(...pair);
    const through = new Joined(joined);
    for (const pair of loads) through.join(...pair);
    return new Groups(joined, through);
  }

  private pairs(ends: readonly EndSeen[], partner: Int32Array): [number, number][] {
    const pairs: [number, number][] = [];
    partner.forEach((other, i) => {
      const [a, b] = [ends[i], ends[other]];
      if (other > i && a && b) pairs.push([this.node(a.at), this.node(b.at)]);
    });
    return pairs;
  }

  private insideAt(at: TraceSetup): { metal: [number, number][]; loads: [number, number][] } {
    const key = keyOf(at);
    const known = this.inside.get(key);
    if (known) return known;
    const setup = drawnSetup(this.draft);
    if (at.moved) setup.actuators[at.moved.actuator] = at.moved.position;
    const metal: [number, number][] = [];
    const loads: [number, number][] = [];
    for (const part of this.draft.parts) {
      if (part.id === at.out) continue;
      const pair = ([a, b]: [string, string]): [number, number] => [
        this.node(terminalRef(part.id, a)),
        this.node(terminalRef(part.id, b)),
      ];
      switch (part.kind) {
        case 'switch': {
          const position = switchPosition(setup, part) ?? part.free;
          for (const { id, between } of part.contacts)
            if (cellState(part, id, position) === 'closed') metal.push(pair(between));
          break;
        }
        case 'connection':
          metal.push(...part.joins.map(pair));
          break;
        case 'protector':
          metal.push(pair(part.between));
          break;
        case 'load':
          loads.push(...part.elements.map(({ between }) => pair(between)));
          break;
        default:
      }
    }
    const made = { metal, loads };
    this.inside.set(key, made);
    return made;
  }

  private node(ref: TerminalRef): number {
    return this.nodes.get(ref) ?? 0;
  }
}

const keyOf = ({ moved, out }: TraceSetup): string =>
  `${moved ? `${moved.actuator}=${moved.position}` : ''}|${out ?? ''}`;

/** What is joined by metal alone, and through loads as well. */
class Groups {
  constructor(
    private readonly metal: Joined,
    private readonly through: Joined,
  ) {}

  shows(a: number, b: number): TraceShows {
    if (this.metal.root(a) === this.metal.root(b)) return 'closed';
    return this.through.root(a) === this.through.root(b) ? 'load' : 'open';
  }
}
