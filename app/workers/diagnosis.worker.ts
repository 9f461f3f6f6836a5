import { readingsFor, type Suspect } from '../../core/inference/beliefState';
import { complaintMap } from '../../core/inference/complaint';
import { asHypothesis, shownUnder, type ReadAt, type Shown } from '../../core/inference/shownUnder';
import { sayable, tellable } from '../../core/inference/tellable';
import { UnitPredictor } from '../../core/inference/unitPredictor';
import { linePaths } from '../../core/behaviour/linePath';
import { atRest } from '../../core/behaviour/machine';
import { standAfter } from '../../core/behaviour/run';
import { parseSteps } from '../../core/behaviour/step';
import { PLUGGED_IN } from '../../core/behaviour/useRuns';
import { drawnShowing, showingOf, type Showing } from '../../core/drawing/showing';
import type { Diagram } from '../../core/diagram/diagram';
import { clampedLoad } from '../../core/diagram/clampedLoad';
import { switches } from '../../core/diagram/terminal';
import { clampBand } from '../../core/inference/current';
import { proofOf } from '../../core/plan/proof';
import type { Fault } from '../../core/fault/fault';
import { movedBy, saysOf } from '../../core/inference/entryMeaning';
import { HEALTHY, entryLikelihood } from '../../core/inference/entryLikelihood';
import type { Evidence } from '../../core/call/evidence';
import { ORDINARY_METER } from '../../core/meter/meter';
import { testOf } from '../../core/plan/minutes';
import type { Advice } from '../../core/plan/unitPlanner';
import { answersTo } from '../../core/plan/questions';
import { supplyPays } from '../../core/plan/supplyPays';
import { looksNow } from '../../core/plan/looksNow';
import { shownAs } from '../../core/plan/shownOutcome';
import type { UnitTest } from '../../core/plan/unitTests';
import type { Findings as Found, UnitDiagnosis, Weighed } from '../../core/plan/unitDiagnosis';
import type {
  WorkerAnswer,
  ShownFindings,
  GoodShown,
  SentQuestion,
  ShownMeaning,
  WorkerQuestion,
  ShownComplaint,
  ShownSuspect,
  ShownTest,
  ShownVerdict,
} from './diagnosis';
import { unitOf, type Unit } from './unit';

/** Runs beside the page: suspects, verdict and next tests of one unit. */

const SHOWN = { suspects: 6, moved: 4, change: 0.01, course: 4 };
/** An entry that makes a suspect this many times likelier or less likely speaks for or against it. */
const SPEAKS = 1.2;

/** Diagrams that the page has sent, by key. */
const diagrams = new Map<string, Diagram>();

addEventListener('message', ({ data }: MessageEvent<SentQuestion>) => {
  const diagram = data.diagram ?? diagrams.get(data.key);
  if (!diagram) throw new Error(`the worker was not sent the diagram ${data.key}`);
  diagrams.set(data.key, diagram);
  const question = { ...data, diagram };
  answer(question).then(
    (said) => {
      postMessage(said);
      if (question.ask === 'findings') warmUp(question);
    },
    // Thrown outside of the promise, so that the page hears of it.
    (error: unknown) =>
      setTimeout(() => {
        throw error;
      }),
  );
});

/** The unit that is worked with, and what comes next of its faults. */
let warming: string | undefined;

/** While nobody asks, one fault after the other is run whole, with room for a question between any two. */
function warmUp({ key, diagram }: WorkerQuestion): void {
  if (warming === key) return;
  warming = key;
  const next = async (): Promise<void> => {
    const unit = await unitOf(key, diagram);
    if (warming === key && unit.warm()) setTimeout(() => void next());
  };
  setTimeout(() => void next());
}

