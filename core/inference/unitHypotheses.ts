import type { Diagram, Part } from '../diagram/diagram';
import { ownerOf, type Fault } from '../fault/fault';
import { weightedFaults } from '../fault/faultList';
import { UseRuns, type UseRun } from '../behaviour/useRuns';

/** One explanation of all that is known of a unit. */
export interface UnitHypothesis {
  /** Id of what would be replaced or put right; undefined where nothing in this diagram is wrong. */
  suspect: string | undefined;
  /** What went wrong by itself: one fault, or two where one alone explains badly. */
  causes: Fault[];
  /** The causes, and what they have opened for good: a blown fuse, a tripped breaker. */
  faults: Fault[];
  prior: number;
  /** What the unit does in its uses then. */
  uses: UseRun;
}

/** Nothing wrong in this unit: a customer's error, the house, another branch. From memory. */
const NOTHING = 0.05;

/** Weights of whole parts where the diagram has none: common practice, no source. */
const PART_WEIGHT: Record<Part['kind'] | 'supply' | 'wire', number> = {
  switch: 1,
  load: 1,
  protector: 1,
  board: 1,
  connection: 0.3,
  hardware: 0.6,
  supply: 0.6,
  wire: 0.12,
};

/** Every single fault in its typical sizes with its weight, and "nothing wrong", with what each has opened for good. @param progress hears the share that is done */
export function unitHypotheses(
  diagram: Diagram,
  progress: (share: number) => void = () => undefined,
): UnitHypothesis[] {
  const list = weightedFaults(diagram)
    .filter((each) => !each.alone)
    .map(({ suspect, fault, share }) => ({
      suspect,
      fault,
      weight: wholeWeight(diagram, suspect) * share,
    }));
  const total = list.reduce((sum, each) => sum + each.weight, 0);
  const runs = new UseRuns(diagram);
  return [
    { suspect: undefined, causes: [], faults: [], prior: NOTHING, uses: runs.of([]) },
    ...list.map(({ suspect, fault, weight }, i) => {
      const uses = runs.of([fault]);
      progress((i + 1) / list.length);
      const caused = consequencesOf(diagram, uses, [fault]);
      return {
        suspect,
        causes: [fault],
        faults: [fault, ...caused],
        prior: ((1 - NOTHING) * weight) / total,
        uses,
      };
    }),
  ];
}

/** How often a part, supply or wire fails at all, beside others. */
function wholeWeight(diagram: Diagram, suspect: string): number {
  const part = diagram.parts.find((each) => each.id === suspect);
  if (part) return part.prior?.weight ?? PART_WEIGHT[part.kind];
  const supply = diagram.supplies.some((each) => each.id === suspect);
  return PART_WEIGHT[supply ? 'supply' : 'wire'];
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
