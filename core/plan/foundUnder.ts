import type { Diagram, Look } from '../diagram/diagram';
import { RELIABLE } from '../inference/entryLikelihood';
import type { UnitTest } from './unitTests';

/**
 * How often a look is found, or a question answered with yes, under each of some hypotheses; undefined for
 * a test whose outcome is what it is.
 * @param outcome what each foretells of it, as `predictedOutcome` has it
 */
export function foundUnder(
  looks: ReadonlyMap<string, Look>,
  test: UnitTest,
  outcome: Int8Array,
): Float64Array | undefined {
  const shares = (of: (each: number) => number): Float64Array =>
    Float64Array.from(outcome, (each) => of(each));
  switch (test.kind) {
    case 'look': {
      const look = looks.get(test.look);
      return look && shares((each) => (each ? look.found.with : look.found.without));
    }
    case 'ask':
      return shares((each) => (each < 0 ? 0.5 : each ? RELIABLE.told : 1 - RELIABLE.told));
    default:
      return undefined;
  }
}

export const looksOf = ({ looks = [] }: Diagram): ReadonlyMap<string, Look> =>
  new Map(looks.map((look) => [look.id, look]));
