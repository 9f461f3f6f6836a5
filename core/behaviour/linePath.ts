import type { Diagram, LoadPart, Supply, TerminalRef } from '../diagram/diagram';
import { switches, terminalRef } from '../diagram/terminal';
import { circuitOf } from './machine';
import type { UseRun } from './useRuns';

/** One piece of the way that the current takes: a wire, a contact, a fuse, a plug, the load itself. */
export interface LineWay {
  kind: 'wire' | 'contact' | 'protector' | 'plug' | 'load';
  /** Id of the wire or part, and of the contact or element in it. */
  owner: string;
  key: string;
  from: TerminalRef;
  to: TerminalRef;
}

/**
 * The line through one load: from the hot side of what feeds it through the load to the way back, each
 * way beginning where the one before it ends.
 */
export interface LinePath {
  load: string;
  /** The moments of uses, as steps, that it is the line at; none of a load that never runs. */
  moments: string[];
  /** A supply, the transformer whose secondary feeds it, or the board itself that asks through it. */
  source: string;
  ways: LineWay[];
}

/** Another load is on a line only where there is no way round it, a contact that is open while the load runs hardly ever. */
const COST = { way: 1, inside: 1000, open: 100_000 };

/**
 * The lines through every load of a unit and the feed of every board: of all ways the one that is closed while it works, by
 * the runs of a good unit; several where it works by several.
 */
export function linePaths(diagram: Diagram, good: UseRun): LinePath[] {
  const sources = sourcesOf(diagram);
  const fed = consumersOf(diagram).flatMap(({ load, elements }): LinePath[] => {
    const lines = new Map<string, LinePath>();
    for (const { steps, closed } of workingMoments(diagram, good, load)) {
      const ways = waysOf(diagram, closed).filter(({ owner }) => owner !== load);
      let best: { source: string; cost: number; ways: LineWay[] } | undefined;
      for (const element of elements)
        for (const { id, sides } of sources) {
          const found = id === load ? undefined : throughLoad(ways, element, sides);
          if (found && found.cost < (best?.cost ?? Infinity)) best = { source: id, ...found };
        }
      if (!best || best.cost >= COST.open) continue;
      const line = best.ways.map(({ owner, key }) => `${owner}.${key}`).join(' ');
      const known = lines.get(line) ?? {
        load,
        moments: [],
        source: best.source,
        ways: best.ways,
      };
      lines.set(line, { ...known, moments: [...new Set([...known.moments, ...steps])] });
    }
    return [...lines.values()];
  });
  return [...fed, ...asked(diagram)];
}

/** The loops that boards ask through: from one side of an input through what it senses to the other. */
function asked(diagram: Diagram): LinePath[] {
  const ways = waysOf(diagram, undefined);
  return diagram.parts.flatMap((part) =>
    part.kind !== 'board'
      ? []
      : part.inputs.flatMap(({ senses, between: [from, to] }): LinePath[] => {
          const loop =
            senses && shortest(ways, terminalRef(part.id, from), terminalRef(part.id, to));
          return loop ? [{ load: part.id, source: part.id, moments: [], ways: loop }] : [];
        }),
  );
}

/** What loads and boards are fed through: an element, of a transformer its primary, of a board the input that powers it. */
function consumersOf(diagram: Diagram): { load: string; elements: LineWay[] }[] {
  return diagram.parts.flatMap((part) => {
    const fed =
      part.kind === 'load'
        ? part.elements.filter(({ id }) => id !== part.windings?.secondary)
        : part.kind === 'board'
          ? part.inputs.filter(({ id }) => id === part.logic?.power)
          : [];
    if (fed.length === 0) return [];
    const elements = fed.map(({ id, between: [from, to] }): LineWay => ({
      kind: 'load',
      owner: part.id,
      key: id,
      from: terminalRef(part.id, from),
      to: terminalRef(part.id, to),
    }));
    return [{ load: part.id, elements }];
  });
}

