import type { Diagram } from '../diagram/diagram';
import { partAt, splitRef } from '../diagram/terminal';
import { displayInterval } from '../meter/meter';
import {
  evidenceKey,
  placeKey,
  sinceRepair,
  type Evidence,
  type ReadingEvidence,
} from '../call/evidence';
import { provedByTwin } from './knownGoodUnit';
import { likelihood, slipShare } from './likelihood';
import type { UnitPredictor } from './unitPredictor';
import { readingsFor, type Suspect, type BeliefState } from './beliefState';
import { entryLikelihood } from './entryLikelihood';
import { otherPlaces, SLIPS, type SlipKind } from './slips';

/** A reading that fits a slip better than any fault: it is looked at again before anything is named. */
export interface SecondLook {
  entry: string;
  slip: SlipKind;
}

/** A reading that is at least this probable needs no second look. */
const EXPECTED = 0.1;
/** No reading is less probable by faults than this. */
const LEAST = 1e-6;
/** Explanations that a slip is weighed under. */
const WEIGHED = 24;
/** From this probability on a part is worth a number instead of a beep. */
const SUSPECTED = 0.05;

/** The reading that a slip explains best, if one explains any better than all faults do. */
export function secondLook(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
  { probabilities, suspects }: BeliefState,
): SecondLook | undefined {
  const said = entries.map(place);
  const since = sinceRepair(entries);
  const proved = provedByTwin(predictor, entries);
  let best: (SecondLook & { odds: number }) | undefined;
  entries.forEach((entry, i) => {
    // What was read before a repair is not read again as it was.
    if (i < since) return;
    if (entry.kind !== 'reading' || entry.of === 'twin' || entry.shows.kind === 'volts') return;
    // It was looked at again already.
    if (said.some((each, k) => k !== i && each === said[i])) return;
    // A good twin has shown that leads, setup and expectation are right there.
    if (proved(entry)) return;
    const beeped = entry.shows.kind === 'beep' && isHeaterContact(predictor.diagram, entry);
    const owner = splitRef(entry.from).part;
    const suspected = suspects.find((each) => each.id === owner)?.probability ?? 0;
    if (beeped && suspected >= SUSPECTED && !best)
      best = { entry: entry.id, slip: 'beeper', odds: 1 };
    const rest = without(predictor, entry, probabilities);
    const weights = entryLikelihood(predictor, entry);
    const asSaid = rest.reduce((sum, { index, share }) => sum + share * (weights[index] ?? 0), 0);
    if (asSaid >= EXPECTED) return;
    // What is left of it by faults alone.
    const slipped = slipShare(entry.shows, displayInterval(entry.shows, entry.taken));
    const byFaults = Math.max(LEAST, asSaid - slipped);
    const consider = (slip: SlipKind, fits: number): void => {
      // What would be shown by a slip anywhere speaks for none.
      const odds = (SLIPS[slip].often * Math.max(0, fits - slipped)) / byFaults;
      if (odds > 1 && odds > (best?.odds ?? 0)) best = { entry: entry.id, slip, odds };
    };
    for (const [slip, other] of otherReadings(predictor.diagram, entries, i))
      consider(
        slip,
        rest
          .slice(0, WEIGHED)
          .reduce(
            (sum, { index, share }) => sum + share * likelihoodAt(predictor, other, index),
            0,
          ),
      );
    // A lead in the wrong jack shows OL of anything, and a dial at volts 0 of anything that is dead.
    const { shows } = entry;
    if (shows.kind === 'over' || (shows.kind === 'ohms' && shows.ohms === 0)) consider('meter', 1);
  });
  return best && { entry: best.entry, slip: best.slip };
}

/** A suspect that only one reading speaks for is read once more before it is named. */
export function onceMore(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
  suspect: Suspect,
): SecondLook | undefined {
  const [only, more] = readingsFor(predictor, suspect, entries);
  if (only?.kind === 'measurement') return undefined;
  const firm = only?.shows.kind === 'unsteady' || only?.shows.kind === 'volts';
  if (!only || more || firm || provedByTwin(predictor, entries)(only)) return undefined;
  return { entry: only.id, slip: 'once' };
}

const place = (entry: Evidence): string =>
  entry.kind === 'reading' ? placeKey(entry) : evidenceKey(entry);

/** The probabilities as they were without one entry, the likeliest first. */
function without(
  predictor: UnitPredictor,
  entry: Evidence,
  probabilities: Float64Array,
): { index: number; share: number }[] {
  const weights = entryLikelihood(predictor, entry);
  const before = probabilities.map((each, i) => each / Math.max(1e-9, weights[i] ?? 1));
  const total = before.reduce((sum, each) => sum + each, 0);
  return [...before]
    .map((each, index) => ({ index, share: each / total }))
    .sort((a, b) => b.share - a.share);
}

function likelihoodAt(predictor: UnitPredictor, reading: ReadingEvidence, index: number): number {
  const { shows, setup, from, to, taken } = reading;
  if (shows.kind === 'volts') return 0;
  return likelihood(
    shows,
    displayInterval(shows, taken),
    predictor.ownOhms(setup, from, to)(index),
  );
}

/** Readings that this one may have been instead: elsewhere, in another state, or the one before. */
function otherReadings(
  diagram: Diagram,
  entries: readonly Evidence[],
  at: number,
): [SlipKind, ReadingEvidence][] {
  const entry = entries[at];
  if (entry?.kind !== 'reading') return [];
  const list = otherPlaces(diagram, entry);
  const before = entries.slice(0, at).findLast((each) => each.kind === 'reading');
  if (!before || list.length === 0) return list;
  const { from, to, setup } = entry;
  const again = evidenceKey({ ...before, from, to, setup }) === evidenceKey(entry);
  return again ? [...list, ['repeated', before]] : list;
}

function isHeaterContact(diagram: Diagram, { from, to }: ReadingEvidence): boolean {
  const [one, two] = [splitRef(from), splitRef(to)];
  const part = diagram.parts.find((each) => each.id === partAt(from));
  if (part?.kind !== 'switch' || partAt(to) !== part.id) return false;
  return part.contacts.some(
    ({ between, circuit }) =>
      circuit === 'heater' && between.includes(one.terminal) && between.includes(two.terminal),
  );
}
