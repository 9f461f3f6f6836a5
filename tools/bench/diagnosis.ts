import { chanceFrom } from '../../core/chance';
import type { StatementEvidence } from '../../core/call/evidence';
import { complaintOf } from '../../core/inference/complaint';
import { workCall, type SimulatedCall } from '../../core/simulate/simulatedCall';
import type { Diagram } from '../../core/diagram/diagram';
import { ORDINARY_METER } from '../../core/meter/meter';
import type { DecisionProblem, CallState } from '../../core/plan/decisionProblem';
import { exactOptimum } from '../../core/plan/exactOptimum';
import { rankedBy } from '../../core/plan/rankedTests';
import { USUAL_WAY } from '../../core/plan/wayOfWorking';
import { POLICIES, type Policy } from '../../core/plan/policies';
import { UnitDiagnosis } from '../../core/plan/unitDiagnosis';
import { beliefState } from '../../core/inference/beliefState';
import { LIBRARY } from '../../library/library';
import { BadInput, EXIT, out, outJson } from '../commands/command';
import { count, emptyTally, percent, shortOf, type Tally } from './tally';

const SEED = 20261125;
/** How often a reading is nothing of the kind, in the runs with slips. */
const SLIPS = 0.02;
/** Calls with slips are drawn so often, for the calibration to rest on enough verdicts. */
const DRAWN = 2;
/** Verdicts are put together by what they were given at, from here on. */
const BINS = [0.95, 0.97, 0.98, 0.99, 0.995, 1.0001];
/** Explanations of the small problems that the exact optimum is found for. */
const SMALL = 7;

interface WorkedTally extends Tally {
  minutes: number;
  tests: number;
}

interface OfDiagram {
  id: string;
  /** Single faults that nobody would notice in the unit's own uses. */
  hidden: number;
  clean: WorkedTally;
  slips: WorkedTally;
  /** What did not come to the right part, to be looked at: the fault, and how its call ended. */
  missed: string[];
  prepareMs: number;
  firstAdviceMs: number;
  medianAdviceMs: number;
  /** Expected minutes to the verdict, over all complaints as often as they come. */
  schools: Record<Policy, number>;
  /** Minutes on small problems, beside the least that are possible. */
  small: { problems: number; ours: number; optimum: number; worst: number };
}

/** A verdict that names a part: the probability it was given at, and how often its fault comes. */
interface Named {
  given: number;
  right: boolean;
  often: number;
}

/**
 * `./yarrix bench diagnosis [--json] [--only UNIT]`: a simulated technician who follows the advice, on every
 * built-in diagram or on one.
 */
export function benchDiagnosis(json: boolean, only?: string): number {
  const named: Named[] = [];
  const worked = only === undefined ? LIBRARY : LIBRARY.filter(({ id }) => id === only);
  if (!worked.length) throw new BadInput(`--only ${only ?? ''}: no built-in diagram has this id`);
  if (!json) {
    out(`every single fault of ${only ?? 'every built-in diagram'}, seed ${SEED}`);
    out(
      'unit                   calls  right  group  cond.   min  tests | with 2 % slips: right+group  cond. | prepare ms  first  median',
    );
  }
  const diagrams = worked.map((diagram) => {
    const each = ofDiagram(diagram, named);
    if (!json) sayDiagram(each);
    return each;
  });
  const calibration = BINS.slice(0, -1).map((from, i) => {
    const inside = named.filter(({ given }) => given >= from && given < (BINS[i + 1] ?? 1));
    const whole = inside.reduce((sum, each) => sum + each.often, 0);
    const share = (of: (each: Named) => number): number =>
      inside.reduce((sum, each) => sum + each.often * of(each), 0) / whole;
    const right = share((each) => Number(each.right));
    return { from, verdicts: inside.length, given: share((each) => each.given), right };
  });
  if (json) {
    outJson({ seed: SEED, slips: SLIPS, diagrams, calibration });
    return EXIT.done;
  }
  sayAll(diagrams);
  for (const { id, missed } of diagrams) for (const each of missed) out(`missed: ${id}, ${each}`);
  out(`\nexpected minutes to the verdict, by school: ${Object.keys(POLICIES).join(', ')}`);
  for (const { id, schools } of diagrams)
    out(
      `${id.padEnd(22)} ${Object.values(schools)
        .map((each) => each.toFixed(2).padStart(7))
        .join('')}`,
    );
  out(
    `\nthe ${SMALL} likeliest explanations of the ${COMMONEST} commonest complaints: minutes beside the exact optimum`,
  );
  for (const { id, small } of diagrams)
    out(
      `${id.padEnd(22)} ${String(small.problems).padStart(3)} problems, ${(small.ours / small.optimum).toFixed(3)} x, worst ${small.worst.toFixed(3)} x`,
    );
  out(
    '\nverdicts that name a part, with slips, each as often as its fault comes: given at, and right',
  );
  for (const { from, verdicts, given, right } of calibration)
    if (verdicts)
      out(
        `  from ${from}: ${String(verdicts).padStart(4)} verdicts at ${given.toFixed(3)}, right ${right.toFixed(3)}`,
      );
  return EXIT.done;
}

function sayAll(diagrams: readonly OfDiagram[]): void {
  for (const kind of ['clean', 'slips'] as const) {
    const sum = (of: (each: WorkedTally) => number): number =>
      diagrams.reduce((all, each) => all + of(each[kind]), 0);
    const calls = sum((each) => each.calls);
    out(
      `${kind === 'clean' ? 'all, without slips' : 'all, with slips'}: ${calls} calls, right or group ${percent(
        sum((each) => each.right + each.group),
        calls,
      )}, condemned ${percent(
        sum((each) => each.condemned),
        calls,
      )}`,
    );
  }
}

