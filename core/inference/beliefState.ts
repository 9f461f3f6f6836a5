import { loopsOf } from '../diagram/loop';
import { partAt, terminalAt } from '../diagram/terminal';
import { loopSuspect } from '../fault/place';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import {
  evidenceKey,
  isRepair,
  sinceRepair,
  type Evidence,
  type MeasurementEvidence,
  type ReadingEvidence,
} from '../call/evidence';
import type { UnitHypothesis } from './unitHypotheses';
import type { UnitPredictor } from './unitPredictor';
import { HEALTHY, entryLikelihood } from './entryLikelihood';
import { clampedLoad } from '../diagram/clampedLoad';
import { posterior } from './posterior';
import { Chapters, nowOn, pathsOf, type Path } from './chapters';

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
  /** What was wrong is put right, as far as is known (`plan/repair.ts` says what is missing to prove it). */
  | { kind: 'repaired' }
  | {
      kind: 'open';
      needs: 'test' | 'own-terminals' | 'second-look' | 'another-way' | 'set-points' | 'quantity';
    }
  /** What is known does not go together: nothing is named. */
  | { kind: 'surprise'; misfit: Misfit };

export interface BeliefState {
  /** Probability of each hypothesis of the predictor to be what is wrong now. */
  probabilities: Float64Array;
  suspects: Suspect[];
  /** How each explanation went through the call; as many as hypotheses until something was repaired. */
  paths: readonly Path[];
  /** Probability of each path. */
  shares: Float64Array;
  /** For each entry: how much it has raised or lowered each suspect, as a factor. */
  moved: Map<string, Map<string, number>>;
  /** Probability of each suspect before any entry and after each; "" for nothing wrong. */
  course: Map<string, number>[];
}

/** The same entry once more says little that is new: what was wrong with it may be so again. */
const AGAIN = 0.25;

/** A part that somebody has tapped, reset, cleaned or reseated may be cured for now. */
const CURED = 0.5;

/** Bayes' rule over all hypotheses of a unit, entry by entry, through every chapter of its repairs. */
export function beliefState(predictor: UnitPredictor, entries: readonly Evidence[]): BeliefState {
  const { hypotheses } = predictor;
  const chapters = entries.some(isRepair) ? new Chapters(predictor) : undefined;
  let paths: readonly Path[] = pathsOf(hypotheses);
  const touched = new Set<string>();
  const moved: BeliefState['moved'] = new Map();
  const taken = new Set<string>();
  let now = standing(hypotheses, paths);
  const course = [chances(now.suspects)];
  entries.forEach((entry, at) => {
    if (entry.kind === 'act') touched.add(entry.part);
    if (isRepair(entry) && chapters) {
      touched.delete(entry.part);
      taken.clear();
      paths = chapters.after(paths, entry, at + 1);
    }
    const weights = entryLikelihood(predictor, entry);
    const same = saysTheSame(entry, weights);
    const share = taken.has(same) ? AGAIN : 1;
    taken.add(same);
    const cured = weights[HEALTHY] ?? 1;
    paths = paths.map((path) => {
      const place = nowOn(path);
      const own = weights[place] ?? 1;
      const suspect = hypotheses[place]?.suspect;
      const may = suspect !== undefined && touched.has(suspect);
      const weight = may ? (1 - CURED) * own + CURED * cured : own;
      return { states: path.states, log: path.log + share * Math.log(weight) };
    });
    if (chapters) paths = chapters.afterUse(paths, entry, at + 1);
    const after = standing(hypotheses, paths);
    const [was, is] = [chances(now.suspects), chances(after.suspects)];
    course.push(is);
    moved.set(entry.id, new Map([...is].map(([id, each]) => [id, each / (was.get(id) ?? each)])));
    now = after;
  });
  return { ...now, paths, moved, course };
}

/** What is wrong now, by the paths that lead here. */
function standing(
  hypotheses: readonly UnitHypothesis[],
  paths: readonly Path[],
): Pick<BeliefState, 'probabilities' | 'suspects' | 'shares'> {
  const shares = posterior(Float64Array.from(paths, ({ log }) => log));
  const probabilities = new Float64Array(hypotheses.length);
  paths.forEach((path, i) => {
    const place = nowOn(path);
    probabilities[place] = (probabilities[place] ?? 0) + (shares[i] ?? 0);
  });
  return { shares, probabilities, suspects: suspectsOf(hypotheses, probabilities) };
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
  const [one, two] = [partAt(from), partAt(to)];
  const [start, end] = [terminalAt(from), terminalAt(to)];
  const at = diagram.wires.flatMap((wire) =>
    (wire.from === start && wire.to === end) || (wire.from === end && wire.to === start)
      ? [wire.id]
      : [],
  );
  if (one === undefined || two === undefined) return at;
  if (one === two) {
    at.push(one);
    // A loop is read at each of its contacts.
    for (const { source, contacts } of loopsOf(diagram))
      if (contacts.some(({ part }) => part.id === one)) at.push(loopSuspect(source.id));
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
  // What was read of a part before it was repaired says nothing of it any more.
  return entries.slice(sinceRepair(entries, id)).flatMap((entry) => {
    if (id === undefined) return [];
    if (entry.kind === 'measurement') {
      // No current in a load may be anybody's fault: a clamp is not a reading at the load itself.
      if (entry.actuator !== id || entry.how !== 'measured') return [];
      if (clampedLoad(predictor.diagram, id)) return [];
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
