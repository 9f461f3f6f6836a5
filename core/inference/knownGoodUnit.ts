import { placeKey, type Evidence, type ReadingEvidence } from '../call/evidence';
import type { UnitPredictor } from './unitPredictor';
import { HEALTHY, entryLikelihood } from './entryLikelihood';

/** A good twin shows what was expected when that is at least this probable on a good unit. */
const AS_EXPECTED = 0.1;

/** Two readings at the same points in the same setup, on whichever unit. */
const sameTest = (one: ReadingEvidence, two: ReadingEvidence): boolean =>
  placeKey({ ...one, of: 'unit', wiggle: false }) ===
  placeKey({ ...two, of: 'unit', wiggle: false });

/** The latest reading of a good twin at each place, with what it shows of the expectation. */
function twins(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
): { reading: ReadingEvidence; asExpected: boolean }[] {
  const all = entries.flatMap((entry) =>
    entry.kind === 'reading' && entry.of === 'twin' ? [entry] : [],
  );
  return all
    .filter((each, i) => !all.slice(i + 1).some((later) => sameTest(each, later)))
    .map((reading) => ({
      reading,
      asExpected:
        (entryLikelihood(predictor, { ...reading, of: 'unit' })[HEALTHY] ?? 0) >= AS_EXPECTED,
    }));
}

/**
 * Whether a good twin, read in the same way, has shown what a good unit should: then meter, leads,
 * setup and expectation are right there (common practice).
 */
export function provedByTwin(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
): (reading: ReadingEvidence) => boolean {
  const good = twins(predictor, entries).filter((each) => each.asExpected);
  return (reading) => good.some((each) => sameTest(each.reading, reading));
}

/**
 * Readings of a good twin that are not what the diagram foretells of a good unit: leads, setup or the
 * diagram are wrong there, and what this unit shows there counts for nothing until it is settled.
 */
export function twinsOtherwise(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
): { twins: string[]; counted: Evidence[] } {
  const odd = twins(predictor, entries).filter((each) => !each.asExpected);
  return {
    twins: odd.map(({ reading }) => reading.id),
    counted: entries.filter(
      (entry) =>
        entry.kind !== 'reading' ||
        entry.of === 'twin' ||
        !odd.some(({ reading }) => sameTest(reading, entry)),
    ),
  };
}
