import type { Diagram } from '../diagram/diagram';
import { effectOf, ownerOf, type Fault } from '../fault/fault';
import { UseRuns, type UseRun } from '../behaviour/useRuns';
import { faultPriors, NOTHING } from './priors';

/** One explanation of all that is known of a unit. */
export interface UnitHypothesis {
  /** Id of what would be replaced or put right; undefined where nothing in this diagram is wrong. */
  suspect: string | undefined;
  /** What went wrong by itself: one fault, or two where one alone explains badly, or which protector was slow. */
  causes: Fault[];
  /** The causes, and what they have opened for good: a blown fuse, a tripped breaker. */
  faults: Fault[];
  prior: number;
  /** What the unit does in its uses then. */
  uses: UseRun;
}

/** What is wrong by itself: which protector was slow is not. */
export const wrongIn = ({ causes }: UnitHypothesis): Fault[] =>
  causes.filter((each) => !effectOf(each, 'slow'));

/** Every single fault in its typical sizes with its weight, and "nothing wrong", with what each has opened for good. @param progress hears the share that is done */
export function unitHypotheses(
  diagram: Diagram,
  progress: (share: number) => void = () => undefined,
  runs = new UseRuns(diagram),
): UnitHypothesis[] {
  const list = faultPriors(diagram);
  return [
    { suspect: undefined, causes: [], faults: [], prior: NOTHING, uses: runs.of([]) },
    ...list.flatMap(({ suspect, fault, prior }, i) => {
      progress((i + 1) / list.length);
      const ways = racesOf(diagram, runs, fault);
      return ways.map(({ causes, share }) => {
        const uses = runs.of(causes);
        return {
          suspect,
          causes,
          faults: [...causes, ...consequencesOf(diagram, uses, causes)],
          prior: prior * share,
          uses,
        };
      });
    }),
  ];
}

/** How often the protector wins that by its rating comes first, where two race: from memory. */
const BY_RATING = 0.6;

/** What a fault comes to: where it shorts, with either of two protectors open and the other one whole. */
function racesOf(
  diagram: Diagram,
  runs: UseRuns,
  fault: Fault,
): { causes: Fault[]; share: number }[] {
  for (const id of runs.of([fault]).opened) {
    const part = diagram.parts.find((each) => each.id === id);
    const isFuse = part?.kind === 'protector' && part.protector === 'fuse';
    if (part && !isFuse) continue;
    const slow: Fault = part
      ? { mode: 'slow-fuse', part: id }
      : { mode: 'slow-breaker', supply: id };
    const { opened } = runs.of([fault, slow]);
    if (opened.size && !opened.has(id))
      return [
        { causes: [fault], share: BY_RATING },
        { causes: [fault, slow], share: 1 - BY_RATING },
      ];
  }
  return [{ causes: [fault], share: 1 }];
}

/** What a use has opened for good is found open beside its cause. */
export function consequencesOf(
  diagram: Diagram,
  { opened }: UseRun,
  causes: readonly Fault[],
): Fault[] {
  const own = causes.map(ownerOf);
  return diagram.parts.flatMap((part): Fault[] =>
    part.kind === 'protector' &&
    part.protector !== 'overload' &&
    opened.has(part.id) &&
    !own.includes(part.id)
      ? [{ mode: 'blown', part: part.id }]
      : [],
  );
}
