import { switches } from '../core/diagram/terminal';
import type { Diagram } from '../core/diagram/diagram';
import { makePlace } from '../library/shelf/makePlace';
import { readDiagramFile } from './notationFile';
import { pasteRows, pasteTable } from './pasteTable';

const DRAFT = `unit own-oven
L1 > selector L1-1 > bake element [2400 W 240 V] a-b > L2
L1 > door switch 1-2 > oven lamp [40 W 120 V] a-b > N
L1 > thermostat [L250-20] 1-2 > fan motor [40 ohm] a-b > N
`;
const draft = ((): Diagram => {
  const read = readDiagramFile(DRAFT, makePlace);
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  return read.value.diagram;
})();
const pasted = (id: string, text: string, into = draft): Diagram => {
  const done = pasteTable(into, id, text);
  if (!done.ok) throw new Error(JSON.stringify(done.error));
  return done.value;
};
/** Position by position, which pairs are closed; a question mark where it may be either. */
const tableOf = (diagram: Diagram, id: string): Record<string, string> => {
  const part = switches(diagram).find((each) => each.id === id);
  const pair = (contact: string) =>
    part?.contacts.find((each) => each.id === contact)?.between.join('-') ?? '';
  return Object.fromEntries(
    (part?.table.rows ?? []).map(({ position, closed, either = [] }) => [
      position,
      [...closed.map(pair), ...either.map((each) => `${pair(each)}?`)].join(' '),
    ]),
  );
};
const TABLE = 'position,L1-1,L1-3\nOFF,open,open\nBAKE,closed,open\nBroil,open,closed\n';

describe('a table that is pasted into a draft', () => {
  it('brings contacts, terminals and positions with it, and takes away those that it does not have', () => {
    const shaped = pasted('selector', TABLE);
    expect(tableOf(shaped, 'selector')).toEqual({ off: '', bake: 'L1-1', broil: 'L1-3' });
    const part = switches(shaped).find(({ id }) => id === 'selector');
    expect(part?.terminals.map(({ id }) => id).sort()).toEqual(['1', '3', 'L1']);
    expect(part?.table.known).toBe('sheet');
    // Nobody else is touched.
    expect(tableOf(shaped, 'door-switch')).toEqual(tableOf(draft, 'door-switch'));
  });

  it('is the same when it is pasted again, by names, in another order, with pairs the other way round', () => {
    const shaped = pasted('selector', TABLE);
    expect(pasted('selector', TABLE, shaped)).toEqual(shaped);
    const turned = 'position;3 to L1;1 to L1\nbroil;x;\noff;;\nbake;;x\n';
    const again = pasted('selector', turned, shaped);
    expect(tableOf(again, 'selector')).toEqual(tableOf(shaped, 'selector'));
    const rows = pasteRows(draft, 'selector', [
      ['position', 'L1/1', 'L1:3'],
      ['Off', '', ''],
      ['BAKE', 'made', ''],
      ['Broil', '-', 'cycles'],
    ]);
    expect(rows.ok && tableOf(rows.value, 'selector')).toEqual({
      off: '',
      bake: 'L1-1',
      broil: 'L1-3?',
    });
  });

  it('names a quantity by its side, as people do', () => {
    const closes = pasted('thermostat', 'position,1-2\nHOT,closed\ncool,open\n');
    expect(tableOf(closes, 'thermostat')).toEqual({ below: '', above: '1-2' });
    const high = pasted('thermostat', 'position,1-2\nabove,open\nLow,x\n');
    expect(tableOf(high, 'thermostat')).toEqual({ below: '1-2', above: '' });
  });

  it('leaves a position that something else is moved by', () => {
    const selector = switches(draft).find(({ id }) => id === 'selector');
    if (!selector) throw new Error('no selector');
    const { actuator, table } = selector;
    const rows = table.rows.map(({ position }) => ({ position, closed: [] }));
    const shared: Diagram = {
      ...draft,
      parts: draft.parts.map((part) =>
        part.kind === 'switch' && part.id === 'door-switch'
          ? { ...part, actuator, table: { ...part.table, rows } }
          : part,
      ),
    };
    const known = Object.keys(tableOf(shared, 'selector'));
    // A row that is missing then is told, and nothing is taken away.
    const lines = [...known.map((each) => `${each},open`), 'BAKE,closed'];
    const shaped = pasted('selector', `position,L1-1\n${lines.join('\n')}\n`, shared);
    expect(Object.keys(tableOf(shaped, 'selector'))).toEqual([...known, 'bake']);
    expect(Object.keys(tableOf(shaped, 'door-switch'))).toEqual([...known, 'bake']);
    const less = pasteTable(shared, 'selector', `position,L1-1\nBAKE,closed\n`);
    expect(less.ok).toBe(false);
  });

  it.each([
    ['', 1, 1, /empty/],
    ['position,L1\noff,open', 1, 2, /"L1" is not two terminals; write A-C/],
    ['position,L1-1,L1 1 3\noff,open,open', 1, 3, /"L1 1 3" is not two terminals/],
    ['position,L1-1\n\noff,open\nbake,perhaps', 4, 2, /perhaps/],
    ['position,L1-1\noff,open\noff,closed', 3, 1, /twice/],
    ['position,L1-1\noff,"open', 2, 1, /./],
  ])('is refused whole with its place: %j', (text, line, column, message) => {
    const done = pasteTable(draft, 'selector', text);
    expect(done.ok ? 'taken' : done.error[0]).toMatchObject({ line, column });
    expect(done.ok ? '' : done.error[0]?.message).toMatch(message);
  });

  it('says so where there is no such switch', () => {
    expect(pasteTable(draft, 'knob', TABLE)).toEqual({
      ok: false,
      error: [{ path: '', message: 'there is no switch "knob"' }],
    });
  });
});
