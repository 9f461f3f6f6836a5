import type { CallDetail } from '../../../contract/call';
import type { Entry, ReadingBody } from '../../../contract/entry';
import type { Evidence } from '../../../core/call/evidence';
import { builtIn } from '../../../library/library';
import { sayEvidence } from '../diagnosis/say';
import { acknowledgements, evidenceOf, readingsOf, selectCall, selectCalls } from './callView';
import type { OutboxItem } from '../../sync/outbox';
import { makeStore, type RootState } from '../../state/store';

const diagram = builtIn('top-load-washer');
if (!diagram) throw new Error('no washer');
const CALL = '00000000-0000-4000-8000-000000000001';

const body = (said: string, supersedes: string[] = []): ReadingBody => ({
  part: 'lid-switch',
  from: 'lid-switch.A1',
  to: 'lid-switch.A2',
  setup: {
    power: 'off',
    actuators: { lid: 'closed', timer: 'off' },
    byHand: {},
    lifted: [],
    partsOut: [],
    except: [],
    jumpers: [],
  },
  wiggle: false,
  lookedAgain: false,
  function: 'ohm',
  meter: 'ordinary-auto',
  leadOhms: 0.2,
  said,
  supersedes,
});
const at = (minute: number): string => new Date(Date.UTC(2026, 10, 24, 8, minute)).toISOString();
const reading = (id: string, minute: number, said: string, supersedes?: string[]): Entry => ({
  id,
  callId: CALL,
  kind: 'reading',
  phoneAt: at(minute),
  body: body(said, supersedes),
});
const stored: CallDetail = {
  id: CALL,
  appliance: { id: CALL, make: 'Marrowby', model: 'W-44', place: 'Cellar' },
  complaint: 'does not spin',
  diagramId: diagram.id,
  diagramVersion: 1,
  diagramName: diagram.name,
  stage: 'open',
  readings: 1,
  phoneAt: at(0),
  lastAt: at(1),
  diagram,
  entries: [reading('a', 1, '0.3')],
};

function state(items: OutboxItem[], calls: Partial<RootState['calls']> = {}): RootState {
  const empty = makeStore().getState();
  return {
    ...empty,
    calls: { ...empty.calls, list: [stored], open: { [CALL]: stored }, ...calls },
    outbox: { ...empty.outbox, items },
  };
}
const waiting = (order: number, entry: Entry, more: Partial<OutboxItem> = {}): OutboxItem => {
  const { id, ...rest } = entry;
  return { to: 'entries', id, body: rest, order, ...more } as OutboxItem;
};

