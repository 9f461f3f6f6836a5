import type { BeliefState } from '../inference/beliefState';
import { HEALTHY } from '../inference/entryLikelihood';
import { nameFrom, NAME_FROM } from '../inference/threshold';
import type { UnitPredictor } from '../inference/unitPredictor';

/** Explanations that are planned for: the likeliest that make up this much, and no more than so many. */
export const PLANNED = { share: 0.985, most: 60 };

/** Places of a decision: which hypotheses it has, and which suspects these are faults of. */
export interface Places {
  hypotheses: number[];
  suspectOf: Int16Array;
  suspects: (string | undefined)[];
}

/** What is planned for of all that is weighed. */
export function placesOf(
  { diagram, hypotheses: all }: UnitPredictor,
  { probabilities, suspects: standing }: BeliefState,
  planned = PLANNED,
): Places {
  // Where a protector leads, what may have opened it is planned for as well, however rare it is.
  const wanted = nameFrom(diagram, standing[0]?.id);
  const enough = Math.max(planned.share, wanted > NAME_FROM ? 1 - (1 - wanted) / 4 : 0);
  const inOrder = [...probabilities.keys()].sort(
    (a, b) => (probabilities[b] ?? 0) - (probabilities[a] ?? 0),
  );
  let share = 0;
  const hypotheses = inOrder.filter((index, i) => {
    const counts = share < enough && i < planned.most;
    share += probabilities[index] ?? 0;
    return counts;
  });
  if (!hypotheses.includes(HEALTHY)) hypotheses.push(HEALTHY);
  const suspects: (string | undefined)[] = [];
  const suspectOf = Int16Array.from(hypotheses, (index) => {
    const id = all[index]?.suspect;
    const known = suspects.indexOf(id);
    return known >= 0 ? known : suspects.push(id) - 1;
  });
  return { hypotheses, suspectOf, suspects };
}
