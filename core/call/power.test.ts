import { builtIn } from '../../library/library';
import type { TerminalRef } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { LID_READING } from '../simulate/lidReading';
import { powerAndIsolation } from './power';
import type { LogEntry, ReadingRecord } from './record';

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');

const entry = <K extends LogEntry['kind']>(
  kind: K,
  body: Extract<LogEntry, { kind: K }>['body'],
): LogEntry => ({ id: kind, kind, phoneAt: '2026-11-24T08:01:00Z', body }) as LogEntry;
const acknowledged = (body: Extract<LogEntry, { kind: 'acknowledged' }>['body']): LogEntry =>
  entry('acknowledged', body);
const statement = (source: 'told' | 'seen'): LogEntry =>
  entry('statement', { source, steps: 'timer=wash', subject: 'timer-motor', outcome: 'off' });
const reading = (said: string, more: Partial<ReadingRecord> = {}): LogEntry =>
  entry('reading', { ...LID_READING, setup: drawnSetup(washer), said, ...more });

describe('power and isolation', () => {
  const safe = acknowledged({ what: 'made-safe' });
  const proved = acknowledged({ what: 'meter-proved', leadOhms: 0.4 });

  it('knows what was acknowledged: dead, the leads as last noted, whose wires are off', () => {
    const first = acknowledged({ what: 'meter-proved', leadOhms: 0.2 });
    const off = acknowledged({ what: 'wires-off', part: 'timer' });
    expect(powerAndIsolation([safe, first, off, proved])).toEqual({
      safe: true,
      poweredSince: false,
      leadOhms: 0.4,
      wiresOff: new Set(['timer']),
    });
    expect(powerAndIsolation([])).toEqual({
      safe: false,
      poweredSince: false,
      wiresOff: new Set(),
    });
    expect(powerAndIsolation([acknowledged({ what: 'meter-proved' })]).leadOhms).toBe(0);
    expect(powerAndIsolation([acknowledged({ what: 'wires-off' })]).wiresOff.size).toBe(0);
    expect(
      powerAndIsolation([acknowledged({ what: 'made-safe', part: 'timer' })]).wiresOff.size,
    ).toBe(0);
  });

  it('is unknown again once power was on, until it is proved dead', () => {
    const live = reading('119 V', { function: 'volt', steps: 'timer=wash' });
    const measured = (steps?: string): LogEntry => ({
      id: 'm',
      phoneAt: '',
      kind: 'measurement',
      body: { actuator: 'box', value: 70, how: 'measured', ...(steps !== undefined && { steps }) },
    });
    for (const powered of [live, statement('seen'), measured('timer=wash')]) {
      expect(powerAndIsolation([safe, powered])).toMatchObject({ safe: false, poweredSince: true });
      expect(powerAndIsolation([safe, powered, safe])).toMatchObject({ safe: true });
    }
    // What was told, and ohms, put no power on; before it was made safe nothing is lost.
    for (const entry of [statement('told'), reading('0.3'), measured()])
      expect(powerAndIsolation([safe, entry]).safe).toBe(true);
    expect(powerAndIsolation([live])).toMatchObject({ safe: false, poweredSince: false });
  });

  it('is unknown after a look that takes power, and after an hour in which nothing was written', () => {
    const looks = [
      { id: 'glow', says: 'It glows', of: [], found: { with: 1, without: 0 }, minutes: 1 },
    ];
    const look: LogEntry = {
      id: 'l',
      phoneAt: '',
      kind: 'look',
      body: { look: 'glow', found: true },
    };
    expect(powerAndIsolation([safe, look], { looks }).safe).toBe(true);
    const powered = looks.map((each) => ({ ...each, powered: true as const }));
    expect(powerAndIsolation([safe, look], { looks: powered }).safe).toBe(false);
    // Another look, without power, beside one that takes it.
    const other = { ...look, body: { look: 'smell', found: true } } as LogEntry;
    expect(powerAndIsolation([safe, other], { looks: powered }).safe).toBe(true);
    // A statement that is told of a look's moment is no look.
    expect(powerAndIsolation([safe, statement('told')], { looks: powered }).safe).toBe(true);
    const then = Date.parse('2026-11-26T08:00:00Z');
    const at = (minutes: number): LogEntry => ({
      ...safe,
      phoneAt: new Date(then + minutes * 60_000).toISOString(),
    });
    const told = { ...statement('told'), phoneAt: at(70).phoneAt };
    expect(powerAndIsolation([at(0)], {}, { now: then + 59 * 60_000 }).safe).toBe(true);
    expect(powerAndIsolation([at(0)], {}, { now: then + 61 * 60_000 }).safe).toBe(false);
    expect(powerAndIsolation([at(0), told], {}, { now: then + 71 * 60_000 }).safe).toBe(false);
    expect(powerAndIsolation([at(0), told, at(72)], {}, { now: then + 73 * 60_000 }).safe).toBe(
      true,
    );
  });

  it('counts no proof from before somebody came to the unit, and reads the leads anew on another visit', () => {
    const then = Date.parse(safe.phoneAt);
    expect(powerAndIsolation([safe], {}, { since: then - 1 })).toMatchObject({ safe: true });
    expect(powerAndIsolation([safe], {}, { since: then + 1 })).toMatchObject({
      safe: false,
      poweredSince: true,
    });
    expect(powerAndIsolation([proved], {}, { now: then + 7 * 3_600_000 }).leadOhms).toBe(0.4);
    expect(powerAndIsolation([proved], {}, { now: then + 9 * 3_600_000 }).leadOhms).toBeUndefined();
    // What goes on within a visit leaves the leads as they were noted.
    const later = (hours: number): LogEntry => ({
      ...statement('told'),
      phoneAt: new Date(then + hours * 3_600_000).toISOString(),
    });
    expect(powerAndIsolation([proved, later(1), later(7)]).leadOhms).toBe(0.4);
    expect(powerAndIsolation([proved, later(9)]).leadOhms).toBeUndefined();
  });

  it('knows a jumper that is on, and that it has had its try; wires are back on once the unit was used', () => {
    const between: [TerminalRef, TerminalRef] = ['timer.L', 'timer.SP'];
    const on = acknowledged({ what: 'jumper-on', jumper: between });
    const off = acknowledged({ what: 'wires-off', part: 'timer' });
    const seen = statement('seen');
    expect(powerAndIsolation([safe, on]).jumper).toEqual({ between, tried: false });
    expect(powerAndIsolation([safe, on, seen]).jumper).toEqual({ between, tried: true });
    expect(
      powerAndIsolation([on, seen, acknowledged({ what: 'jumper-off' })]).jumper,
    ).toBeUndefined();
    expect(powerAndIsolation([safe, off]).wiresOff.size).toBe(1);
    expect(powerAndIsolation([safe, off, seen]).wiresOff.size).toBe(0);
  });
});