interface Source {
  id: string;
  /** Where it feeds from and takes back, the hot side first; no ground. */
  sides: TerminalRef[];
}

function sourcesOf(diagram: Diagram): Source[] {
  const transformers = diagram.parts.filter(
    (part): part is LoadPart => part.kind === 'load' && part.windings !== undefined,
  );
  return [
    ...diagram.supplies.map((supply) => ({ id: supply.id, sides: sidesOf(supply) })),
    ...transformers.map((part) => {
      const secondary = part.elements.find(({ id }) => id === part.windings?.secondary);
      return {
        id: part.id,
        sides: (secondary?.between ?? []).map((terminal) => terminalRef(part.id, terminal)),
      };
    }),
  ];
}

/** Terminals of a supply that carry its current. */
function sidesOf({ id, kind, terminals }: Supply): TerminalRef[] {
  const carrying = kind === 'split-phase' || kind === 'wye-legs' ? 3 : 2;
  return terminals.slice(0, carrying).map((terminal) => terminalRef(id, terminal.id));
}

/**
 * Contacts, written `part.contact`, that are closed at each moment of a use at which a load runs, or else works weakly, each
 * way of standing once. All of them, at no moment, where it never does.
 */
function workingMoments(
  diagram: Diagram,
  good: UseRun,
  load: string,
): { steps: string[]; closed: ReadonlySet<string> | undefined }[] {
  for (const doing of ['runs', 'weak']) {
    const found = new Map<string, { steps: string[]; closed: Set<string> }>();
    for (const [steps, { stands }] of good.courses)
      for (const { machine, loads } of stands) {
        if (loads[load] !== doing) continue;
        const { edges } = circuitOf(diagram, machine, []);
        const closed = edges.filter(({ kind }) => kind === 'contact');
        const names = closed.map(({ owner, key }) => `${owner}.${key}`);
        const known = found.get(names.join()) ?? { steps: [], closed: new Set(names) };
        found.set(names.join(), { ...known, steps: [...known.steps, steps] });
      }
    if (found.size) return [...found.values()];
  }
  return [{ steps: [], closed: undefined }];
}

interface CostlyWay extends LineWay {
  cost: number;
}

function waysOf(diagram: Diagram, closed: ReadonlySet<string> | undefined): CostlyWay[] {
  const inside = (
    kind: LineWay['kind'],
    owner: string,
    key: string,
    [a, b]: [string, string],
    cost: number = COST.way,
  ): CostlyWay => ({
    kind,
    owner,
    key,
    from: terminalRef(owner, a),
    to: terminalRef(owner, b),
    cost,
  });
  const contacts = switches(diagram).flatMap((part) =>
    part.contacts.map(({ id, between }) => {
      const open = closed && !closed.has(`${part.id}.${id}`);
      return inside('contact', part.id, id, between, open ? COST.open : COST.way);
    }),
  );
  const rest = diagram.parts.flatMap((part): CostlyWay[] => {
    switch (part.kind) {
      case 'protector':
        return [inside('protector', part.id, part.id, part.between)];
      case 'connection':
        return part.joins.map((pair) => inside('plug', part.id, pair.join('-'), pair));
      case 'load':
        return part.elements.map(({ id, between }) =>
          inside('load', part.id, id, between, COST.inside),
        );
      default:
        return [];
    }
  });
  const wires = diagram.wires.map(({ id, from, to }): CostlyWay => ({
    kind: 'wire',
    owner: id,
    key: id,
    from,
    to,
    cost: COST.way,
  }));
  return [...wires, ...contacts, ...rest];
}

/**
 * The cheapest line from a source through a load and back that meets no terminal twice: two ways from
 * the load's ends that share no terminal, as a flow of two of least cost (Suurballe, Disjoint paths in a
 * network, 1974; by successive shortest paths).
 */