async function answer(question: WorkerQuestion): Promise<WorkerAnswer> {
  const { number, key, diagram } = question;
  if (question.ask === 'proof') {
    const part = switches(diagram).find((each) => each.id === question.part);
    const steps = part ? proofOf(diagram, part, question.depth) : [];
    return { number, kind: 'proof', steps };
  }
  if (question.ask === 'stand')
    return { number, kind: 'stand', showing: standing(diagram, question.at) };
  const unit = await unitOf(key, diagram);
  const from = performance.now();
  let told = 0;
  const diagnosis = (): UnitDiagnosis =>
    unit.diagnosis((share) => {
      if (share - told < 0.02) return;
      told = share;
      postMessage({ number, kind: 'progress', share } satisfies WorkerAnswer);
    });
  switch (question.ask) {
    case 'complaints':
      return { number, kind: 'complaints', ...noticed(unit.predictor) };
    case 'tellable': {
      const { predictor } = unit;
      return { number, kind: 'tellable', told: tellable(predictor), sayable: sayable(predictor) };
    }
    case 'shown':
      return { number, kind: 'shown', shown: shownBetween(unit, question) };
    case 'lines':
      return { number, kind: 'lines', lines: linePaths(diagram, unit.runs.of([])) };
    case 'prepare':
      diagnosis();
      return { number, kind: 'prepared' };
    case 'schools': {
      const schools = diagnosis().compare(question.entries, question.way);
      return { number, kind: 'schools', schools };
    }
    case 'findings': {
      const { entries, way } = question;
      const made = diagnosis();
      const weighed = made.weigh(entries);
      const meaning = meaningOf(weighed, entries);
      postMessage({ number, kind: 'meaning', meaning } satisfies WorkerAnswer);
      const found = made.advise(weighed, way);
      // While the probes are on their way.
      setTimeout(() => made.foresee(weighed, found.tests[0]?.test));
      const findings = {
        ...meaning,
        ...shown(found, entries),
        milliseconds: performance.now() - from,
      };
      return { number, kind: 'findings', findings };
    }
  }
}

/** Units with a fault that no diagnosis weighs, by unit and fault. */
const others = new Map<string, UnitPredictor>();

/** What units with some faults show: from the diagnosis, or run alike for a fault that it does not weigh. */
function shownBetween(unit: Unit, question: Extract<WorkerQuestion, { ask: 'shown' }>): Shown[] {
  const { key, diagram, at, from, to, faults } = question;
  return faults.map((causes) => {
    const name = JSON.stringify(causes);
    const { weighed } = unit;
    const index =
      weighed?.hypotheses.findIndex((each) => JSON.stringify(each.causes) === name) ?? -1;
    if (weighed && index >= 0) return shownUnder(weighed, index, at, from, to);
    const predictor =
      others.get(`${key} ${name}`) ??
      new UnitPredictor(diagram, ORDINARY_METER, [asHypothesis(diagram, unit.runs, causes)]);
    others.set(`${key} ${name}`, predictor);
    return shownUnder(predictor, 0, at, from, to);
  });
}

/** The drawing of a good unit as it stands while it is read. */
function standing(diagram: Diagram, at: ReadAt): Showing {
  if ('setup' in at) return showingOf(diagram, { machine: atRest(at.setup), loads: {} });
  const steps = parseSteps(diagram, at.steps);
  const stand = standAfter(diagram, steps.ok ? steps.value : [], [], at.second);
  return stand ? showingOf(diagram, stand) : drawnShowing(diagram);
}

/** Every fault by what is noticed of it. */
function noticed(predictor: UnitPredictor): { complaints: ShownComplaint[]; hidden: Fault[] } {
  const { complaints, hidden } = complaintMap(predictor);
  return {
    complaints: complaints.map(({ statement, of }) => ({
      statement,
      faults: of.flatMap((each) => each.causes),
    })),
    hidden: hidden.flatMap((each) => each.causes),
  };
}

function meaningOf(
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

function shown(
  found: Found,
  entries: readonly Evidence[],
): Omit<ShownFindings, 'milliseconds' | keyof ShownMeaning> {
  const { state, tests, contradictions, pairs, repair } = found;
  const course = state.suspects.slice(0, SHOWN.course).map(({ id }) => ({
    id: id ?? '',
    probabilities: state.course.map((each) => each.get(id ?? '') ?? 0),
  }));
  return {
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

function testShown({ planner }: Found, advice: Advice, entries: readonly Evidence[]): ShownTest {
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

function verdictShown(found: Found, entries: readonly Evidence[]): ShownVerdict {
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
