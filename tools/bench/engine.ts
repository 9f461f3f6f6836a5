import { cpus, totalmem } from 'node:os';
import { Matrix, solve } from 'ml-matrix';
import { effectiveResistance } from '../../core/circuit/effectiveResistance';
import { OhmTable } from '../../core/circuit/fastTable';
import type { Resistor } from '../../core/circuit/resistorGraph';
import { TableMaker, type Change } from '../../core/circuit/tableMaker';
import { buildNetwork } from '../../core/circuit/network';
import { nodesOf } from '../../core/circuit/nodes';
import { everySetup } from '../../core/circuit/short';
import { chanceFrom } from '../../core/chance';
import type { Diagram } from '../../core/diagram/diagram';
import { drawnSetup, type Setup } from '../../core/diagram/setup';
import { everyFault } from '../../core/fault/faultList';
import { LIBRARY } from '../../library/library';
import { needDebian } from '../debian';
import { EXIT, out, outJson } from '../commands/command';
import { ngspice } from '../reference/ngspice';

/** One way to compute the same readings. */
interface Measured {
  /** Readings computed. */
  readings: number;
  nanosecondsEach: number;
}

interface Comparison {
  what: string;
  nodes: number;
  faults: number;
  table: Measured;
  /** Of that, the share that is spent before the first row: network, changes, inverse. */
  prepareShare: number;
  denseSolveEach: Measured;
  ngspiceBatch: Measured;
  timesFasterThanDense: number;
  timesFasterThanNgspice: number;
  tableBytes: number;
}

/** Runs before the clock, so that the machine code is compiled; then the runs that count. */
const WARM_UP = 12;
const RUNS = 30;
const SAMPLE = { dense: 400, ngspice: 400 };
const SEED = 20261125;

/** Prints the table of predicted readings beside dense solves and ngspice, and how it grows. */
export async function benchEngine(json: boolean): Promise<number> {
  await needDebian(['ngspice']);
  const largest = LIBRARY.toSorted((a, b) => nodesOf(b).count - nodesOf(a).count)[0];
  if (!largest) throw new Error('the library is empty');
  const comparisons = [ofDiagram(largest), ofLadder(60)];
  const growth = [20, 40, 60, 100, 200].map((nodes) => {
    const { table } = ladderTime(nodes);
    return { nodes, nanosecondsEach: table.nanosecondsEach, readings: table.readings };
  });
  const machine = `${cpus()[0]?.model ?? 'unknown'}, ${cpus().length} cores, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.versions.node}`;
  if (json) outJson({ machine, seed: SEED, comparisons, growth });
  else {
    out(machine);
    comparisons.forEach(sayComparison);
    out('\nhow the table grows (ladder, every resistor opened and doubled)');
    for (const { nodes, nanosecondsEach, readings } of growth)
      out(
        `  ${String(nodes).padStart(4)} nodes  ${nanosecondsEach.toFixed(2)} ns each, ${readings} readings`,
      );
  }
  return EXIT.done;
}

function sayComparison(each: Comparison): void {
  const line = (name: string, { readings, nanosecondsEach }: Measured): void =>
    out(
      `  ${name.padEnd(26)} ${nanosecondsEach.toFixed(1).padStart(12)} ns a reading   (${readings} readings)`,
    );
  out(`\n${each.what}: ${each.nodes} nodes, ${each.faults} faults`);
  line('fast table', each.table);
  line('dense solve each (ml-matrix)', each.denseSolveEach);
  line('ngspice, one batch', each.ngspiceBatch);
  out(
    `  ${each.timesFasterThanDense.toFixed(0)} times fewer seconds than dense solves, ${each.timesFasterThanNgspice.toFixed(0)} times fewer than ngspice`,
  );
  out(
    `  ${(100 * each.prepareShare).toFixed(0)} % of it before the first row; ${(each.tableBytes / 1024).toFixed(0)} KiB held`,
  );
}

/** Least seconds that a function takes: what else the machine does only ever adds. */
function seconds(work: () => void, runs = RUNS): number {
  for (let i = 0; i < Math.min(WARM_UP, runs); i++) work();
  let least = Infinity;
  for (let i = 0; i < runs; i++) {
    const from = performance.now();
    work();
    least = Math.min(least, performance.now() - from);
  }
  return least / 1000;
}

