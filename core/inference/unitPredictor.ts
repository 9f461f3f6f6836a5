import { ampsOf } from '../circuit/currents';
import { OhmTable, type End } from '../circuit/fastTable';
import { buildNetwork, type Network } from '../circuit/network';
import { nodeOf } from '../circuit/nodes';
import { ohmReading, type OhmAnswer } from '../circuit/ohmReading';
import { NodalAnalysis } from '../circuit/nodalAnalysis';
import { switchesTouched } from '../circuit/partEdges';
import { circuitOf, type Machine } from '../behaviour/machine';
import { run, standAfter } from '../behaviour/run';
import { statementsOf, type Outcome } from '../behaviour/statement';
import { parseSteps, splitWait } from '../behaviour/step';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import { drawnSetup, type Setup } from '../diagram/setup';
import { pairKey, setupKey } from '../diagram/setupKey';
import { splitRef, switches } from '../diagram/terminal';
import { inBadMoment, ownerOf, type Fault } from '../fault/fault';
import type { Meter } from '../meter/meter';
import { sidesUnder, spanUnder, type Side, type Span } from './quantity';
import { unitHypotheses, type UnitHypothesis } from './unitHypotheses';
import type { UseRun } from '../behaviour/useRuns';

type Points = [from: TerminalRef, to: TerminalRef];

/** Ohms of all hypotheses between all points in one setup; each end of the ranges when it is asked for. */
class Tables {
  /** Whether something in the setup may rightly be open. */
  readonly unsure: boolean;
  private readonly tables = new Map<End, OhmTable>();
  private readonly rows: Record<End, Float64Array[]> = { nominal: [], low: [], high: [] };
  /** Of the good unit alone, which is asked for in every setup. */
  private readonly good = new Map<End, OhmTable>();
  private readonly goodRows = new Map<End, Float64Array>();

  constructor(
    private readonly diagram: Diagram,
    private readonly setup: Setup,
    private readonly faults: readonly (readonly Fault[])[],
  ) {
    const { edges } = buildNetwork(diagram, setup, [], { warm: false });
    this.unsure = edges.some((edge) => edge.unsure !== undefined);
  }

  /** The ends of what a good unit may show between two points. */
  goodRange([from, to]: Points): { low: number; high: number } {
    const at = (end: 'low' | 'high'): number => {
      const table = this.good.get(end) ?? new OhmTable(this.diagram, this.setup, [], end);
      let row = this.goodRows.get(end);
      if (!row) {
        row = new Float64Array(table.pairs);
        table.row(0, row);
        this.good.set(end, table);
        this.goodRows.set(end, row);
      }
      return row[table.pair(nodeOf(table.nodes, from), nodeOf(table.nodes, to))] ?? NaN;
    };
    return { low: at('low'), high: at('high') };
  }

  /** Ohms between two points by the place of the hypothesis. */
  between(end: End, [from, to]: Points): (index: number) => number {
    const table = this.tables.get(end) ?? new OhmTable(this.diagram, this.setup, this.faults, end);
    this.tables.set(end, table);
    const rows = this.rows[end];
    const pair = table.pair(nodeOf(table.nodes, from), nodeOf(table.nodes, to));
    return (index) => {
      let row = rows[index];
      if (!row) {
        row = new Float64Array(table.pairs);
        table.row(index + 1, row);
        rows[index] = row;
      }
      return row[pair] ?? NaN;
    };
  }
}

const ENDS = ['nominal', 'low', 'high'] as const;

/** What an ohmmeter finds, from the ohms with every resistor at each end of its range, as in `ENDS`. */
function answerOf([nominal = NaN, low = NaN, high = NaN]: readonly number[]): OhmAnswer {
  if (low === Infinity) return { kind: 'open' };
  if (high === Infinity)
    return {
      kind: 'unsure',
      nominal: null,
      low,
      high: null,
      reason: 'may rightly be open there',
    };
  if (nominal === Infinity)
    return { kind: 'unsure', nominal: null, low, high, reason: 'may rightly be open there' };
  return { kind: 'ohms', nominal, low, high };
}

/** A powered circuit, solved. */
interface Live {
  network: Network;
  potentials: NodalAnalysis;
}

/**
 * What every hypothesis foretells, for one diagram and one meter. Kept while a call is worked: each
 * setup and each use is computed once.
 */
export class UnitPredictor {
  private readonly faults: readonly Fault[][];
  private readonly tables = new Map<string, Tables>();
  private readonly bySetup = new WeakMap<Setup, Tables>();
  private readonly live = new Map<string, Live | null>();
  private readonly own = new Map<string, OhmAnswer>();
  private readonly others = new Map<string, Map<string, Outcome>>();
  /** Places of the hypotheses with a fault of each part, or of the hardware that serves it. */
  private readonly byPart = new Map<string, number[]>();
  /** For each hypothesis that comes and goes the place of what it is in a bad moment; -1 for all else. */
  readonly whenOpen: Int16Array;

