import { cellState } from '../../../core/diagram/contactTable';
import type { Diagram, SwitchPart } from '../../../core/diagram/diagram';
import { sayPosition } from '../../../core/diagram/setup';

const MARKS = { closed: '●', open: '○', either: '◐' };

/** Prints a contact table on a sheet of its own, with room for what was measured. */
export function printTable(diagram: Diagram, part: SwitchPart): void {
  const frame = document.createElement('iframe');
  frame.style.display = 'none';
  document.body.append(frame);
  const sheet = frame.contentDocument;
  if (!sheet) return;
  sheet.title = `${diagram.name}: ${part.name}`;
  const style = sheet.createElement('style');
  style.textContent =
    'body{font:12pt sans-serif}table{border-collapse:collapse}td,th{border:1px solid;padding:4pt;text-align:center}';
  sheet.head.append(style);
  const add = (to: HTMLElement, tag: string, text: string): HTMLElement => {
    const element = sheet.createElement(tag);
    element.textContent = text;
    to.append(element);
    return element;
  };
  add(sheet.body, 'h1', part.name);
  add(
    sheet.body,
    'p',
    `${diagram.name}. ● closed, ○ open, ◐ may be either; write what you read beside it.`,
  );
  const table = add(sheet.body, 'table', '');
  const head = add(table, 'tr', '');
  add(head, 'th', 'Position');
  for (const { between } of part.contacts) add(head, 'th', between.join('-'));
  for (const row of part.table.rows) {
    const line = add(table, 'tr', '');
    add(line, 'th', sayPosition(diagram, part.actuator, row.position));
    for (const { id } of part.contacts)
      add(line, 'td', `${MARKS[cellState(part, id, row.position)]} ____`);
  }
  frame.contentWindow?.print();
  frame.remove();
}
