import type { CallDetail } from '../../contract/call';
import type { Entry } from '../../contract/entry';
import type { ReadingBody } from '../../contract/entries/reading';
import { LID_READING } from '../../core/simulate/lidReading';
import { builtIn } from '../../library/library';
import { selectCall, selectCalls } from './callView';
import { diagramKey } from './diagrams';
import type { OutboxItem } from '../sync/outboxItem';
import { makeStore, type RootState } from './store';

const diagram = builtIn('top-load-washer');
if (!diagram) throw new Error('no washer');
const CALL = '00000000-0000-4000-8000-000000000001';

const body = (said: string, supersedes: string[] = []): ReadingBody => ({
  ...LID_READING,
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
  found: null,
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
  it('goes on with the diagram of a correction that waits, once this device has it', () => {
    const dryer = builtIn('electric-dryer');
    if (!dryer) throw new Error('no dryer');
    const correction: Entry = {
      id: 'd',
      callId: CALL,
      kind: 'correction',
      phoneAt: at(4),
      body: { diagramId: dryer.id, diagramVersion: 1 },
    };
    const before = state([waiting(1, correction)]);
    expect(selectCall(before, CALL)?.diagramId).toBe(diagram.id);
    const bodies = { [diagramKey(dryer.id, 1)]: dryer };
    const after = { ...before, diagrams: { ...before.diagrams, bodies } };
    expect(selectCall(after, CALL)).toMatchObject({
      diagramId: dryer.id,
      diagram: { id: dryer.id },
      appliance: stored.appliance,
      complaint: stored.complaint,
    });
  });

  it('has what the server knows and what still waits, each once and in the order it was made', () => {
    const seen = selectCall(
      state([
        waiting(1, reading('b', 3, 'OL')),
        waiting(2, reading('c', 2, 'beep')),
        waiting(3, reading('a', 1, '0.3')),
      ]),
      CALL,
    );
    expect(seen?.entries.map((each) => each.id)).toEqual(['a', 'b', 'c']);
  });

  it('leaves out what the server refused, and counts the rest in the list', () => {
    const refused = waiting(1, reading('b', 3, 'OL'), {
      refused: { type: 'about:blank', title: 'no', status: 422 },
    });
    const root = state([refused, waiting(2, reading('c', 4, 'OL'))]);
    expect(selectCall(root, CALL)?.entries.map((each) => each.id)).toEqual(['a', 'c']);
    expect(selectCalls(root)[0]).toMatchObject({ readings: 2, lastAt: at(4) });
  });
});
