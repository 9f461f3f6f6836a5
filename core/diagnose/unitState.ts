import { splitRef } from '../diagram/terminal';
import type { Diagram } from '../diagram/diagram';
import type { Evidence, ReadingEvidence } from './evidence';
import type { UnitHypothesis } from './unitHypotheses';
import type { UnitPredictor } from './unitPredictor';
import { weighEvidence } from './weighEvidence';

/** A replaceable thing with the probability of all its faults. */
export interface Suspect {
  /** Part, wire or supply; undefined for "nothing wrong here". */
  id: string | undefined;
  probability: number;
  /** Its likeliest fault. */
  leading: UnitHypothesis;
}

export type UnitVerdict =
  | { kind: 'named'; suspect: Suspect }
  /** Explanations that no test at hand tells apart any more. */
  | { kind: 'group'; suspects: Suspect[]; probability: number }
  | { kind: 'nothing-found'; probability: number }
  | { kind: 'open'; needs: 'test' | 'own-terminals' };

export interface UnitState {
  /** Probability of each hypothesis of the predictor. */
  probabilities: Float64Array;
  suspects: Suspect[];
  /** For each entry: how much it has raised or lowered each suspect, as a factor. */
  moved: Map<string, Map<string, number>>;
}

/** A suspect is named from this probability on. */
export const NAME_FROM = 0.95;

/** The same entry once more says little that is new: what was wrong with it may be so again. */
const AGAIN = 0.25;

/** Bayes' rule over all hypotheses of a unit, entry by entry. */
export function unitState(predictor: UnitPredictor, entries: readonly Evidence[]): UnitState {
  const { hypotheses } = predictor;
  const log = Float64Array.from(hypotheses, (each) => Math.log(each.prior));
  const touched = new Set<string>();
  const moved: UnitState['moved'] = new Map();
  const taken = new Set<string>();
  let before = suspectsOf(hypotheses, normalised(log));
  for (const entry of entries) {
    if (entry.kind === 'act') touched.add(entry.part);
    const same = JSON.stringify({ ...entry, id: '' });
    const weight = taken.has(same) ? AGAIN : 1;
    taken.add(same);
    for (let i = 0; i < log.length; i++)
      log[i] = (log[i] ?? 0) + weight * Math.log(weighEvidence(predictor, entry, i, touched));
    const after = suspectsOf(hypotheses, normalised(log));
    const change = new Map<string, number>();
    for (const { id, probability } of after) {
      const was = before.find((each) => each.id === id)?.probability ?? probability;
      change.set(id ?? '', probability / was);
    }
    moved.set(entry.id, change);
    before = after;
  }
  const probabilities = normalised(log);
  return { probabilities, suspects: suspectsOf(hypotheses, probabilities), moved };
}

function normalised(log: Float64Array): Float64Array {
  const top = log.reduce((most, each) => Math.max(most, each), -Infinity);
  const weights = log.map((each) => Math.exp(each - top));
  const total = weights.reduce((sum, each) => sum + each, 0);
  return weights.map((each) => each / total);
}

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

/** Whether both points of a reading are a suspect's own: of the part, or the two ends of the wire. */
export function isAtItself(
  diagram: Diagram,
  suspect: string,
  { from, to }: Pick<ReadingEvidence, 'from' | 'to'>,
): boolean {
  const wire = diagram.wires.find((each) => each.id === suspect);
  if (wire) {
    const ends = [wire.from, wire.to];
    return ends.includes(from) && ends.includes(to);
  }
  // A bracket has no terminals: it is read at the switches that it serves.
  const part = diagram.parts.find((each) => each.id === suspect);
  const places = part?.kind === 'hardware' ? part.serves : [suspect];
  return places.includes(splitRef(from).part) && places.includes(splitRef(to).part);
}

/** A reading speaks for a fault when it is this many times likelier with it than on a good unit. */
const SPEAKS = 3;

/** Whether a suspect was read at its own terminals, and the reading speaks for it. */
export function readAtItself(
  predictor: UnitPredictor,
  { id, leading }: Suspect,
  entries: readonly Evidence[],
): boolean {
  const index = predictor.hypotheses.indexOf(leading);
  return entries.some((entry) => {
    if (entry.kind !== 'reading' || entry.of === 'twin' || id === undefined) return false;
    if (!isAtItself(predictor.diagram, id, entry)) return false;
    const none = new Set<string>();
    const [with_, without] = [index, 0].map((i) => weighEvidence(predictor, entry, i, none));
    return (with_ ?? 0) >= SPEAKS * (without ?? 1);
  });
}
