import {
  evidenceKey,
  placeKey,
  sinceRepair,
  type Evidence,
  type ReadingEvidence,
} from '../call/evidence';
import { displayInterval } from '../meter/meter';
import { splitRef } from '../diagram/terminal';
import type { BeliefState, Misfit } from './beliefState';
import { nowOn, weightsOnPaths } from './chapters';
import { entryLikelihood } from './entryLikelihood';
import { broadShare } from './likelihood';
import type { UnitPredictor } from './unitPredictor';

/**
 * The world is always richer than the diagram: what it does not say makes this of an entry. Of a
 * statement, one of the handful of things that a load does; of volts, any. From memory.
 */
const BY_ANYTHING = { statement: 0.25, volts: 0.3, measurement: 0.5 };
/** An entry is surprising when "anything at all" explains it this many times better. */
const SURPRISING = 5;
/** What would have to be true for an entry has to make it at least this probable. */
const EXPLAINS = 0.3;

/**
 * A posterior predictive check: the firm entry that fits least under the explanation that is about to
 * be named, where "something that this diagram does not say" would make far more of it. An entry
 * whose place was read again, and showed something else then, is a slip and counts no more.
 * @param suspect whose explanations are asked, weighed by their probability; undefined for none wrong
 */
export function misfit(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
  { paths, shares }: BeliefState,
  suspect: string | undefined,
): Misfit | undefined {
  const { hypotheses } = predictor;
  const own = paths.map((path, i) =>
    hypotheses[nowOn(path)]?.suspect === suspect ? (shares[i] ?? 0) : 0,
  );
  const mass = own.reduce((sum, each) => sum + each, 0);
  const said = entries.map((entry, at) => `${sinceRepair(entries.slice(0, at))} ${placeOf(entry)}`);
  const times = entries.map((entry, at) => {
    const anything = byAnything(entry);
    if (anything === undefined || isOfBefore(entries, at)) return 0;
    const weights = weightsOnPaths(predictor, paths, entry, at);
    const fits = own.reduce((sum, share, i) => sum + share * (weights[i] ?? 0), 0) / mass;
    return anything / Math.max(1e-12, fits);
  });
  let least: { entry: Evidence; times: number; stands: boolean } | undefined;
  entries.forEach((entry, at) => {
    if ((times[at] ?? 0) <= (least?.times ?? SURPRISING)) return;
    const others = entries.filter((_, k) => k !== at && said[k] === said[at]);
    const stands = others.some((each) => evidenceKey(each) === evidenceKey(entry));
    if (others.length && !stands) return;
    // Taken in another way since, it showed what fits: that is what it is, and this was a slip.
    const other = entry.kind === 'reading' ? placeKey(otherWay(entry)) : undefined;
    const fits = entries.some(
      (each, k) =>
        k > at &&
        each.kind === 'reading' &&
        placeKey(each) === other &&
        (times[k] ?? 0) <= SURPRISING,
    );
    if (!fits) least = { entry, times: times[at] ?? 0, stands };
  });
  if (!least) return undefined;
  const weights = entryLikelihood(predictor, least.entry);
  let wouldTake: number | undefined;
  hypotheses.forEach(({ prior }, i) => {
    if ((weights[i] ?? 0) < EXPLAINS) return;
    if (wouldTake === undefined || prior > (hypotheses[wouldTake]?.prior ?? 0)) wouldTake = i;
  });
  return { entry: least.entry.id, wouldTake, stands: least.stands };
}

/** The same two points with the wires moved, or left alone where they were moved before. */
export const otherWay = (reading: ReadingEvidence): ReadingEvidence => ({
  ...reading,
  wiggle: !reading.wiggle,
});

/** Whether an entry was read at a part that was repaired since: it cannot be taken again. */
function isOfBefore(entries: readonly Evidence[], at: number): boolean {
  const entry = entries[at];
  if (entry?.kind !== 'reading') return false;
  return [entry.from, entry.to].some((ref) => sinceRepair(entries, splitRef(ref).part) > at);
}

/** Where an entry was taken: the same for what is read, watched or measured again. */
function placeOf(entry: Evidence): string {
  switch (entry.kind) {
    case 'reading':
      return placeKey(entry);
    case 'statement': {
      const { source, steps, subject, jumper } = entry;
      return ['statement', source, steps, subject, jumper?.join() ?? ''].join('|');
    }
    case 'measurement':
      return ['measurement', entry.actuator, entry.steps ?? '', entry.how].join('|');
    case 'look':
    case 'sight':
    case 'act':
      return evidenceKey(entry);
  }
}

/** What an entry is worth under no explanation at all; undefined for one that is not firm. */
function byAnything(entry: Evidence): number | undefined {
  switch (entry.kind) {
    case 'reading':
      if (entry.of === 'twin') return undefined;
      return entry.shows.kind === 'volts'
        ? BY_ANYTHING.volts
        : broadShare(entry.shows, displayInterval(entry.shows, entry.taken));
    case 'statement':
      return entry.source === 'seen' ? BY_ANYTHING.statement : undefined;
    case 'measurement':
      return entry.how === 'measured' ? BY_ANYTHING.measurement : undefined;
    case 'look':
    case 'sight':
    case 'act':
      return undefined;
  }
}