describe('a call as the technician sees it', () => {
  it('has what the server knows and what still waits, each once and in the order of the phone', () => {
    const seen = selectCall(
      state([
        waiting(1, reading('b', 3, 'OL')),
        waiting(2, reading('c', 2, 'beep')),
        waiting(3, reading('a', 1, '0.3')),
      ]),
      CALL,
    );
    expect(seen?.entries.map((each) => each.id)).toEqual(['a', 'c', 'b']);
  });

  it('leaves out what the server refused, and counts the rest in the list', () => {
    const refused = waiting(1, reading('b', 3, 'OL'), {
      refused: { type: 'about:blank', title: 'no', status: 422 },
    });
    const root = state([refused, waiting(2, reading('c', 4, 'OL'))]);
    expect(selectCall(root, CALL)?.entries.map((each) => each.id)).toEqual(['a', 'c']);
    expect(selectCalls(root)[0]).toMatchObject({ readings: 2, lastAt: at(4) });
  });

  it('shows a call that was opened without a signal', () => {
    const { appliance, complaint, diagramId, diagramVersion, phoneAt } = stored;
    const item: OutboxItem = {
      to: 'calls',
      id: CALL,
      order: 1,
      body: { appliance, complaint, diagramId, diagramVersion, phoneAt },
    };
    const root = state([item, waiting(2, reading('b', 3, 'OL'))], {
      list: [],
      open: {},
      bodies: { 'top-load-washer/1': diagram },
    });
    expect(selectCall(root, CALL)?.entries.map((each) => each.id)).toEqual(['b']);
    expect(selectCalls(root).map((each) => each.id)).toEqual([CALL]);
  });

  it('keeps what was taken back or superseded, marked as no evidence', () => {
    const doubt: Entry = {
      id: 'd',
      callId: CALL,
      kind: 'doubt',
      phoneAt: at(5),
      body: { names: 'b', reason: 'undone' },
    };
    const log = [
      reading('a', 1, '0.3'),
      reading('b', 2, 'OL'),
      reading('c', 3, 'OL', ['a']),
      doubt,
    ];
    expect(readingsOf(log, 'lid-switch').map((each) => [each.id, each.doubted])).toEqual([
      ['a', true],
      ['b', true],
      ['c', false],
    ]);
    expect(readingsOf(log, 'timer')).toEqual([]);
  });

  it('is evidence of the whole unit: told, looked for and read, without what was taken back', () => {
    const entry = (id: string, minute: number, kind: string, more: object): Entry =>
      ({ id, callId: CALL, kind, phoneAt: at(minute), body: more }) as Entry;
    const told = { source: 'told', steps: 'timer=wash', subject: 'timer-motor', outcome: 'off' };
    const log = [
      entry('told', 1, 'statement', told),
      entry('look', 2, 'look', { look: 'click', found: false }),
      reading('odd', 3, 'OL'),
      reading('again', 4, '0.3', ['odd']),
      entry('seen', 5, 'statement', { ...told, source: 'seen' }),
      entry('undo', 6, 'doubt', { names: 'seen', reason: 'taken back' }),
    ];
    const evidence = evidenceOf(log);
    expect(evidence.map((each) => each.id)).toEqual(['told', 'look', 'again']);
    expect(evidence[0]).toMatchObject({ kind: 'statement', ...told });
    expect(evidence[2]).toMatchObject({ shows: { kind: 'ohms', ohms: 0.3 }, of: 'unit' });
    const { what, shown } = sayEvidence(diagram, evidence[2] as Evidence);
    expect([what, shown]).toEqual(['lid-switch.A1 to lid-switch.A2', '0.3 Ω']);
    expect(sayEvidence(diagram, evidence[0] as Evidence)).toEqual({
      what: 'Timer in WASH, told',
      shown: 'Timer motor does not run',
    });
  });

  it('knows what was acknowledged, the wires by switch and the last lead reading', () => {
    const said = (minute: number, acknowledged: object): Entry =>
      ({
        id: `k${minute}`,
        callId: CALL,
        kind: 'acknowledged',
        phoneAt: at(minute),
        body: acknowledged,
      }) as Entry;
    const log = [
      said(1, { what: 'made-safe' }),
      said(2, { what: 'meter-proved', leadOhms: 0.2 }),
      said(3, { what: 'wires-off', part: 'timer' }),
      said(4, { what: 'meter-proved', leadOhms: 0.4 }),
    ];
    expect(acknowledgements(log)).toEqual({
      safe: true,
      poweredSince: false,
      leadOhms: 0.4,
      wiresOff: new Set(['timer']),
    });
    // Power was on for a reading: nobody knows until it is proved dead again.
    const live = (minute: number): Entry =>
      ({
        id: `v${minute}`,
        callId: CALL,
        kind: 'reading',
        phoneAt: at(minute),
        body: { function: 'volt', said: '119 V', steps: 'timer=wash', supersedes: [] },
      }) as unknown as Entry;
    expect(acknowledgements([...log, live(5)])).toMatchObject({ safe: false, poweredSince: true });
    const again = [...log, live(5), said(6, { what: 'made-safe' })];
    expect(acknowledgements(again).safe).toBe(true);
    expect(evidenceOf([live(5)])).toMatchObject([{ shows: { kind: 'volts', volts: 119 } }]);
  });
});
