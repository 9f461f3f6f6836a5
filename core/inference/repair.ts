import type { Evidence, ReadingEvidence, StatementEvidence } from '../call/evidence';
import type { Diagram, SwitchPart } from '../diagram/diagram';
import { switchPosition } from '../diagram/setup';
import { switches, terminalRef } from '../diagram/terminal';
import { alike } from './alike';
import { isRepair, sinceRepair, type Repair } from './chapters';
import { HEALTHY } from './entryLikelihood';
import type { UnitPredictor } from './unitPredictor';

/** A moment of use in which the unit did wrong, and what is watched there. */
export interface Run {
  steps: string;
  subject: string;
}

/** A contact of a repaired switch in one of its positions. */
export interface Cell {
  part: string;
  contact: string;
  position: string;
}

/** What a repair has come to: proved by what the unit does since, and by every cell of a new switch. */
export type RepairStanding = { repairs: Repair[] } & (
  | { kind: 'proved' }
  | { kind: 'half-proved'; runs: Run[]; cells: Cell[] }
  /** The entry that shows it. */
  | { kind: 'still-there'; entry: string }
);

/** How the last repair stands; undefined where nothing was repaired. */
export function repairStanding(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
): RepairStanding | undefined {
  const since = sinceRepair(entries);
  if (since === 0) return undefined;
  const repairs = entries.filter(isRepair);
  const wrong = (entry: Evidence): entry is StatementEvidence =>
    entry.kind === 'statement' && !entry.jumper && !isRight(predictor, entry);
  const after = entries.slice(since);
  const runs: Run[] = [];
  for (const { steps, subject } of entries.slice(0, since).filter(wrong)) {
    const same = (each: Run): boolean => each.steps === steps && each.subject === subject;
    const now = after.findLast((each) => each.kind === 'statement' && !each.jumper && same(each));
    if (!now && !runs.some(same)) runs.push({ steps, subject });
  }
  const still = after.findLast(
    (each, i) => wrong(each) && !after.slice(i + 1).some((later) => isSameRun(each, later)),
  );
  if (still) return { kind: 'still-there', repairs, entry: still.id };
  const cells = repairs.flatMap((repair) => cellsToProve(predictor.diagram, repair, entries));
  return runs.length || cells.length
    ? { kind: 'half-proved', repairs, runs, cells }
    : { kind: 'proved', repairs };
}

const isSameRun = (one: StatementEvidence, two: Evidence): boolean =>
  two.kind === 'statement' && !two.jumper && two.steps === one.steps && two.subject === one.subject;

/** Whether a good unit does what is said. */
function isRight(
  predictor: UnitPredictor,
  { steps, subject, outcome }: StatementEvidence,
): boolean {
  const good = predictor.outcome(HEALTHY, steps, subject);
  return good === undefined || alike(good, outcome);
}

/** Cells of a repaired switch that were not read since, where a hand brings it there. */
function cellsToProve(
  diagram: Diagram,
  { part: id, act }: Repair,
  entries: readonly Evidence[],
): Cell[] {
  const part = switches(diagram).find((each) => each.id === id);
  if (!part || act === 'reset' || act === 'put-back') return [];
  const read = entries
    .slice(sinceRepair(entries, id))
    .filter((each): each is ReadingEvidence => each.kind === 'reading' && each.of === 'unit');
  return provedPositions(diagram, part).flatMap((position) =>
    part.contacts.flatMap(({ id: contact, between: [a, b] }) => {
      const ends = [terminalRef(id, a), terminalRef(id, b)];
      const known = read.some(
        ({ from, to, setup, shows }) =>
          shows.kind !== 'volts' &&
          ends.includes(from) &&
          ends.includes(to) &&
          switchPosition(setup, part) === position,
      );
      return known ? [] : [{ part: id, contact, position }];
    }),
  );
}

/** Positions that a switch is proved in: all that a hand moves its actuator to, and else the one it stands in. */
export function provedPositions(diagram: Diagram, part: SwitchPart): string[] {
  const actuator = diagram.actuators.find((each) => each.id === part.actuator);
  return actuator?.kind === 'hand' || actuator?.kind === 'momentary'
    ? actuator.positions.map((each) => each.id)
    : [part.free];
}