/** The diagram in every position of its controls, up to a few, with every single fault. */
function ofDiagram(diagram: Diagram): Comparison {
  const setups = everySetup(diagram, drawnSetup(diagram)).slice(0, 8);
  const faults = everyFault(diagram).map((each) => [each]);
  let row = new Float64Array();
  const prepare = (): OhmTable[] => setups.map((setup) => new OhmTable(diagram, setup, faults));
  const rows = (tables: readonly OhmTable[]): void => {
    for (const table of tables) {
      if (row.length !== table.pairs) row = new Float64Array(table.pairs);
      for (let i = 0; i <= faults.length; i++) table.row(i, row);
    }
  };
  const whole = seconds(() => rows(prepare()));
  const before = seconds(() => void prepare());
  const { count: n } = nodesOf(diagram);
  const readings = setups.length * (faults.length + 1) * ((n * (n - 1)) / 2);
  const samples = sampleOf(diagram, setups, faults.length, SAMPLE.dense);
  return compare(diagram.name, n, faults.length, readings, whole, before, samples);
}

type Case = { n: number; resistors: Resistor[]; a: number; b: number };

function sampleOf(
  diagram: Diagram,
  setups: readonly Setup[],
  faults: number,
  size: number,
): Case[] {
  const chance = chanceFrom(SEED);
  const all = everyFault(diagram);
  const pick = (n: number): number => Math.floor(chance() * n);
  return Array.from({ length: size }, (): Case => {
    const setup = setups[pick(setups.length)] ?? drawnSetup(diagram);
    const fault = all[pick(faults)];
    const network = buildNetwork(diagram, setup, fault ? [fault] : [], { warm: false });
    const resistors = network.edges.flatMap(({ a, b, nominal }) =>
      nominal === null ? [] : [{ a, b, ohms: nominal }],
    );
    const n = network.nodes.count;
    const a = pick(n);
    return { n, resistors, a, b: (a + 1 + pick(n - 1)) % n };
  });
}

/** Two rails of wires with loads as rungs; each resistor is opened, and doubled. */
function ladder(nodes: number): { n: number; resistors: Resistor[]; changes: Change[][] } {
  const resistors: Resistor[] = [];
  for (let rung = 0; rung < nodes / 2; rung++) {
    const [a, b] = [2 * rung, 2 * rung + 1];
    resistors.push({ a, b, ohms: 20 + rung });
    if (rung > 0) resistors.push({ a: a - 2, b: a, ohms: 0.02 }, { a: b - 2, b, ohms: 0.05 });
  }
  const changes = resistors.flatMap((each, at): Change[][] => [
    [{ ...each, at, to: Infinity }],
    [{ ...each, at, to: 2 * each.ohms }],
  ]);
  return { n: nodes, resistors, changes };
}

function ladderTime(nodes: number): { table: Measured; whole: number; before: number } {
  const { n, resistors, changes } = ladder(nodes);
  const row = new Float64Array((n * (n - 1)) / 2);
  const whole = seconds(() => {
    const maker = new TableMaker(n, resistors);
    maker.write([], row, 0);
    for (const each of changes) maker.write(each, row, 0);
  });
  const before = seconds(() => void new TableMaker(n, resistors));
  const readings = (changes.length + 1) * row.length;
  return { table: { readings, nanosecondsEach: (1e9 * whole) / readings }, whole, before };
}

function ofLadder(nodes: number): Comparison {
  const { n, resistors, changes } = ladder(nodes);
  const { table, whole, before } = ladderTime(nodes);
  const chance = chanceFrom(SEED);
  const samples = Array.from({ length: SAMPLE.dense }, (): Case => {
    const [change] = changes[Math.floor(chance() * changes.length)] ?? [];
    const faulty = resistors.flatMap((each, at) =>
      at !== change?.at ? [each] : change.to === Infinity ? [] : [{ ...each, ohms: change.to }],
    );
    const a = Math.floor(chance() * n);
    return { n, resistors: faulty, a, b: (a + 1 + Math.floor(chance() * (n - 1))) % n };
  });
  return compare('generated ladder', n, changes.length, table.readings, whole, before, samples);
}