  constructor(
    readonly diagram: Diagram,
    readonly meter: Meter,
    readonly hypotheses: readonly UnitHypothesis[] = unitHypotheses(diagram),
  ) {
    this.faults = this.hypotheses.map((each) => each.faults);
    this.faults.forEach((faults, i) => {
      for (const part of new Set(faults.flatMap((fault) => this.partsOf(fault))))
        this.byPart.set(part, [...(this.byPart.get(part) ?? []), i]);
    });
    const places = new Map(
      this.hypotheses.flatMap(({ causes: [one, two] }, i) =>
        one && !two ? [[JSON.stringify(one), i] as const] : [],
      ),
    );
    this.whenOpen = Int16Array.from(this.hypotheses, ({ causes: [one, two] }) => {
      const bad = one && !two ? inBadMoment(one) : undefined;
      return bad ? (places.get(JSON.stringify(bad)) ?? -1) : -1;
    });
  }

  /** Parts whose own terminals show a fault. */
  private partsOf(fault: Fault): string[] {
    const touched = switchesTouched(this.diagram, fault, switches(this.diagram));
    return [...new Set([ownerOf(fault), ...touched])];
  }

  /** What an ohmmeter finds under a hypothesis, power off. */
  ohms(index: number, setup: Setup, from: TerminalRef, to: TerminalRef): OhmAnswer {
    return this.ohmsBetween(setup, [from, to])(index);
  }

  private ohmsBetween(setup: Setup, points: Points): (index: number) => OhmAnswer {
    const tables = this.tablesFor(setup);
    const ends = ENDS.map((end) => tables.between(end, points));
    return (index) => answerOf(ends.map((at) => at(index)));
  }

  /**
   * The nominal ohms alone by the place of the hypothesis, Infinity for open; undefined where it may
   * rightly be either.
   */
  nominalOhms(
    setup: Setup,
    from: TerminalRef,
    to: TerminalRef,
  ): (index: number) => number | undefined {
    const tables = this.tablesFor(setup);
    if (!tables.unsure) return tables.between('nominal', [from, to]);
    const answer = this.ohmsBetween(setup, [from, to]);
    return (index) => nominalOf(answer(index));
  }

  /** Ohms that a good unit may show, from the one end of all tolerances to the other. */
  goodRange(setup: Setup, from: TerminalRef, to: TerminalRef): { low: number; high: number } {
    return this.tablesFor(setup).goodRange([from, to]);
  }

  /**
   * The same for a part that is isolated: only faults of its own can show, so only for those the
   * network is built.
   */
  ownOhms(setup: Setup, from: TerminalRef, to: TerminalRef): (index: number) => OhmAnswer {
    const part = splitRef(from).part;
    const place = `${setupKey(setup)} ${pairKey(from, to)}`;
    const answer = (key: string, faults: readonly Fault[]): OhmAnswer => {
      const known = this.own.get(key) ?? ohmReading(this.diagram, setup, from, to, faults);
      this.own.set(key, known);
      return known;
    };
    const good = answer(place, []);
    const touched = new Set(this.byPart.get(part));
    return (index) => {
      if (!touched.has(index)) return good;
      const faults = this.faults[index] ?? [];
      const own = faults.filter((fault) => this.partsOf(fault).includes(part));
      return answer(`${place} ${index}`, own);
    };
  }

  /**
   * The nominal volts between two points after some steps, by the place of the hypothesis; undefined
   * where a point floats or the steps cannot be read. The spread of the supplies is left to who
   * weighs it.
   * @param at second of the last step, where not its end is meant; what was changed before: wires
   * lifted, parts out, jumpers on
   */
  volts(
    steps: string,
    from: TerminalRef,
    to: TerminalRef,
    { second, changed }: { second?: number | undefined; changed?: Setup } = {},
  ): (index: number) => number | undefined {
    const circuit = this.liveAt(steps, second, changed && changesIn(this.diagram, changed));
    return (index) => {
      const live = circuit(index);
      if (!live) return undefined;
      const { network, potentials } = live;
      const [a, b] = [nodeOf(network.nodes, from), nodeOf(network.nodes, to)];
      if (potentials.islandOf[a] !== potentials.islandOf[b]) return undefined;
      const { ac, dc } = potentials;
      const over = (values: Float64Array): number => (values[a] ?? 0) - (values[b] ?? 0);
      return Math.max(Math.hypot(over(ac.re), over(ac.im)), Math.abs(over(dc.re)));
    };
  }

  /** The current of a load after some steps, in ampere: of its winding or element that takes most. */
  amps(steps: string, load: string): (index: number) => number | undefined {
    const circuit = this.liveAt(steps, undefined, undefined);
    return (index) => {
      const live = circuit(index);
      return live ? ampsOf(live.network, live.potentials, load) : undefined;
    };
  }

  /**
   * Where a quantity is under a hypothesis, as the sides of its switches' set points, after some steps or
   * as the unit stands.
   */
  quantity(index: number, actuator: string, steps: string | undefined): Side[] {
    const { faults = [] } = this.hypotheses[index] ?? {};
    return sidesUnder(this.diagram, actuator, this.usual(index, actuator, steps), faults);
  }

