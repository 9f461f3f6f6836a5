import Papa from 'papaparse';
import { cellStateOf, terminalsNamed } from '../core/diagram/cellWords';
import { cellState } from '../core/diagram/contactTable';
import type { Contact, ContactTable, Diagram, SwitchPart, TableRow } from '../core/diagram/diagram';
import { positionsOf } from '../core/diagram/setup';
import { fail, ok, type Result } from '../core/result';
import { csvLines } from './csvLines';
import type { InputFault } from './problem';

/** A contact table as CSV: first column the position, then one column for each terminal pair. */
export function writeTableCsv(diagram: Diagram, part: SwitchPart): string {
  const header = ['position', ...part.contacts.map((each) => each.between.join('-'))];
  const rows = positionsOf(diagram, part).map((position) => [
    position,
    ...part.contacts.map((each) => cellState(part, each.id, position)),
  ]);
  return Papa.unparse([header, ...rows], { newline: '\n' }) + '\n';
}

/**
 * Reads a table for a switch that the diagram has. Its columns and rows must be the switch's own
 * contacts and positions, in any order. Refused whole; `column` counts the fields of the line.
 */
export function readTableCsv(
  diagram: Diagram,
  part: SwitchPart,
  text: string,
): Result<ContactTable, InputFault[]> {
  const { rows, faults: broken } = csvLines(text);
  if (broken.length) return fail(broken);
  const [header, ...body] = rows;
  if (!header) return fail([{ path: '', line: 1, column: 1, message: 'the file is empty' }]);
  const faults: InputFault[] = [];
  const columns = header.fields.slice(1).map((name, i) => {
    const contact = contactNamed(part, name);
    const known = part.contacts.map((each) => each.between.join('-')).join(', ');
    if (!contact) {
      faults.push({
        path: '',
        line: header.line,
        column: i + 2,
        message: `"${name}" is not a contact of ${part.name}; it has ${known}`,
      });
    }
    return contact;
  });
  for (const contact of part.contacts) {
    const times = columns.filter((each) => each === contact).length;
    if (times === 1) continue;
    const name = contact.between.join('-');
    faults.push({
      path: '',
      line: header.line,
      column: 1,
      message: times ? `column ${name} is there ${times} times` : `column ${name} is missing`,
    });
  }
  const positions = positionsOf(diagram, part);
  const table: TableRow[] = [];
  for (const { fields, line } of body) {
    const position = (fields[0] ?? '').trim();
    if (!positions.includes(position)) {
      faults.push({
        path: '',
        line,
        column: 1,
        message: `"${position}" is not a position; known: ${positions.join(', ')}`,
      });
      continue;
    }
    if (table.some((row) => row.position === position)) {
      faults.push({ path: '', line, column: 1, message: `position "${position}" is there twice` });
    }
    if (fields.length !== header.fields.length) {
      faults.push({
        path: '',
        line,
        column: fields.length,
        message: `${fields.length} fields, the first line has ${header.fields.length}`,
      });
    }
    const row: TableRow = { position, closed: [] };
    columns.forEach((contact, i) => {
      const word = (fields[i + 1] ?? '').trim();
      const state = cellStateOf(word);
      if (!state) {
        faults.push({
          path: '',
          line,
          column: i + 2,
          message: `"${word}" is neither closed nor open; write closed, open or either`,
        });
      } else if (contact && state === 'closed') row.closed.push(contact.id);
      else if (contact && state === 'either') row.either = [...(row.either ?? []), contact.id];
    });
    table.push(row);
  }
  for (const position of positions) {
    if (!table.some((row) => row.position === position)) {
      faults.push({
        path: '',
        line: (body.at(-1)?.line ?? header.line) + 1,
        column: 1,
        message: `position "${position}" is missing`,
      });
    }
  }
  if (faults.length) return fail(faults);
  const inOrder = positions.flatMap((position) => table.filter((row) => row.position === position));
  return ok({ known: part.table.known, rows: inOrder });
}

/** A pair in either order, with the separators that spreadsheets come with. */
function contactNamed(part: SwitchPart, name: string): Contact | undefined {
  const wanted = terminalsNamed(name.toLowerCase());
  return part.contacts.find(({ between: [a, b] }) => {
    const ends = [a.toLowerCase(), b.toLowerCase()];
    return wanted.length === 2 && ends.every((end) => wanted.includes(end));
  });
}
