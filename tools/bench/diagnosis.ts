import { chanceFrom } from '../../core/chance';
import { complaintOf, workCall, type SimulatedCall } from '../../core/diagnose/simulatedCall';
import { UnitPredictor } from '../../core/diagnose/unitPredictor';
import { unitState } from '../../core/diagnose/unitState';
import type { Diagram } from '../../core/diagram/diagram';
import { ORDINARY_METER } from '../../core/meter/meter';
import { UnitPlanner } from '../../core/plan/nextTest';
import { LIBRARY } from '../../library/library';
import { EXIT, out, outJson } from '../doors/door';

const SEED = 20261125;
/** How often a reading is nothing of the kind, in the runs with slips. */
const SLIPS = 0.02;
/** Verdicts are put together by tenths of what they were given at, from here on. */
const BINS = [0.95, 0.97, 0.98, 0.99, 0.995, 1.0001];

interface Tally {
  calls: number;
  right: number;
  /** A group that cannot be told apart, with the right part in it. */
  group: number;
  /** A good part named. */
  condemned: number;
  minutes: number;
  tests: number;
}

interface OfDiagram {
  id: string;
  /** Single faults that nobody would notice in the unit's own uses. */
  hidden: number;
  clean: Tally;
  slips: Tally;
  firstAdviceMs: number;
  medianAdviceMs: number;
}

/** `./yarrix bench diagnosis [--json]`: a simulated technician who follows the advice. */
export function benchDiagnosis(json: boolean): number {
  const named: { given: number; right: boolean }[] = [];
  const diagrams = LIBRARY.map((diagram) => ofDiagram(diagram, named));
  const calibration = BINS.slice(0, -1).map((from, i) => {
    const inside = named.filter(({ given }) => given >= from && given < (BINS[i + 1] ?? 1));
    const mean = inside.reduce((sum, each) => sum + each.given, 0) / inside.length;
    const right = inside.filter((each) => each.right).length / inside.length;
    return { from, verdicts: inside.length, given: mean, right };
  });
  if (json) {
    outJson({ seed: SEED, slips: SLIPS, diagrams, calibration });
    return EXIT.done;
  }
  out(`every single fault of every built-in diagram, seed ${SEED}`);
  out(
    'unit                   calls  right  group  cond.   min  tests | with 2 % slips: right+group  cond. | first ms  median ms',
  );
  for (const each of diagrams) sayDiagram(each);
  out('\nverdicts that name a part, with slips: given at, and right');
  for (const { from, verdicts, given, right } of calibration)
    if (verdicts)
      out(
        `  from ${from}: ${String(verdicts).padStart(4)} verdicts at ${given.toFixed(3)}, right ${right.toFixed(3)}`,
      );
  return EXIT.done;
}

const percent = (part: number, whole: number): string => `${((100 * part) / whole).toFixed(1)} %`;

function sayDiagram({ id, clean, slips, firstAdviceMs, medianAdviceMs }: OfDiagram): void {
  out(
    [
      id.padEnd(22),
      String(clean.calls).padStart(5),
      percent(clean.right, clean.calls).padStart(8),
      percent(clean.group, clean.calls).padStart(7),
      percent(clean.condemned, clean.calls).padStart(6),
      (clean.minutes / clean.calls).toFixed(1).padStart(6),
      (clean.tests / clean.calls).toFixed(1).padStart(5),
      '|',
      percent(slips.right + slips.group, slips.calls).padStart(12),
      percent(slips.condemned, slips.calls).padStart(8),
      '|',
      firstAdviceMs.toFixed(0).padStart(6),
      medianAdviceMs.toFixed(0).padStart(6),
    ].join(' '),
  );
}

function ofDiagram(diagram: Diagram, named: { given: number; right: boolean }[]): OfDiagram {
  const from = performance.now();
  const predictor = new UnitPredictor(diagram, ORDINARY_METER);
  const planner = new UnitPlanner(predictor);
  planner.advise(unitState(predictor, []), []);
  const firstAdviceMs = performance.now() - from;
  const tallies = { clean: empty(), slips: empty() };
  const advice: number[] = [];
  let hidden = 0;
  predictor.hypotheses.forEach((truth, i) => {
    if (truth.suspect === undefined) return;
    const complaint = complaintOf(predictor, truth);
    if (!complaint) {
      hidden++;
      return;
    }
    for (const kind of ['clean', 'slips'] as const) {
      const chance = chanceFrom(SEED + i);
      const started = performance.now();
      const call = workCall(planner, truth.faults, complaint, chance, kind === 'slips' ? SLIPS : 0);
      advice.push((performance.now() - started) / call.entries.length);
      count(tallies[kind], call, truth.suspect);
      if (kind === 'slips' && call.verdict.kind === 'named') {
        const { id, probability } = call.verdict.suspect;
        named.push({ given: probability, right: id === truth.suspect });
      }
    }
  });
  advice.sort((a, b) => a - b);
  const medianAdviceMs = advice[advice.length >> 1] ?? 0;
  return { id: diagram.id, hidden, ...tallies, firstAdviceMs, medianAdviceMs };
}

const empty = (): Tally => ({ calls: 0, right: 0, group: 0, condemned: 0, minutes: 0, tests: 0 });

function count(tally: Tally, { verdict, minutes, entries }: SimulatedCall, suspect: string): void {
  tally.calls++;
  tally.minutes += minutes;
  tally.tests += entries.length - 1;
  if (verdict.kind === 'named') {
    if (verdict.suspect.id === suspect) tally.right++;
    else tally.condemned++;
  } else if (verdict.kind === 'group' && verdict.suspects.some((each) => each.id === suspect))
    tally.group++;
}
