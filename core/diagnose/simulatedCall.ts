import { ohmReading } from '../circuit/ohmReading';
import { run } from '../behaviour/run';
import { statementsOf } from '../behaviour/statement';
import { parseSteps } from '../behaviour/step';
import type { Fault } from '../fault/modes';
import { showOhms } from '../meter/meter';
import type { UnitPlanner } from '../plan/nextTest';
import { minutesOf, panelsOf, type UnitTest } from '../plan/unitTests';
import type { Evidence, StatementEvidence } from './evidence';
import type { UnitHypothesis } from './unitHypotheses';
import type { UnitPredictor } from './unitPredictor';
import { unitState, type UnitVerdict } from './unitState';
import { pointsTo } from './weighEvidence';

/** How a simulated call went. */
export interface SimulatedCall {
  entries: Evidence[];
  verdict: UnitVerdict;
  minutes: number;
}

/** The customer's complaint: the first load of a use that does what a healthy unit's does not. */
export function complaintOf(
  { diagram, hypotheses }: UnitPredictor,
  truth: UnitHypothesis,
): StatementEvidence | undefined {
  const healthy = hypotheses[0]?.uses.outcomes;
  for (const [steps, outcomes] of truth.uses.outcomes) {
    for (const [subject, outcome] of outcomes) {
      const load = diagram.parts.some((part) => part.id === subject && part.kind === 'load');
      if (load && healthy?.get(steps)?.get(subject) !== outcome)
        return { kind: 'statement', id: 'complaint', source: 'seen', steps, subject, outcome };
    }
  }
  return undefined;
}

/** Tests after which a simulated technician gives up. */
const PATIENCE = 30;

/**
 * Follows the advice on a unit with a hidden truth until there is a verdict.
 * @param chance even in [0, 1), seeded by the caller
 * @param slips how often a reading is nothing of the kind
 */
export function workCall(
  planner: UnitPlanner,
  truth: readonly Fault[],
  complaint: StatementEvidence,
  chance: () => number,
  slips = 0,
): SimulatedCall {
  const { predictor } = planner;
  const { diagram } = predictor;
  const entries: Evidence[] = [complaint];
  const openPanels = new Set<string>();
  let minutes = 0;
  for (let taken = 0; ; taken++) {
    const state = unitState(predictor, entries);
    const { verdict, tests } = planner.advise(state, entries);
    const [next] = tests;
    if (!next || taken >= PATIENCE) return { entries, verdict, minutes };
    const last = entries.findLast((each) => each.kind === 'reading');
    minutes += minutesOf(diagram, next.test, { openPanels, setup: last?.setup });
    panelsOf(diagram, next.test).forEach((id) => openPanels.add(id));
    entries.push(take(planner, next.test, truth, `t${taken}`, chance, slips));
  }
}

function take(
  { predictor }: UnitPlanner,
  test: UnitTest,
  truth: readonly Fault[],
  id: string,
  chance: () => number,
  slips: number,
): Evidence {
  const { diagram, meter } = predictor;
  switch (test.kind) {
    case 'look': {
      const look = diagram.looks?.find((each) => each.id === test.look);
      const points = look && truth.some((fault) => pointsTo(look, fault));
      const share = look ? (points ? look.found.with : look.found.without) : 0;
      return { kind: 'look', id, look: test.look, found: chance() < share };
    }
    case 'try': {
      const parsed = parseSteps(diagram, test.steps);
      const results = parsed.ok ? run(diagram, parsed.value, truth.slice(0, 1)) : [];
      const seen = statementsOf(diagram, results).findLast(
        (each) => each.subject === test.subject && each.step === results.length - 1,
      );
      const { steps, subject } = test;
      return {
        kind: 'statement',
        id,
        source: 'seen',
        steps,
        subject,
        outcome: seen?.outcome ?? 'off',
      };
    }
    case 'ohm': {
      const { from, to, setup } = test;
      const answer = ohmReading(diagram, setup, from, to, truth);
      const ohms =
        answer.kind === 'ohms' ? answer.nominal : answer.kind === 'unsure' ? answer.low : Infinity;
      const slipped = chance() < slips;
      const shows = showOhms(meter, slipped ? (ohms === Infinity ? 0.05 : Infinity) : ohms);
      return { kind: 'reading', id, from, to, setup, shows, of: 'unit', wiggle: false };
    }
  }
}