function sayDiagram(each: OfDiagram): void {
  const { id, clean, slips, prepareMs, firstAdviceMs, medianAdviceMs } = each;
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
      prepareMs.toFixed(0).padStart(6),
      firstAdviceMs.toFixed(0).padStart(6),
      medianAdviceMs.toFixed(0).padStart(6),
    ].join(' '),
  );
}

function ofDiagram(diagram: Diagram, named: Named[]): OfDiagram {
  const from = performance.now();
  const diagnosis = new UnitDiagnosis(diagram, ORDINARY_METER);
  const prepareMs = performance.now() - from;
  const { predictor } = diagnosis;
  const tallies = { clean: empty(), slips: empty() };
  const advice: number[] = [];
  const missed: string[] = [];
  const complaints = new Map<string, { complaint: StatementEvidence; prior: number }>();
  let firstAdviceMs: number | undefined;
  let hidden = 0;
  predictor.hypotheses.forEach((truth, i) => {
    if (truth.suspect === undefined) return;
    const complaint = complaintOf(predictor, i);
    if (!complaint) {
      hidden++;
      return;
    }
    if (firstAdviceMs === undefined) {
      const started = performance.now();
      diagnosis.of([complaint]);
      firstAdviceMs = performance.now() - started;
    }
    const key = JSON.stringify(complaint);
    const known = complaints.get(key)?.prior ?? 0;
    complaints.set(key, { complaint, prior: known + truth.prior });
    const kinds = ['clean', ...Array.from({ length: DRAWN }, () => 'slips' as const)] as const;
    for (const [draw, kind] of kinds.entries()) {
      const chance = chanceFrom(SEED + i + 7919 * draw);
      const started = performance.now();
      const slips = kind === 'slips' ? SLIPS : 0;
      const call = workCall(diagnosis, truth, complaint, { chance, slips });
      advice.push((performance.now() - started) / call.entries.length);
      add(tallies[kind], call, truth.suspect);
      const short = shortOf(call.verdict, (id) => id === truth.suspect);
      if (short) missed.push(`${kind}: ${JSON.stringify(truth.causes)} ${short}`);
      if (kind === 'slips' && call.verdict.kind === 'named') {
        const { id, probability } = call.verdict.suspect;
        named.push({ given: probability, right: id === truth.suspect, often: truth.prior });
      }
    }
  });
  advice.sort((a, b) => a - b);
  return {
    id: diagram.id,
    hidden,
    ...tallies,
    missed,
    prepareMs,
    firstAdviceMs: firstAdviceMs ?? 0,
    medianAdviceMs: advice[advice.length >> 1] ?? 0,
    schools: bySchool(diagnosis, [...complaints.values()]),
    small: besideOptimum(diagnosis, [...complaints.values()]),
  };
}

/** Complaints of a unit that are set beside the exact optimum, and states after which one is too big for it. */
const COMMONEST = 12;
const MOST_NODES = 60_000;

type Complaints = { complaint: StatementEvidence; prior: number }[];

/** Expected minutes of each school over all complaints, as often as they come. */
function bySchool(diagnosis: UnitDiagnosis, complaints: Complaints): Record<Policy, number> {
  const schools = Object.keys(POLICIES) as Policy[];
  const sums = new Map<Policy, number>(schools.map((each) => [each, 0]));
  const all = complaints.reduce((sum, each) => sum + each.prior, 0);
  for (const { complaint, prior } of complaints)
    for (const { school, minutes } of diagnosis.compare([complaint], USUAL_WAY))
      sums.set(school, (sums.get(school) ?? 0) + (prior / all) * minutes);
  return Object.fromEntries(sums) as Record<Policy, number>;
}

/** Our minutes and the least possible, on the commonest complaints with their few likeliest explanations. */
function besideOptimum(diagnosis: UnitDiagnosis, complaints: Complaints): OfDiagram['small'] {
  const small = { problems: 0, ours: 0, optimum: 0, worst: 1 };
  const common = [...complaints].sort((a, b) => b.prior - a.prior).slice(0, COMMONEST);
  for (const { complaint } of common) {
    const { decision, root } = diagnosis.planner.problem(
      beliefState(diagnosis.predictor, [complaint]),
      [complaint],
      USUAL_WAY,
      { share: 1, most: SMALL },
    );
    const optimum = exactOptimum(decision, root, MOST_NODES);
    if (!optimum) continue;
    const ours = byAdvice(decision, root);
    small.problems++;
    small.ours += ours;
    small.optimum += optimum;
    small.worst = Math.max(small.worst, ours / optimum);
  }
  return small;
}

/** Least minutes asks nobody how far a suspect is from the supply. */
const NOWHERE = (): number => 0;

/** Minutes to the verdict of somebody who takes the advice anew after every outcome. */
function byAdvice(decision: DecisionProblem, node: CallState): number {
  const [best] = rankedBy('least', decision, node, decision.standing(node), NOWHERE);
  if (!best) return 0;
  return decision
    .branches(node, best.option)
    .reduce((sum, each) => sum + each.share * byAdvice(decision, each.node), best.minutes);
}

const empty = (): WorkedTally => ({ ...emptyTally(), minutes: 0, tests: 0 });

function add(tally: WorkedTally, call: SimulatedCall, suspect: string): void {
  tally.minutes += call.minutes;
  tally.tests += call.entries.length - 1;
  count(tally, call.verdict, (id) => id === suspect);
}
