import { complaintMap } from '../../core/inference/complaint';
import { asHypothesis, shownUnder, type ReadAt, type Shown } from '../../core/inference/shownUnder';
import { sayable, tellable } from '../../core/inference/tellable';
import { UnitPredictor } from '../../core/inference/unitPredictor';
import { linePaths } from '../../core/behaviour/linePath';
import { atRest } from '../../core/behaviour/machine';
import { standAfter } from '../../core/behaviour/run';
import { parseSteps } from '../../core/behaviour/step';
import { drawnShowing, showingOf, type Showing } from '../../core/drawing/showing';
import type { Diagram } from '../../core/diagram/diagram';
import { switches } from '../../core/diagram/terminal';
import { proofOf } from '../../core/plan/proof';
import { repairStanding } from '../../core/plan/repair';
import type { Fault } from '../../core/fault/fault';
import { ORDINARY_METER } from '../../core/meter/meter';
import { findable, type Findable } from '../../core/simulate/findable';
import type { UnitDiagnosis } from '../../core/plan/unitDiagnosis';
import type {
  SentQuestion,
  ShownComplaint,
  ShownFindings,
  WorkerAnswer,
  WorkerQuestion,
} from './diagnosis';
import { firstFindings, isFirst } from './firstAdvice';
import { meaningOf, shownFindings } from './shownFindings';
import { firstAdviceFor, unitOf, type Unit } from './unit';

/** Runs beside the page: suspects, verdict and next tests of one unit. */

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

/** From a press on a call to the question what comes first on it, at most: from memory. */
const SOON_MS = 500;

/** The unit that is worked with, and what comes next of its faults. */
let warming: string | undefined;

/** While nobody asks, one fault after the other is run whole, with room for a question between any two. */
function warmUp({ key, diagram }: WorkerQuestion): void {
  if (warming === key) return;
  warming = key;
  const next = async (): Promise<void> => {
    const unit = await unitOf(key, diagram);
    unit.diagnosis();
    if (warming === key && unit.warm()) setTimeout(() => void next());
  };
  setTimeout(() => void next());
}

/** Weighs what may be read next while the probes are on their way. */
function lookAhead(
  { key, diagram, entries }: Extract<WorkerQuestion, { ask: 'findings' | 'schools' }>,
  { tests }: ShownFindings,
): void {
  setTimeout(async () => {
    (await unitOf(key, diagram)).diagnosis().foresee(entries, tests[0]?.test);
  });
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
  if (question.ask === 'findings' && !question.found && isFirst(question.entries, question.way)) {
    const findings = firstFindings(await firstAdviceFor(key, diagram), question.entries);
    if (findings) {
      lookAhead(question, findings);
      return { number, kind: 'findings', findings };
    }
  }
  // Who presses on at once is answered with what was worked out before.
  if (question.ask === 'prepare' && (await firstAdviceFor(key, diagram)))
    await new Promise((on) => setTimeout(on, SOON_MS));
  const unit = await unitOf(key, diagram);
  if ('found' in question) unit.countFound(question.found);
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
    case 'repair':
      return { number, kind: 'repair', repair: repairStanding(unit.predictor, question.entries) };
    case 'lines':
      return { number, kind: 'lines', lines: linePaths(diagram, unit.runs.of([])) };
    case 'findable':
      return { number, kind: 'findable', findable: await allFound(diagnosis(), number) };
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
      const findings = shownFindings(made.advise(weighed, way), entries, meaning);
      lookAhead(question, findings);
      return { number, kind: 'findings', findings };
    }
  }
}

/** Works a call on every fault, with room for other questions between any two. */
async function allFound(diagnosis: UnitDiagnosis, number: number): Promise<Findable> {
  const working = findable(diagnosis);
  for (;;) {
    const next = working.next();
    if (next.done) return next.value;
    postMessage({ number, kind: 'progress', share: next.value } satisfies WorkerAnswer);
    await new Promise((on) => setTimeout(on));
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
