import type { Evidence } from '../../core/call/evidence';
import { clampedLoad } from '../../core/diagram/clampedLoad';
import { PLUGGED_IN } from '../../core/behaviour/useRuns';
import { readingsFor, type Suspect } from '../../core/inference/beliefState';
import { clampBand } from '../../core/inference/current';
import { HEALTHY, entryLikelihood } from '../../core/inference/entryLikelihood';
import { movedBy, saysOf } from '../../core/inference/entryMeaning';
import type { UnitPredictor } from '../../core/inference/unitPredictor';
import { looksNow } from '../../core/plan/looksNow';
import { testOf } from '../../core/plan/minutes';
import { answersTo } from '../../core/plan/questions';
import { shownAs } from '../../core/plan/shownOutcome';
import { supplyPays } from '../../core/plan/supplyPays';
import type { Findings, Weighed } from '../../core/plan/unitDiagnosis';
import type { Advice } from '../../core/plan/unitPlanner';
import type { UnitTest } from '../../core/plan/unitTests';
import type {
  GoodShown,
  ShownFindings,
  ShownMeaning,
  ShownSuspect,
  ShownTest,
  ShownVerdict,
} from './diagnosis';

const SHOWN = { suspects: 6, moved: 4, change: 0.01, course: 4 };
/** An entry that makes a suspect this many times likelier or less likely speaks for or against it. */
const SPEAKS = 1.2;

/** What entries mean, before it is known what comes next. */
export function meaningOf(
  { planner, state, oddTwins }: Weighed,
  entries: readonly Evidence[],
): ShownMeaning {
  const moved = Object.fromEntries(
    [...state.moved.keys()].map((entry, at) => [
      entry,
      movedBy(state, at)
        .filter(({ was, is }) => Math.abs(is - was) >= SHOWN.change)
        .slice(0, SHOWN.moved),
    ]),
  );
  const last = entries.at(-1);
  return {
    moved,
    lastSays: last && saysOf(planner.predictor, last, state),
    lastGood: goodOf(planner.predictor, last),
    oddTwins,
  };
}

/** Everything that the work screen shows. @param meaning of the entries, where that is known already */
export function shownFindings(
  found: Findings,
  entries: readonly Evidence[],
  meaning = meaningOf(found, entries),
): ShownFindings {
  const { state, tests, contradictions, pairs, repair } = found;
  const course = state.suspects.slice(0, SHOWN.course).map(({ id }) => ({
    id: id ?? '',
    probabilities: state.course.map((each) => each.get(id ?? '') ?? 0),
  }));
  return {
    ...meaning,
    suspects: state.suspects.slice(0, SHOWN.suspects).map(suspectShown),
    supply: supplyPays(found.planner.predictor.diagram, state.suspects, tests[0]?.expected ?? 0),
    verdict: verdictShown(found, entries),
    tests: tests.map((each) => testShown(found, each, entries)),
    course,
    looks: looksNow(found.planner.predictor, found.planner.minutes, state, entries),
    contradictions,
    pairs,
    repair,
  };
}

function testShown({ planner }: Findings, advice: Advice, entries: readonly Evidence[]): ShownTest {
  const { predictor } = planner;
  const { test } = advice;
  const seen = entries.findLast((each) => each.kind === 'statement');
  const asked =
    test.kind === 'ohm' && test.reach === 'own' && seen?.kind === 'statement'
      ? ({ kind: 'volt', from: test.from, to: test.to, steps: seen.steps } as const)
      : undefined;
  const live =
    asked && planner.minutes.reachable(asked, planner.minutes.of(asked)) ? asked : undefined;
  return {
    ...advice,
    good: goodAt(predictor, test),
    answers: test.kind === 'ask' ? answersTo(predictor, test) : [],
    live: live && { test: live, good: goodAt(predictor, live) },
    meanings: advice.meanings.map((each) => ({
      share: each.share,
      shown: shownAs(predictor, test, each),
      suspects: each.suspects,
      named: each.named,
    })),
  };
}

/** What a good unit shows of a test; nothing of what is read with no meter. */
function goodAt(predictor: UnitPredictor, test: UnitTest | undefined): GoodShown | undefined {
  switch (test?.kind) {
    case 'ohm':
      return {
        kind: 'ohms',
        answer: predictor.ownOhms(test.setup, test.from, test.to)(HEALTHY),
      };
    case 'volt': {
      const volts = predictor.volts(test.steps, test.from, test.to)(HEALTHY);
      return volts === undefined ? undefined : { kind: 'volts', volts };
    }
    case 'measure': {
      if (!clampedLoad(predictor.diagram, test.actuator)) return undefined;
      const amps = predictor.amps(test.steps ?? PLUGGED_IN, test.actuator)(HEALTHY);
      return amps === undefined ? undefined : { kind: 'amps', ...clampBand(amps) };
    }
    default:
      return undefined;
  }
}

/** The same where an entry was read. */
const goodOf = (predictor: UnitPredictor, entry: Evidence | undefined): GoodShown | undefined =>
  entry && goodAt(predictor, testOf(entry));

const suspectShown = ({ id, probability, leading }: Suspect): ShownSuspect => ({
  id,
  probability,
  faults: leading.causes,
});

function verdictShown(found: Findings, entries: readonly Evidence[]): ShownVerdict {
  const { verdict, secondLook, state, planner } = found;
  switch (verdict.kind) {
    case 'named': {
      const { suspect } = verdict;
      const own = readingsFor(planner.predictor, suspect, entries).map((each) => each.id);
      const index = planner.predictor.hypotheses.indexOf(suspect.leading);
      const against = entries.filter(
        (each) => (entryLikelihood(planner.predictor, each)[index] ?? 1) < 0.2,
      );
      const because = [...state.moved].flatMap(([entry, by]) =>
        (by.get(suspect.id ?? '') ?? 1) > SPEAKS || own.includes(entry) ? [entry] : [],
      );
      return {
        kind: 'named',
        suspect: suspectShown(suspect),
        because,
        // An exact number is never very probable: what speaks for it does not speak against it.
        against: against.map((each) => each.id).filter((id) => !because.includes(id)),
      };
    }
    case 'group':
      return {
        kind: 'group',
        suspects: verdict.suspects.map(suspectShown),
        settles: found.settles.map((each) => testShown(found, each, entries)),
      };
    case 'repaired':
    case 'nothing-found':
      return { kind: verdict.kind };
    case 'surprise': {
      const { entry, stands, wouldTake } = verdict.misfit;
      const other = wouldTake === undefined ? undefined : planner.predictor.hypotheses[wouldTake];
      return {
        kind: 'surprise',
        entry,
        stands,
        wouldTake: other && { id: other.suspect, probability: other.prior, faults: other.causes },
      };
    }
    case 'open':
      if (verdict.needs !== 'second-look') return { kind: 'open', needs: verdict.needs };
      if (!secondLook) return { kind: 'open', needs: 'test' };
      return {
        kind: 'open',
        needs: 'second-look',
        secondLook,
        good: goodOf(
          planner.predictor,
          entries.find((each) => each.id === secondLook.entry),
        ),
      };
  }
}
