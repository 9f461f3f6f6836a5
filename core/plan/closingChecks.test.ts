import { builtIn } from '../../library/library';
import { evidenceOf } from '../call/log';
import { findingsInEntry } from '../call/entryFindings';
import type { LogEntry, Records } from '../call/record';
import type { Diagram } from '../diagram/diagram';
import { switches } from '../diagram/terminal';
import { checksDue, type CheckDue } from './closingChecks';
import { proofGrades } from './proofGrades';
import { proofOf } from './proof';

type Said = { [K in keyof Records]: [K, Records[K]] }[keyof Records];
const logOf = (...said: Said[]): LogEntry[] =>
  said.map(
    ([kind, body], i) =>
      ({
        id: `e${i}`,
        phoneAt: `2026-11-26T08:00:${String(i).padStart(2, '0')}Z`,
        kind,
        body,
      }) as LogEntry,
  );
const unit = (id: string): Diagram => {
  const found = builtIn(id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
const due = (diagram: Diagram, entries: LogEntry[]): CheckDue[] =>
  checksDue(diagram, entries, evidenceOf(diagram, entries).evidence);
const named = (checks: CheckDue[]): string[] =>
  checks.map(({ check, of }) => (of === undefined ? check : `${check} ${of}`));

describe('checks before a unit is handed back', () => {
  it('asks nothing of a unit that nobody has touched', () => {
    expect(due(unit('over-range-oven'), [])).toEqual([]);
  });

  it('asks an oven whose door switch is new for leakage, for each interlock of the door, for its corner', () => {
    const oven = unit('over-range-oven');
    const [interlock] = switches(oven).filter(
      ({ safety, actuator }) => safety && actuator === 'door',
    );
    if (!interlock) throw new Error('no interlock');
    const checks = named(due(oven, logOf(['act', { part: interlock.id, act: 'replace' }])));
    const ofDoor = switches(oven).filter(({ safety, actuator }) => safety && actuator === 'door');
    for (const { id } of ofDoor) expect(checks).toContain(`safety ${id}`);
    expect(checks).toEqual(
      expect.arrayContaining(['corner door', 'leakage', 'capacitor', 'frame']),
    );
    // What nobody came near is not asked for.
    const others = switches(oven).filter(({ safety, actuator }) => safety && actuator !== 'door');
    for (const { id } of others) expect(checks).not.toContain(`safety ${id}`);
  });

  it('asks for the corner of whatever opens: a door, a lid or a drawer, and of no knob', () => {
    const oven = unit('over-range-oven');
    const [interlock] = switches(oven).filter(
      ({ safety, actuator }) => safety && actuator === 'door',
    );
    if (!interlock) throw new Error('no interlock');
    const corner = (shape: 'door' | 'lid' | 'drawer' | 'knob'): boolean => {
      const shaped: Diagram = {
        ...oven,
        actuators: oven.actuators.map((each) =>
          each.kind === 'hand' && each.id === 'door' ? { ...each, shape } : each,
        ),
      };
      const entries = logOf(['act', { part: interlock.id, act: 'replace' }]);
      return named(due(shaped, entries)).includes('corner door');
    };
    expect((['door', 'lid', 'drawer', 'knob'] as const).map(corner)).toEqual([
      true,
      true,
      true,
      false,
    ]);
  });

  it('asks a furnace for draft, carbon monoxide and temperature rise, and a new pressure switch for cycles', () => {
    const furnace = unit('gas-furnace');
    const checks = named(due(furnace, logOf(['act', { part: 'draft-switch', act: 'replace' }])));
    expect(checks).toEqual(
      expect.arrayContaining([
        'gas-joints',
        'flame',
        'draft',
        'carbon-monoxide',
        'temperature-rise',
        'cycles draft-switch',
      ]),
    );
    expect(checks.at(-1)).toBe('run');
  });

  it('keeps what was said until another repair, or until it is taken back', () => {
    const washer = unit('top-load-washer');
    const said: Said = ['checked', { check: 'run', outcome: 'right' }];
    const run = (entries: LogEntry[]) => due(washer, entries).find(({ check }) => check === 'run');
    const repaired: Said = ['act', { part: 'lid-switch', act: 'replace' }];
    expect(run(logOf(repaired, said))?.said?.outcome).toBe('right');
    expect(run(logOf(repaired, said, repaired))?.said).toBeUndefined();
    expect(run(logOf(repaired, said, ['doubt', { names: 'e1', reason: 'no' }]))?.said).toBe(
      undefined,
    );
  });

  it('takes no leakage above the limit of 21 CFR 1030.10 for right, nor a figure that is not there', () => {
    const oven = unit('over-range-oven');
    const asked = (body: Partial<Records['checked']>) =>
      findingsInEntry(oven, {
        kind: 'checked',
        body: { check: 'leakage', outcome: 'right', ...body },
      }).map(({ path }) => path);
    expect(asked({ value: 5 })).toEqual([]);
    expect(asked({ value: 5.1 })).toEqual(['/body/value']);
    expect(asked({ value: 5.1, outcome: 'wrong' })).toEqual([]);
    expect(asked({})).toEqual(['/body/value']);
    expect(asked({ outcome: 'not-done', words: 'no meter' })).toEqual([]);
    expect(asked({ check: 'safety', of: 'nobody', grade: 'run' })).toEqual(['/body/of']);
    expect(asked({ check: 'cycles', of: 'door', value: 2 })).toEqual(['/body/value']);
  });
});

describe('grades of proof', () => {
  it('tells a switch that was proved by finger from one that its own actuator or a run has proved', () => {
    const furnace = unit('gas-furnace');
    const part = switches(furnace).find(({ id }) => id === 'draft-switch');
    if (!part) throw new Error('no draft switch');
    const repair: Said = ['act', { part: part.id, act: 'replace' }];
    const readings = proofOf(furnace, part, 'full')
      .filter(({ shows }) => shows.kind === 'cell')
      .map(({ shows, position: _, ...place }): Said => [
        'reading',
        {
          ...place,
          function: 'ohm',
          meter: 'ordinary-auto',
          leadOhms: 0.1,
          said: shows.kind === 'cell' && shows.state === 'closed' ? '0.2' : 'OL',
          supersedes: [],
        },
      ]);
    const by = (...said: Said[]) => {
      const entries = logOf(repair, ...said);
      const { evidence, setAside } = evidenceOf(furnace, entries);
      expect(setAside).toEqual([]);
      return proofGrades(furnace, due(furnace, entries), evidence, undefined)[0]?.by;
    };
    expect(by()).toEqual({ finger: false, actuator: false, run: false });
    expect(by(...readings)).toEqual({ finger: true, actuator: false, run: false });
    expect(
      by(...readings, ['checked', { check: 'cycles', of: part.id, outcome: 'right', value: 3 }]),
    ).toEqual({ finger: true, actuator: true, run: false });
    expect(
      by(['checked', { check: 'safety', of: part.id, outcome: 'right', grade: 'run' }]),
    ).toEqual({ finger: false, actuator: false, run: true });
  });
});
