import { switches } from '../../../core/diagram/terminal';
import { bigSelector } from '../../../library/madeUp/bigSelector';
import { builtIn } from '../../../library/library';
import { fillSheet, printTable } from './printTable';

const burner = builtIn('coil-burner');
const infinite = burner && switches(burner)[0];
if (!burner || !infinite) throw new Error('no burner');

const page = (): Document => document.implementation.createHTMLDocument();
const rows = (sheet: Document): string[][] =>
  [...sheet.querySelectorAll('tr')].map((row) =>
    [...row.children].map((cell) => cell.textContent ?? ''),
  );

describe('a contact table on paper', () => {
  it('has every position and every contact as the sheet has them, with room to write', () => {
    const sheet = page();
    fillSheet(sheet, burner, infinite);
    expect(rows(sheet)).toEqual([
      ['Position', 'L1-H1', 'L1-P', 'L2-H2'],
      ['knob at OFF', '○ ____', '○ ____', '○ ____'],
      ['knob at LOW', '● ____', '● ____', '◐ ____'],
      ['knob at HIGH', '● ____', '● ____', '● ____'],
    ]);
    expect(sheet.title).toBe('Coil burner with infinite switch: Infinite switch, left front');
  });

  it('is whole for 24 terminals in 24 positions, whatever they are called', () => {
    const diagram = { ...bigSelector(24, 24, 5), name: '<b>&"selector"' };
    const [part] = switches(diagram);
    if (!part) throw new Error('no selector');
    const sheet = page();
    fillSheet(sheet, diagram, part);
    const lines = rows(sheet);
    expect(lines).toHaveLength(25);
    expect(lines.every((line) => line.length === 1 + part.contacts.length)).toBe(true);
    expect(lines.flat().filter((cell) => cell.startsWith('●'))).toHaveLength(
      part.table.rows.reduce((sum, row) => sum + row.closed.length, 0),
    );
    expect(sheet.querySelector('b')).toBeNull();
  });

  it('is printed once, and leaves nothing on the page when the print is over', () => {
    const printed: string[] = [];
    const append = jest.spyOn(document.body, 'append').mockImplementation((...nodes) => {
      for (const node of nodes)
        if (node instanceof HTMLIFrameElement) {
          document.body.appendChild(node);
          const { contentWindow } = node;
          if (contentWindow)
            contentWindow.print = () => {
              printed.push(node.contentDocument?.title ?? '');
              contentWindow.dispatchEvent(new Event('afterprint'));
            };
        }
    });
    printTable(burner, infinite);
    append.mockRestore();
    expect(printed).toEqual(['Coil burner with infinite switch: Infinite switch, left front']);
    expect(document.querySelector('iframe')).toBeNull();
  });
});
