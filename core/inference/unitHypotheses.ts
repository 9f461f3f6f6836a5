import type { Diagram, Part } from '../diagram/diagram';
import { effectOf, ownerOf, type Fault } from '../fault/fault';
import { weightedFaults } from '../fault/faultList';
import { loopsOf } from '../diagram/loop';
import { isMillivolts } from '../diagram/millivolts';
import { loopSuspect } from '../fault/place';
import { UseRuns, type UseRun } from '../behaviour/useRuns';

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

/** Nothing wrong in this unit: a customer's error, the house, another branch. From memory. */
const NOTHING = 0.05;

/** Weights of whole parts where the diagram has none: common practice, no source. */
const PART_WEIGHT: Record<Part['kind'] | 'supply' | 'wire' | 'quantity' | 'loop', number> = {
  switch: 1,
  load: 1,
  protector: 1,
  board: 1,
  connection: 0.3,
  hardware: 0.6,
  supply: 0.6,
  wire: 0.12,
  quantity: 1,
  loop: 2,
};

/** A low-voltage string has volts to spare, and is seldom worn as a whole. From memory. */
const STRING_WEIGHT = 0.5;

/** Every single fault in its typical sizes with its weight, and "nothing wrong", with what each has opened for good. @param progress hears the share that is done */
export function unitHypotheses(
  diagram: Diagram,
  progress: (share: number) => void = () => undefined,
  runs = new UseRuns(diagram),
): UnitHypothesis[] {
  const list = weightedFaults(diagram)
    .filter((each) => each.shows !== 'alone')
    .map(({ suspect, fault, share }) => ({
      suspect,
      fault,
      weight: wholeWeight(diagram, suspect) * share,
    }));
  const total = list.reduce((sum, each) => sum + each.weight, 0);
  return [
    { suspect: undefined, causes: [], faults: [], prior: NOTHING, uses: runs.of([]) },
    ...list.flatMap(({ suspect, fault, weight }, i) => {
      progress((i + 1) / list.length);
      const ways = racesOf(diagram, runs, fault);
      return ways.map(({ causes, share }) => {
        const uses = runs.of(causes);
        return {
          suspect,
          causes,
          faults: [...causes, ...consequencesOf(diagram, uses, causes)],
          prior: ((1 - NOTHING) * weight * share) / total,
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

/** How often a part, supply, wire or quantity fails at all, beside others. */
function wholeWeight(diagram: Diagram, suspect: string): number {
  const part = diagram.parts.find((each) => each.id === suspect);
  if (part) return part.prior?.weight ?? PART_WEIGHT[part.kind];
  const quantity = diagram.actuators.find((each) => each.id === suspect);
  if (quantity?.kind === 'quantity')
    return (
      (quantity.conditions ?? []).reduce((sum, { prior }) => sum + (prior?.weight ?? 0), 0) ||
      PART_WEIGHT.quantity
    );
  const source = diagram.supplies.find((each) => each.id === suspect);
  if (source?.prior) return source.prior.weight;
  const loop = loopsOf(diagram).find(({ source: { id } }) => loopSuspect(id) === suspect);
  if (loop) return isMillivolts(loop.circuit) ? PART_WEIGHT.loop : STRING_WEIGHT;
  return PART_WEIGHT[source ? 'supply' : 'wire'];
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
