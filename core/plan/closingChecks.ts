import { isOfOne, type Check, type Checked } from '../call/closingCheck';
import { isRepair, type Evidence } from '../call/evidence';
import { ledgerOf } from '../call/ledger';
import type { LogEntry } from '../call/record';
import { takenBack } from '../call/takenBack';
import type { Diagram, Energy, SwitchPart, TerminalRef } from '../diagram/diagram';
import { partAt, switches } from '../diagram/terminal';

/** A check that is due, and the last that was said of it since the last repair. */
export interface CheckDue {
  check: Check;
  of?: string;
  said?: Checked;
}

/** What each energy asks for: common practice; the maker's sheet and local codes go before it. */
const BY_ENERGY: Record<Energy, readonly Check[]> = {
  gas: ['gas-joints', 'flame', 'carbon-monoxide'],
  oil: ['flame', 'carbon-monoxide'],
  flue: ['draft'],
  microwaves: ['leakage'],
  water: ['hoses'],
  refrigerant: ['caps'],
  'stored-charge': ['capacitor'],
  'moving-air': ['airway'],
  ducts: ['temperature-rise'],
};

/**
 * What is checked before a unit is handed back, in the order in which it is done: cold first, then used, last a whole run with its covers on.
 * Due once something was repaired or taken off; of its safeties those that were touched, and those that the same thing moves.
 */
export function checksDue(
  diagram: Diagram,
  entries: readonly LogEntry[],
  evidence: readonly Evidence[],
): CheckDue[] {
  const ledger = ledgerOf(diagram, entries);
  const repaired = new Set(evidence.filter(isRepair).map(({ part }) => part));
  if (repaired.size === 0 && ledger.length === 0) return [];
  const touched = new Set([
    ...repaired,
    ...ledger.flatMap(({ what, of }) => {
      if (what === 'part') return [of];
      if (what !== 'wire' && what !== 'jumper') return [];
      return of.split(' ').flatMap((ref) => partAt(ref as TerminalRef) ?? []);
    }),
  ]);
  const all = switches(diagram);
  const moved = new Set(
    all.filter(({ id, actuator }) => touched.has(id) || repaired.has(actuator)).map(actuatorOf),
  );
  const kept = all.filter(({ safety, actuator }) => safety && moved.has(actuator));
  const doors = diagram.actuators.filter(
    (each) =>
      each.kind === 'hand' &&
      ['door', 'lid', 'drawer'].includes(each.shape) &&
      kept.some(({ actuator }) => actuator === each.id),
  );
  const cycled = all.filter(
    ({ id, actuator }) =>
      (repaired.has(id) || repaired.has(actuator)) &&
      diagram.actuators.some((each) => each.id === actuator && each.kind === 'quantity'),
  );
  const asked = [
    ...new Set((diagram.energies ?? []).flatMap((each) => BY_ENERGY[each])),
  ] satisfies Check[];
  const mains = diagram.supplies.some(({ kind }) =>
    ['mains', 'split-phase', 'wye-legs'].includes(kind),
  );
  const due: Pick<CheckDue, 'check' | 'of'>[] = [
    ...(mains && diagram.frame !== undefined ? [{ check: 'frame' as const }] : []),
    ...kept.map(({ id }) => ({ check: 'safety' as const, of: id })),
    ...doors.map(({ id }) => ({ check: 'corner' as const, of: id })),
    ...cycled.map(({ id }) => ({ check: 'cycles' as const, of: id })),
    ...asked.map((check) => ({ check })),
    { check: 'covers' },
    { check: 'run' },
  ];
  const since = saidSince(entries, evidence);
  return due.map((each) => {
    const said = since.findLast(
      ({ check, of }) => check === each.check && (!isOfOne(check) || of === each.of),
    );
    return { ...each, ...(said && { said }) };
  });
}

const actuatorOf = ({ actuator }: SwitchPart): string => actuator;

/** What was said of checks since the last repair: a later one asks for all of them anew. */
function saidSince(entries: readonly LogEntry[], evidence: readonly Evidence[]): Checked[] {
  const gone = takenBack(entries);
  const last = evidence.findLast(isRepair)?.id;
  const from = last === undefined ? 0 : entries.findIndex(({ id }) => id === last) + 1;
  return entries
    .slice(from)
    .flatMap(({ id, kind, body }) => (kind === 'checked' && !gone.has(id) ? [body] : []));
}