function throughLoad(
  ways: readonly CostlyWay[],
  load: LineWay,
  sides: readonly TerminalRef[],
): { ways: LineWay[]; cost: number } | undefined {
  const flow = new Flow(ways, [load.from, load.to]);
  flow.join(START, `${load.from} in`, 0);
  flow.join(START, `${load.to} in`, 0);
  for (const side of sides) flow.join(`${side} out`, END, 0);
  const costs = [flow.push(), flow.push()];
  const [one, two] = costs;
  if (one === undefined || two === undefined) return undefined;
  const [first = [], second = []] = [flow.taken(`${load.from} in`), flow.taken(`${load.to} in`)];
  const reached = (taken: readonly LineWay[], from: TerminalRef): number =>
    sides.indexOf(taken.at(-1)?.to ?? from);
  const back = reached(first, load.from) > reached(second, load.to);
  const [up, down] = back ? [second, first] : [first, second];
  return {
    cost: one + two,
    ways: [...up.toReversed().map(turned), back ? turned(load) : load, ...down].map(plain),
  };
}

/** The cheapest ways from one terminal to another. */
function shortest(
  ways: readonly CostlyWay[],
  from: TerminalRef,
  to: TerminalRef,
): LineWay[] | undefined {
  const flow = new Flow(ways, [from, to]);
  flow.join(START, `${from} in`, 0);
  flow.join(`${to} out`, END, 0);
  return flow.push() === undefined ? undefined : flow.taken(`${from} in`).map(plain);
}

const plain = ({ kind, owner, key, from, to }: LineWay): LineWay => ({
  kind,
  owner,
  key,
  from,
  to,
});
const turned = (way: LineWay): LineWay => ({ ...way, from: way.to, to: way.from });

const START = 'start';
const END = 'end';

interface Arc {
  from: string;
  to: string;
  cost: number;
  way: LineWay | undefined;
  used: boolean;
}

/** A flow in arcs that carry one each. */
class Flow {
  private readonly arcs: Arc[] = [];

  /** Every way both ways, and each terminal once. */
  constructor(ways: readonly CostlyWay[], ends: readonly TerminalRef[]) {
    const refs = new Set([...ends, ...ways.flatMap(({ from, to }) => [from, to])]);
    for (const ref of refs) this.join(`${ref} in`, `${ref} out`, 0);
    for (const way of ways) {
      const { from, to, cost } = way;
      this.join(`${from} out`, `${to} in`, cost, way);
      this.join(`${to} out`, `${from} in`, cost, { ...way, from: to, to: from });
    }
  }

  join(from: string, to: string, cost: number, way?: LineWay): void {
    this.arcs.push({ from, to, cost, way, used: false });
  }

  /**
   * Sends one more from start to end by the cheapest way, which may take back what flows (Bellman and Ford).
   * @returns its cost; undefined where none is left
   */
  push(): number | undefined {
    const cost = new Map<string, number>([[START, 0]]);
    const by = new Map<string, Arc>();
    for (let changed = true; changed;) {
      changed = false;
      for (const arc of this.arcs) {
        const [from, to] = arc.used ? [arc.to, arc.from] : [arc.from, arc.to];
        const there = (cost.get(from) ?? Infinity) + (arc.used ? -arc.cost : arc.cost);
        if (there >= (cost.get(to) ?? Infinity)) continue;
        cost.set(to, there);
        by.set(to, arc);
        changed = true;
      }
    }
    for (let at = END, arc = by.get(at); arc; arc = by.get(at)) {
      at = arc.used ? arc.to : arc.from;
      arc.used = !arc.used;
    }
    return cost.get(END);
  }

  /** The ways that are taken from a place on to the end. */
  taken(from: string): LineWay[] {
    const ways: LineWay[] = [];
    for (let arc = this.usedFrom(from); arc; arc = this.usedFrom(arc.to))
      if (arc.way) ways.push(arc.way);
    return ways;
  }

  private readonly usedFrom = (place: string): Arc | undefined =>
    this.arcs.find((arc) => arc.used && arc.from === place);
}