function compare(
  what: string,
  nodes: number,
  faults: number,
  readings: number,
  whole: number,
  before: number,
  samples: readonly Case[],
): Comparison {
  const table = { readings, nanosecondsEach: (1e9 * whole) / readings };
  const dense = seconds(() => samples.forEach(denseSolve), 3);
  const denseSolveEach = {
    readings: samples.length,
    nanosecondsEach: (1e9 * dense) / samples.length,
  };
  const batch = samples.slice(0, SAMPLE.ngspice);
  const from = performance.now();
  spiceBatch(batch);
  const spice = (performance.now() - from) / 1000;
  const ngspiceBatch = { readings: batch.length, nanosecondsEach: (1e9 * spice) / batch.length };
  const pairs = (nodes * (nodes - 1)) / 2;
  return {
    what,
    nodes,
    faults,
    table,
    prepareShare: before / whole,
    denseSolveEach,
    ngspiceBatch,
    timesFasterThanDense: denseSolveEach.nanosecondsEach / table.nanosecondsEach,
    timesFasterThanNgspice: ngspiceBatch.nanosecondsEach / table.nanosecondsEach,
    // The inverse, the healthy pairs twice, and one row.
    tableBytes: 8 * (nodes * nodes + 3 * pairs),
  };
}

/** One reading by one solve of the grounded Laplacian; a slight leak keeps islands solvable. */
function denseSolve({ n, resistors, a, b }: Case): number {
  const laplacian = Matrix.eye(n, n, 1e-12);
  for (const each of resistors) {
    const siemens = 1 / each.ohms;
    laplacian.set(each.a, each.a, laplacian.get(each.a, each.a) + siemens);
    laplacian.set(each.b, each.b, laplacian.get(each.b, each.b) + siemens);
    laplacian.set(each.a, each.b, laplacian.get(each.a, each.b) - siemens);
    laplacian.set(each.b, each.a, laplacian.get(each.b, each.a) - siemens);
  }
  const amps = Matrix.zeros(n, 1);
  amps.set(a, 0, 1);
  amps.set(b, 0, -1);
  const volts = solve(laplacian, amps);
  return volts.get(a, 0) - volts.get(b, 0);
}

/** One process; the circuit is loaded once, and altered to each case for its operating point. */
function spiceBatch(cases: readonly Case[]): void {
  const [first] = cases;
  if (!first) return;
  const keyed = cases.map(({ resistors }) => {
    const ohms = new Map<string, Resistor>();
    for (const each of resistors) {
      let key = `R${each.a}_${each.b}`;
      while (ohms.has(key)) key += 'p';
      ohms.set(key, each);
    }
    return ohms;
  });
  const all = new Map(keyed.flatMap((each) => [...each]));
  const now = new Map([...all].map(([key, each]) => [key, each.ohms]));
  const cards = [...all].map(([key, { a, b, ohms }]) => `${key} n${a} n${b} ${ohms}`);
  for (let node = 0; node < first.n; node++)
    cards.push(`I${node} 0 n${node} 0`, `Rg${node} n${node} 0 ${GROUND_OHMS}`);
  const control = cases.flatMap(({ a, b }, i) => {
    const lines: string[] = [];
    for (const key of all.keys()) {
      const ohms = keyed[i]?.get(key)?.ohms ?? GROUND_OHMS;
      if (now.get(key) !== ohms) lines.push(`alter ${key} = ${ohms}`);
      now.set(key, ohms);
    }
    lines.push(`alter I${a} dc = 1`, `alter I${b} dc = -1`, 'op', `print v(n${a})-v(n${b})`);
    return [...lines, `alter I${a} dc = 0`, `alter I${b} dc = 0`];
  });
  const values = ngspice(cards, control);
  cases.forEach(({ resistors, a, b }, i) => {
    const ours = effectiveResistance(resistors, a, b);
    const theirs = values[i] ?? NaN;
    const open = ours > GROUND_OHMS / 1e3 && theirs > GROUND_OHMS / 1e3;
    if (!open && !(Math.abs(ours - theirs) <= 1e-3 * ours))
      throw new Error(`ngspice computes another reading: ${theirs} for ${ours}`);
  });
}

/** What stands for open in ngspice, which needs every node tied to something. */
const GROUND_OHMS = 1e12;
