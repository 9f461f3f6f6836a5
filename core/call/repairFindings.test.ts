import { builtIn } from '../../library/library';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import { findingsInEntry } from './entryFindings';
import type { Records } from './record';

const washer = builtIn('top-load-washer');
const furnace = builtIn('gas-furnace');
if (!washer || !furnace) throw new Error('no washer, no furnace');

const inBody = <K extends keyof Records>(kind: K, body: Records[K]): string[] =>
  findingsInEntry(washer, { kind, body } as Parameters<typeof findingsInEntry>[1]).map(
    ({ path, message }) => `${path}: ${message}`,
  );

describe('what was measured beside its diagram', () => {
  const on = (diagram: Diagram, quantity: 'temperature' | 'pressure' | 'level', felt: boolean) => {
    const id = diagram.actuators.find(
      (each) => each.kind === 'quantity' && each.quantity === quantity,
    )?.id;
    if (id === undefined) throw new Error(`no ${quantity}`);
    const body = {
      actuator: id,
      value: 60,
      how: 'felt',
      ...(felt && { felt: 'hot' as const }),
    } as const;
    return findingsInEntry(diagram, { kind: 'measurement', body }).map(({ path }) => path);
  };

  it('is felt by a hand where it is a temperature, and in no other way', () => {
    expect(on(furnace, 'temperature', true)).toEqual([]);
    expect(on(furnace, 'pressure', false)).toEqual([]);
    expect(on(furnace, 'pressure', true)).toEqual(['/body/felt']);
    const box = furnace.actuators.find(
      (each) => each.kind === 'quantity' && each.quantity === 'temperature',
    );
    const body = { actuator: box?.id ?? '', value: 60, how: 'measured', felt: 'hot' } as const;
    expect(findingsInEntry(furnace, { kind: 'measurement', body })).toMatchObject([
      { path: '/body/felt', message: expect.stringMatching(/felt to be cold, warm or hot/) },
    ]);
  });
});

describe('what is written of a repair beside its diagram', () => {
  it('names lines, terminals, contacts and parts that are there', () => {
    expect(inBody('opened', { what: 'wire', of: 'timer.L' })).toEqual([]);
    expect(inBody('opened', { what: 'wire', of: 'the blue one' })).toEqual([]);
    expect(inBody('opened', { what: 'wire', of: 'timer.ZZ' })[0]).toMatch(/^\/body\/of: /);
    expect(inBody('opened', { what: 'jumper', of: 'timer.L timer.SP' })).toEqual([]);
    expect(inBody('opened', { what: 'jumper', of: 'timer.L' })[0]).toMatch(/two different/);
    expect(inBody('closed', { line: 'wire timer.L', how: 'back' })).toEqual([]);
    expect(inBody('closed', { line: 'timer.L', how: 'back' })[0]).toMatch(/no line of the ledger/);
    const at = (ref: TerminalRef) => [{ at: ref, colour: 'BK' }];
    expect(inBody('wire-map', { part: 'timer', wires: at('timer.L') })).toEqual([]);
    expect(inBody('wire-map', { part: 'timer', wires: [], keyed: true })).toEqual([]);
    expect(inBody('wire-map', { part: 'timer', wires: [] })[0]).toMatch(/which wire sits where/);
    expect(inBody('wire-map', { part: 'timer', wires: at('lid-switch.A1') })).toEqual([
      '/body/wires/0/at: is not at timer',
    ]);
    expect(inBody('wire-map', { part: 'timer', wires: at('timer.ZZ') })).toHaveLength(1);
  });

  it('names what was found, tried, decided and seen to go over', () => {
    expect(inBody('cause', { part: 'timer', cause: 'lint', outcome: 'found' })).toEqual([]);
    // A wire is no part that has causes of its own.
    expect(inBody('cause', { part: 'w5', cause: 'lint', outcome: 'found' })).toHaveLength(1);
    const found = { says: 'stuck open', chance: 0.9, by: 'person' } as const;
    expect(inBody('found', { ...found, part: 'w5' })).toEqual([]);
    expect(inBody('found', found)).toEqual([]);
    expect(inBody('found', { ...found, part: 'pump' })).toEqual([
      '/body/part: there is no part "pump"',
    ]);
    expect(inBody('put-right', { by: 'other', part: 'pump' })).toHaveLength(1);
    const decision = { option: 'replace', along: [], declined: [] } as const;
    expect(inBody('decision', { ...decision, along: ['timer'], declined: [] })).toEqual([]);
    expect(inBody('decision', { ...decision, along: ['timer', 'pump'], declined: [] })).toEqual([
      '/body/along/1: there is no part "pump"',
    ]);
    const lid = washer.parts.find(({ id }) => id === 'lid-switch');
    const contact = lid?.kind === 'switch' ? (lid.contacts[0]?.id ?? '') : '';
    const order = (part: string, which: string, actuator = 'lid') =>
      inBody('order', { actuator, way: 'opening', events: [{ part, contact: which }] });
    expect(order('lid-switch', contact)).toEqual([]);
    expect(order('lid-switch', contact, 'hatch')[0]).toMatch(/^\/body\/actuator/);
    expect(order('drive', contact)[0]).toMatch(/^\/body\/events\/0\/part/);
    expect(order('lid-switch', 'none')[0]).toMatch(/^\/body\/events\/0\/contact/);
  });
});
