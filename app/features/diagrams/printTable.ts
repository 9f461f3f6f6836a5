import { cellState } from '../../../core/diagram/contactTable';
import type { Diagram, SwitchPart } from '../../../core/diagram/diagram';
import { sayPosition } from '../../../core/describe/position';

const MARKS = { closed: '●', open: '○', either: '◐' };
const STYLE =
  'body{font:12pt sans-serif}table{border-collapse:collapse}td,th{border:1px solid;padding:4pt;text-align:center}';

/** Prints a contact table on a sheet of its own, which goes when the print is over. */
export function printTable(diagram: Diagram, part: SwitchPart): void {
  const frame = document.createElement('iframe');
  // Not display: none, of which some browsers print nothing.
  frame.style.cssText = 'position:absolute;width:0;height:0;border:0';
  document.body.append(frame);
  const { contentDocument: sheet, contentWindow: window } = frame;
  if (!sheet || !window) return;
  fillSheet(sheet, diagram, part);
  window.addEventListener('afterprint', () => frame.remove());
  window.print();
}

/** The contact table as a page, with room beside each cell for what was measured. */
export function fillSheet(sheet: Document, diagram: Diagram, part: SwitchPart): void {
  const add = (to: HTMLElement, tag: string, text: string): HTMLElement => {
    const element = sheet.createElement(tag);
    element.textContent = text;
    to.append(element);
    return element;
  };
  sheet.title = `${diagram.name}: ${part.name}`;
  add(sheet.head, 'style', STYLE);
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
  for (const { position } of part.table.rows) {
    const line = add(table, 'tr', '');
    add(line, 'th', sayPosition(diagram, part.actuator, position));
    for (const { id } of part.contacts)
      add(line, 'td', `${MARKS[cellState(part, id, position)]} ____`);
  }
}
