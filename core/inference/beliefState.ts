import { contactsInLoop } from '../diagram/millivolts';
import { splitRef } from '../diagram/terminal';
import { loopSuspect } from '../fault/place';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import {
  evidenceKey,
  type Evidence,
  type MeasurementEvidence,
  type ReadingEvidence,
} from '../call/evidence';
import type { UnitHypothesis } from './unitHypotheses';
import type { UnitPredictor } from './unitPredictor';
import { HEALTHY, entryLikelihood } from './entryLikelihood';
import { posterior } from './posterior';

/** A replaceable thing with the probability of all its faults. */
export interface Suspect {
  /** Part, wire or supply; undefined for "nothing wrong here". */
  id: string | undefined;
  probability: number;
  /** Its likeliest fault. */
  leading: UnitHypothesis;
}

/** An entry that the best explanation of all entries makes hardly plausible (`surprise.ts`). */
export interface Misfit {
  entry: string;
  /** Place of the hypothesis that would make it plausible: what would have to be true for it. */
  wouldTake: number | undefined;
  /** It was taken again, and shows the same. */
  stands: boolean;
}

export type UnitVerdict =
  | { kind: 'named'; suspect: Suspect }
  /** Explanations that no test at hand tells apart any more. */
  | { kind: 'group'; suspects: Suspect[]; probability: number }
  | { kind: 'nothing-found'; probability: number }
  | { kind: 'open'; needs: 'test' | 'own-terminals' | 'second-look' | 'set-points' | 'quantity' }
  /** What is known does not go together: nothing is named. */
  | { kind: 'surprise'; misfit: Misfit };

export interface BeliefState {
  /** Probability of each hypothesis of the predictor. */
  probabilities: Float64Array;
  suspects: Suspect[];
  /** For each entry: how much it has raised or lowered each suspect, as a factor. */
  moved: Map<string, Map<string, number>>;
  /** Probability of each suspect before any entry and after each; "" for nothing wrong. */
  course: Map<string, number>[];
}

/** The same entry once more says little that is new: what was wrong with it may be so again. */
const AGAIN = 0.25;

/** A part that somebody has tapped, reset, cleaned or reseated may be cured for now. */
const CURED = 0.5;

/** Bayes' rule over all hypotheses of a unit, entry by entry. */
export function beliefState(predictor: UnitPredictor, entries: readonly Evidence[]): BeliefState {
  const { hypotheses } = predictor;
  const log = Float64Array.from(hypotheses, (each) => Math.log(each.prior));
  const touched = new Set<string>();
  const moved: BeliefState['moved'] = new Map();
  const taken = new Set<string>();
  let before = suspectsOf(hypotheses, posterior(log));
  const course = [chances(before)];
  for (const entry of entries) {
    if (entry.kind === 'act') touched.add(entry.part);
    const weights = entryLikelihood(predictor, entry);
    const same = saysTheSame(entry, weights);
    const share = taken.has(same) ? AGAIN : 1;
    taken.add(same);
    const cured = weights[HEALTHY] ?? 1;
    hypotheses.forEach(({ suspect }, i) => {
      const own = weights[i] ?? 1;
      const may = suspect !== undefined && touched.has(suspect);
      log[i] = (log[i] ?? 0) + share * Math.log(may ? (1 - CURED) * own + CURED * cured : own);
    });
    const after = suspectsOf(hypotheses, posterior(log));
    const was = chances(before);
    const now = chances(after);
    course.push(now);
    moved.set(entry.id, new Map([...now].map(([id, each]) => [id, each / (was.get(id) ?? each)])));
    before = after;
  }
  const probabilities = posterior(log);
  return { probabilities, suspects: suspectsOf(hypotheses, probabilities), moved, course };
}

/**
 * What says the same twice counts once: an entry that was made twice, and two things that are noticed of one
 * moment where the same explanations make both.
 */
function saysTheSame(entry: Evidence, weights: Float64Array): string {
  if (entry.kind !== 'statement') return evidenceKey(entry);
  const most = weights.reduce((top, each) => Math.max(top, each), 0);
  const makes = Array.from(weights, (each) => (each > most / 2 ? '1' : '0')).join('');
  return ['statement', entry.steps, entry.jumper?.join() ?? '', makes].join('|');
}

const chances = (suspects: readonly Suspect[]): Map<string, number> =>
  new Map(suspects.map(({ id, probability }) => [id ?? '', probability]));

export function suspectsOf(
  hypotheses: readonly UnitHypothesis[],
  probabilities: Float64Array,
): Suspect[] {
  const byId = new Map<string | undefined, Suspect & { most: number }>();
  hypotheses.forEach((hypothesis, i) => {
    const probability = probabilities[i] ?? 0;
    const known = byId.get(hypothesis.suspect);
    if (!known) {
      byId.set(hypothesis.suspect, {
        id: hypothesis.suspect,
        probability,
        leading: hypothesis,
        most: probability,
      });
      return;
    }
    known.probability += probability;
    if (probability > known.most) {
      known.most = probability;
      known.leading = hypothesis;
    }
  });
  return [...byId.values()]
    .map(({ id, probability, leading }) => ({ id, probability, leading }))
    .sort((a, b) => b.probability - a.probability);
}

/** Suspects that a pair of points is at: of one part, of the hardware it is moved by, a whole wire. */
export function atItself(diagram: Diagram, from: TerminalRef, to: TerminalRef): string[] {
  const [one, two] = [splitRef(from).part, splitRef(to).part];
  const at = diagram.wires.flatMap((wire) =>
    (wire.from === from && wire.to === to) || (wire.from === to && wire.to === from)
      ? [wire.id]
      : [],
  );
  if (one === two) {
    at.push(one);
    // A loop of millivolts is read at each of its contacts.
    for (const { id } of diagram.supplies)
      if (contactsInLoop(diagram, id).some(({ part }) => part.id === one)) at.push(loopSuspect(id));
  }
  for (const part of diagram.parts) {
    const { kind } = part;
    // A bracket has no terminals: it is read at the switches that it serves.
    if (kind === 'hardware' && part.serves.includes(one) && part.serves.includes(two))
      at.push(part.id);
  }
  return at;
}

/** A reading speaks for a fault when it is this many times likelier with it than on a good unit. */
const SPEAKS = 3;

/** Readings at a suspect's own terminals, or of a suspected quantity itself, that speak for it. */
export function readingsFor(
  predictor: UnitPredictor,
  { id, leading }: Suspect,
  entries: readonly Evidence[],
): (ReadingEvidence | MeasurementEvidence)[] {
  const index = predictor.hypotheses.indexOf(leading);
  return entries.flatMap((entry) => {
    if (id === undefined) return [];
    if (entry.kind === 'measurement') {
      if (entry.actuator !== id || entry.how !== 'measured') return [];
    } else {
      if (entry.kind !== 'reading' || entry.of === 'twin') return [];
      if (!atItself(predictor.diagram, entry.from, entry.to).includes(id)) return [];
    }
    const weights = entryLikelihood(predictor, entry);
    return (weights[index] ?? 0) >= SPEAKS * (weights[HEALTHY] ?? 1) ? [entry] : [];
  });
}

/** Whether a suspect was read at its own terminals, and the reading speaks for it. */
export const readAtItself = (
  predictor: UnitPredictor,
  suspect: Suspect,
  entries: readonly Evidence[],
): boolean => readingsFor(predictor, suspect, entries).length > 0;
