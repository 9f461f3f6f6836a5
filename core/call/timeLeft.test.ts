import type { LogEntry } from './record';
import { minutesLeft } from './timeLeft';

const AT = Date.parse('2026-11-24T08:00:00Z');
const after = (minutes: number): string => new Date(AT + minutes * 60_000).toISOString();
const said = (at: number, minutes?: number): LogEntry => ({
  id: `said ${at}`,
  phoneAt: after(at),
  kind: 'acknowledged',
  body: { what: 'time-left', ...(minutes !== undefined && { minutes }) },
});
const look = (at: number): LogEntry => ({
  id: `look ${at}`,
  phoneAt: after(at),
  kind: 'look',
  body: { look: 'belt', found: false },
});

describe('time that is left of a visit', () => {
  it('runs from when it was said to the last entry, or to now', () => {
    expect(minutesLeft([look(0)])).toBeUndefined();
    expect(minutesLeft([said(0, 30)])).toBe(30);
    expect(minutesLeft([said(0, 30), look(12)])).toBe(18);
    expect(minutesLeft([said(0, 30), look(12)], AT + 20 * 60_000)).toBe(10);
    expect(minutesLeft([said(0, 30), look(50)])).toBe(0);
  });

  it('goes by what was said last, and nothing is left of it on another day', () => {
    expect(minutesLeft([said(0, 30), look(12), said(15, 60), look(20)])).toBe(55);
    expect(minutesLeft([said(0, 30), said(5)])).toBeUndefined();
    expect(minutesLeft([said(0, 30), look(24 * 60)])).toBeUndefined();
    const back: LogEntry = {
      id: 'back',
      phoneAt: after(2),
      kind: 'doubt',
      body: { names: 'said 1', reason: 'taken back' },
    };
    expect(minutesLeft([said(0, 30), said(1, 10), back])).toBe(28);
  });
});
