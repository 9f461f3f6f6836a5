import Papa from 'papaparse';
import type { Diagram } from '../core/diagram/diagram';
import { terminalsNamed } from '../core/diagram/cellWords';
import { positionsOf } from '../core/diagram/setup';
import { switches } from '../core/diagram/terminal';
import { changeSwitch } from '../core/draft/changePart';
import { addContact, addPosition, removePosition } from '../core/draft/editTable';
import { idOf, pairsIn } from '../core/draft/findPlace';
import { fail, ok, type Result } from '../core/result';
import { readTableCsv } from './contactTableCsv';
import { csvLines } from './csvLines';
import type { InputFault } from './problem';

/** What people call the two sides of a set point. */
const SIDES: Readonly<Record<string, string>> = {
  cold: 'below',
  cool: 'below',
  low: 'below',
  hot: 'above',
  warm: 'above',
  high: 'above',
};

/**
 * Takes a table from a sheet into a draft: contacts and positions that the switch lacks are added, and positions that the
 * table does not have go, where its control moves nothing else. Refused whole, with the line and the field of what is wrong.
 */
export function pasteTable(
  draft: Diagram,
  id: string,
  text: string,
): Result<Diagram, InputFault[]> {
  const { rows, faults } = csvLines(text);
  const [header, ...body] = rows;
  if (faults.length || !header)
    return fail(
      faults.length ? faults : [{ path: '', line: 1, column: 1, message: 'the table is empty' }],
    );
  const pairs = header.fields.slice(1).map((name) => pairOf(name.trim()));
  const unread = pairs.flatMap((pair, i): InputFault[] =>
    pair
      ? []
      : [
          {
            path: '',
            line: header.line,
            column: i + 2,
            message: `"${header.fields[i + 1]?.trim() ?? ''}" is not two terminals; write A-C`,
          },
        ],
  );
  if (unread.length) return fail(unread);
  let shaped = draft;
  const part = () => switches(shaped).find((each) => each.id === id);
  for (const pair of pairs) {
    const has = part()?.contacts.some(({ between: [a, b] }) =>
      [
        [a, b],
        [b, a],
      ].some(([x, y]) => x === pair?.[0] && y === pair?.[1]),
    );
    if (pair && !has) shaped = addContact(shaped, id, pair);
  }
  const named = body.map(({ fields }) => {
    const typed = (fields[0] ?? '').trim();
    const known = positionNamed(shaped, id, typed);
    if (known !== undefined || !typed) return known ?? '';
    shaped = addPosition(shaped, part()?.actuator ?? '', typed);
    return positionNamed(shaped, id, typed) ?? typed;
  });
  shaped = withoutOthers(shaped, id, named);
  const target = part();
  if (!target) return fail([{ path: '', message: `there is no switch "${id}"` }]);
  const written = Papa.unparse([
    ['position', ...pairs.map((pair) => pair?.join('-') ?? '')],
    ...body.map(({ fields }, i) => [named[i] ?? '', ...fields.slice(1)]),
  ]);
  const read = readTableCsv(shaped, target, written);
  if (!read.ok)
    return fail(
      read.error.map((each) => ({
        ...each,
        line: rows[(each.line ?? 1) - 1]?.line ?? each.line ?? 1,
      })),
    );
  const table = { ...read.value, known: 'sheet' as const };
  return ok(changeSwitch(shaped, id, (each) => ({ ...each, table })));
}

/** The same for rows that are cells already. */
export const pasteRows = (
  draft: Diagram,
  id: string,
  rows: readonly string[][],
): Result<Diagram, InputFault[]> => pasteTable(draft, id, Papa.unparse([...rows]));

/** Two terminals with what spreadsheets put between them. */
function pairOf(name: string): [string, string] | undefined {
  const plain = terminalsNamed(name).join('-');
  return pairsIn(plain).find((pair) => pair.every((each) => /^[A-Za-z0-9_+]{1,40}$/.test(each)));
}

/** A position by its id, or as it is said: "COOL DOWN" is "timer at COOL DOWN" too. */
function positionNamed(draft: Diagram, id: string, typed: string): string | undefined {
  const part = switches(draft).find((each) => each.id === id);
  const actuator = draft.actuators.find((each) => each.id === part?.actuator);
  if (!part || !actuator) return undefined;
  const key = idOf(typed);
  if (actuator.kind === 'quantity')
    return positionsOf(draft, part).find((each) => each === (SIDES[key] ?? key));
  const of = (test: (name: string) => boolean) =>
    actuator.positions.find((each) => test(idOf(each.id)) || test(idOf(each.name)))?.id;
  return of((name) => name === key) ?? of((name) => name.endsWith(`-${key}`));
}

/** Without positions that the table does not have, as long as nothing else is moved by the same control. */
function withoutOthers(draft: Diagram, id: string, named: readonly string[]): Diagram {
  const part = switches(draft).find((each) => each.id === id);
  if (!part) return draft;
  const alone = switches(draft).every((each) => each === part || each.actuator !== part.actuator);
  if (!alone) return draft;
  return positionsOf(draft, part)
    .filter((each) => !named.includes(each))
    .reduce((less, each) => removePosition(less, part.actuator, each), draft);
}