  /** The same as values in its own unit. */
  span(index: number, actuator: string, steps: string | undefined): Span {
    const { faults = [] } = this.hypotheses[index] ?? {};
    return spanUnder(this.diagram, actuator, this.usual(index, actuator, steps), faults);
  }

  /** The value that the unit gives a quantity, none of it being out of place. */
  private usual(index: number, actuator: string, steps: string | undefined): number {
    const { causes = [], uses } = this.hypotheses[index] ?? {};
    const machine =
      steps === undefined
        ? undefined
        : (uses?.courses.get(steps)?.stands.at(-1)?.machine ??
          this.standAt(steps, uses, causes, undefined));
    const { actuators } = machine?.setup ?? drawnSetup(this.diagram);
    const state = actuators[actuator];
    return typeof state === 'object' ? state.value : NaN;
  }

  /** The solved circuit after some steps, by the place of the hypothesis; each is solved once. */
  private liveAt(
    steps: string,
    second: number | undefined,
    before: Setup | undefined,
  ): (index: number) => Live | null {
    const where = `${second ?? ''} ${before ? setupKey(before) : ''} ${steps}`;
    return (index) => {
      const key = `${index} ${where}`;
      let live = this.live.get(key);
      if (live === undefined) {
        live = this.liveCircuit(index, steps, second, before);
        this.live.set(key, live);
      }
      return live;
    };
  }

  private liveCircuit(
    index: number,
    steps: string,
    second: number | undefined,
    before: Setup | undefined,
  ): Live | null {
    const { causes = [], faults = [], uses } = this.hypotheses[index] ?? {};
    const course = before ? undefined : uses?.courses.get(steps)?.stands;
    const known = course?.findLast((each) => each.at <= (second ?? Infinity))?.machine;
    const machine = known ?? this.standAt(steps, uses, causes, second, before);
    if (!machine) return null;
    const network = circuitOf(this.diagram, machine, faults);
    return { network, potentials: new NodalAnalysis(network, (edge) => edge.nominal) };
  }

  /** A unit after steps that end with a wait: out of the course of the step, where that has it. */
  private standAt(
    steps: string,
    uses: UseRun | undefined,
    causes: readonly Fault[],
    second: number | undefined,
    before?: Setup,
  ): Machine | undefined {
    const parsed = parseSteps(this.diagram, steps);
    if (!parsed.ok) return undefined;
    if (second !== undefined || before)
      return standAfter(this.diagram, parsed.value, causes, second, before)?.machine;
    const { base, waits } = splitWait(steps);
    const seconds = parsed.value.at(-1)?.lasts ?? 0;
    const [, course] =
      [...(waits && uses ? uses.courses : [])].find(([text]) => splitWait(text).base === base) ??
      [];
    if (course && (course.settled || seconds <= course.seconds))
      return course.stands.findLast((each) => each.at <= seconds)?.machine;
    return standAfter(this.diagram, parsed.value, causes)?.machine;
  }

  /** What a subject does in the last of some steps; undefined for steps that cannot be read. */
  outcome(index: number, steps: string, subject: string, jumper?: Points): Outcome | undefined {
    const hypothesis = this.hypotheses[index];
    const known = jumper ? undefined : hypothesis?.uses.outcomes.get(steps);
    if (!hypothesis || known) return known?.get(subject);
    const key = `${index} ${steps} ${jumper?.join() ?? ''}`;
    const others = this.others.get(key) ?? this.watch(hypothesis, steps, jumper);
    this.others.set(key, others);
    return others.get(subject);
  }

  /** Steps that no use of the diagram has are run when they are first asked for. */
  private watch(
    { causes }: UnitHypothesis,
    steps: string,
    jumper: Points | undefined,
  ): Map<string, Outcome> {
    const parsed = parseSteps(this.diagram, steps);
    if (!parsed.ok) return new Map();
    const from = { ...drawnSetup(this.diagram), jumpers: jumper ? [jumper] : [] };
    const results = run(this.diagram, parsed.value, causes, from);
    const last = results.length - 1;
    return new Map(
      statementsOf(this.diagram, results)
        .filter((each) => each.step === last)
        .map((each) => [each.subject, each.outcome]),
    );
  }

  private tablesFor(setup: Setup): Tables {
    const same = this.bySetup.get(setup);
    if (same) return same;
    const key = setupKey(setup);
    const tables = this.tables.get(key) ?? new Tables(this.diagram, setup, this.faults);
    this.tables.set(key, tables);
    this.bySetup.set(setup, tables);
    return tables;
  }
}

/** A setup as drawn, with the wires lifted, parts out and jumpers on of another; undefined where there are none. */
function changesIn(diagram: Diagram, { lifted, partsOut, jumpers }: Setup): Setup | undefined {
  if (!lifted.length && !partsOut.length && !jumpers.length) return undefined;
  return { ...drawnSetup(diagram), lifted, partsOut, jumpers };
}

/** Ohms as one number: Infinity for open, undefined where it may be either. */
export const nominalOf = (answer: OhmAnswer): number | undefined =>
  answer.kind === 'ohms' ? answer.nominal : answer.kind === 'open' ? Infinity : undefined;
