import { OhmTable, type End } from '../circuit/fastTable';
import { buildNetwork, nodeOf, type Network } from '../circuit/network';
import { ohmReading, type OhmAnswer } from '../circuit/ohmReading';
import { voltsBetween, type VoltAnswer } from '../circuit/voltReading';
import { run } from '../behaviour/run';
import { statementsOf, type Outcome } from '../behaviour/statement';
import { parseSteps } from '../behaviour/step';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import { feeds, type Setup } from '../diagram/setup';
import { splitRef } from '../diagram/terminal';
import { ownerOf, type Fault } from '../fault/modes';
import type { Meter } from '../meter/meter';
import { unitHypotheses, type UnitHypothesis } from './unitHypotheses';

/** Ohms of all hypotheses between all points in one setup; each end of the ranges when it is asked for. */
class Tables {
  /** Whether something in the setup may rightly be open. */
  readonly unsure: boolean;
  private readonly tables = new Map<End, OhmTable>();
  private readonly rows: Record<End, Float64Array[]> = { nominal: [], low: [], high: [] };

  constructor(
    private readonly diagram: Diagram,
    private readonly setup: Setup,
    private readonly faults: readonly (readonly Fault[])[],
  ) {
    const { edges } = buildNetwork(diagram, setup, [], { warm: false });
    this.unsure = edges.some((edge) => edge.unsure !== undefined);
  }

  ohms(end: End, index: number, from: TerminalRef, to: TerminalRef): number {
    let table = this.tables.get(end);
    if (!table) {
      table = new OhmTable(this.diagram, this.setup, this.faults, end);
      this.tables.set(end, table);
    }
    let row = this.rows[end][index];
    if (!row) {
      row = new Float64Array(table.pairs);
      table.row(index + 1, row);
      this.rows[end][index] = row;
    }
    const { nodes } = table;
    return row[table.pair(nodeOf(nodes, from), nodeOf(nodes, to))] ?? NaN;
  }
}

/**
 * What every hypothesis foretells, for one diagram and one meter. Kept while a call is worked: each
 * setup and each use is computed once.
 */
export class UnitPredictor {
  readonly hypotheses: readonly UnitHypothesis[];
  private readonly faults: readonly Fault[][];
  private readonly tables = new Map<string, Tables>();
  private readonly bySetup = new WeakMap<Setup, Tables>();
  private readonly live = new Map<string, Network>();
  private readonly own = new Map<string, OhmAnswer>();
  private readonly others = new Map<string, Map<string, Outcome>>();

  constructor(
    readonly diagram: Diagram,
    readonly meter: Meter,
  ) {
    this.hypotheses = unitHypotheses(diagram);
    this.faults = this.hypotheses.map((each) => each.faults);
  }

  /** What an ohmmeter finds under a hypothesis, power off. */
  ohms(index: number, setup: Setup, from: TerminalRef, to: TerminalRef): OhmAnswer {
    const tables = this.tablesFor(setup);
    const at = (end: End): number => tables.ohms(end, index, from, to);
    const [nominal, low, high] = [at('nominal'), at('low'), at('high')];
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

  /** The nominal ohms alone, Infinity for open; undefined where it may rightly be either. */
  nominalOhms(index: number, setup: Setup, from: TerminalRef, to: TerminalRef): number | undefined {
    const tables = this.tablesFor(setup);
    if (!tables.unsure) return tables.ohms('nominal', index, from, to);
    const answer = this.ohms(index, setup, from, to);
    return answer.kind === 'ohms' ? answer.nominal : answer.kind === 'open' ? Infinity : undefined;
  }

  /**
   * The same for a part that is isolated: only faults of its own can show, so only for those the
   * network is built.
   */
  ownOhms(index: number, setup: Setup, from: TerminalRef, to: TerminalRef): OhmAnswer {
    const part = splitRef(from).part;
    const faults = this.hypotheses[index]?.faults ?? [];
    const own = faults.filter((fault) => {
      const owner = ownerOf(fault);
      const hardware = this.diagram.parts.find((each) => each.id === owner);
      return owner === part || (hardware?.kind === 'hardware' && hardware.serves.includes(part));
    });
    const key = JSON.stringify([setup, from, to, own]);
    const known = this.own.get(key) ?? ohmReading(this.diagram, setup, from, to, own);
    this.own.set(key, known);
    return known;
  }

  /** What a voltmeter finds under a hypothesis. */
  volts(index: number, setup: Setup, from: TerminalRef, to: TerminalRef): VoltAnswer {
    const key = `${index} ${JSON.stringify(setup)}`;
    const faults = this.hypotheses[index]?.faults ?? [];
    const network = this.live.get(key) ?? buildNetwork(this.diagram, setup, faults, { warm: true });
    this.live.set(key, network);
    const fed = this.diagram.supplies.some((supply) => feeds(setup, supply));
    return voltsBetween(network, from, to, fed);
  }

  /** What a subject does in the last of some steps; undefined for steps that cannot be read. */
  outcome(index: number, steps: string, subject: string): Outcome | undefined {
    const hypothesis = this.hypotheses[index];
    const known = hypothesis?.uses.outcomes.get(steps);
    if (!hypothesis || known) return known?.get(subject);
    const key = `${index} ${steps}`;
    const others = this.others.get(key) ?? this.watch(hypothesis, steps);
    this.others.set(key, others);
    return others.get(subject);
  }

  /** Steps that no use of the diagram has are run when they are first asked for. */
  private watch({ faults }: UnitHypothesis, steps: string): Map<string, Outcome> {
    const parsed = parseSteps(this.diagram, steps);
    if (!parsed.ok) return new Map();
    const results = run(this.diagram, parsed.value, faults.slice(0, 1));
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
    const key = JSON.stringify(setup);
    const tables = this.tables.get(key) ?? new Tables(this.diagram, setup, this.faults);
    this.tables.set(key, tables);
    this.bySetup.set(setup, tables);
    return tables;
  }
}
