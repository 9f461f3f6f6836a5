import { evidenceKey, type Evidence } from '../../core/call/evidence';
import { complaintMap } from '../../core/inference/complaint';
import type { UnitDiagnosis } from '../../core/plan/unitDiagnosis';
import { BESIDE_THE_OWNER, type WayOfWorking } from '../../core/plan/wayOfWorking';
import type { ShownFindings } from './diagnosis';
import { shownFindings } from './shownFindings';

/** What is found on a unit of which nothing more is known than its complaint, or nothing at all: by the key of the entry. */
export type FirstAdvice = Readonly<Record<string, ShownFindings>>;

/** Stands for the id of the entry that it will be. */
const ENTRY = '$entry';

/** Works out what comes first, for each complaint that the unit can be made to cause, as a customer tells it. */
export function firstAdviceOf(diagnosis: UnitDiagnosis): FirstAdvice {
  const told = complaintMap(diagnosis.predictor).complaints.map(({ statement }): Evidence => ({
    ...statement,
    id: ENTRY,
    source: 'told',
  }));
  return Object.fromEntries(
    [[], ...told.map((each) => [each])].map((entries) => [
      keyOf(entries),
      shownFindings(diagnosis.of(entries, BESIDE_THE_OWNER), entries),
    ]),
  );
}

/** Whether nothing more is known than a complaint, and the work is done as the app begins. */
export function isFirst(
  entries: readonly Evidence[],
  { refusals = [], minutesLeft, ...way }: WayOfWorking,
): boolean {
  const usual = Object.entries(BESIDE_THE_OWNER).every(
    ([key, value]) => way[key as keyof typeof way] === value,
  );
  return usual && !refusals.length && minutesLeft === undefined && entries.length < 2;
}

/** What comes first, as it was worked out before; undefined of what no fault of the unit is noticed by. */
export function firstFindings(
  first: FirstAdvice | undefined,
  entries: readonly Evidence[],
): ShownFindings | undefined {
  const found = first?.[keyOf(entries)];
  const [entry] = entries;
  if (!found || !entry) return found;
  return JSON.parse(JSON.stringify(found).replaceAll(ENTRY, entry.id)) as ShownFindings;
}

const keyOf = ([entry]: readonly Evidence[]): string => (entry ? evidenceKey(entry) : '');
