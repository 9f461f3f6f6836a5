import { builtIn, LIBRARY } from '../../library/library';
import { evidenceOf } from '../call/log';
import type { LogEntry, Records } from '../call/record';
import { checksDue } from './closingChecks';
import { courseOf } from './course';
import { expectedOrder, judgeOrder, orderedActuators, ordersDue } from './eventOrder';

const oven = builtIn('over-range-oven');
if (!oven) throw new Error('no oven');
const [door] = orderedActuators(oven);
if (!door) throw new Error('no door');
const event = (part: string) =>
  expectedOrder(oven, door, 'opening').find((each) => each.part === part) ?? { part, contact: '?' };
const [primary, sense, monitor] = ['primary', 'sense', 'monitor'].map(event);
if (!primary || !sense || !monitor) throw new Error('no interlocks');

describe('the order of safety events', () => {
  // Common practice: on opening primary and secondary open first, the monitor closes after; the reverse on closing.
  it('is what the tables say: interlocks before the monitor, and the other way round on closing', () => {
    const opening = expectedOrder(oven, door, 'opening');
    const closing = expectedOrder(oven, door, 'closing');
    const steps = (all: typeof opening, part: string) =>
      all.find((each) => each.part === part)?.step;
    expect(steps(opening, 'primary')).toBeLessThan(steps(opening, 'monitor') ?? 0);
    expect(steps(opening, 'sense')).toBeLessThan(steps(opening, 'monitor') ?? 0);
    expect(steps(closing, 'monitor')).toBeLessThan(steps(closing, 'primary') ?? 0);
    expect(opening.find(({ part }) => part === 'monitor')?.becomes).toBe('closed');
    expect(closing.find(({ part }) => part === 'monitor')?.becomes).toBe('open');
    // Every oven with a monitor has such a door; a washer's lid, which is open or closed, has no order.
    for (const unit of LIBRARY)
      expect(orderedActuators(unit).length > 0).toBe(unit.parts.some(({ id }) => id === 'monitor'));
  });

  it('begins at the position that is called closed or shut, wherever the list has it', () => {
    const upside = { ...door, positions: door.positions.toReversed() };
    for (const way of ['opening', 'closing'] as const)
      expect(expectedOrder(oven, upside, way)).toEqual(expectedOrder(oven, door, way));
  });

  it('is judged by taps: right, wrong way round, not whole', () => {
    const opening = expectedOrder(oven, door, 'opening');
    expect(judgeOrder(opening, [primary, monitor])).toMatchObject({ kind: 'not-whole' });
    expect(judgeOrder(opening, [monitor, primary])).toEqual({
      kind: 'wrong',
      earlier: primary,
      later: monitor,
    });
    const whole = [...opening].sort((one, two) => one.step - two.step);
    expect(judgeOrder(opening, whole)).toEqual({ kind: 'right' });
    // Of one step either may come first.
    expect(judgeOrder(opening, [sense, primary, ...whole.slice(2)]).kind).not.toBe('wrong');
    // Every order in which a later step comes before an earlier one is wrong.
    expect(judgeOrder(opening, [...whole].reverse()).kind).toBe('wrong');
  });

  it('is due after an interlock was touched, since that repair alone, and keeps it from being proved', () => {
    type Line = { [K in keyof Records]: [K, Records[K]] }[keyof Records];
    const log = (...lines: Line[]): LogEntry[] =>
      lines.map(
        ([kind, body], i) =>
          ({ id: `e${i}`, kind, phoneAt: '2026-11-28T08:00:00Z', body }) as LogEntry,
      );
    const seen = (way: 'opening' | 'closing'): Line => [
      'order',
      {
        actuator: door.id,
        way,
        events: [...expectedOrder(oven, door, way)]
          .sort((one, two) => one.step - two.step)
          .map(({ part, contact }) => ({ part, contact })),
      },
    ];
    const replaced: Line = ['act', { part: 'monitor', act: 'replace' }];
    const due = (entries: LogEntry[]) =>
      ordersDue(oven, entries, evidenceOf(oven, entries).evidence);
    expect(due(log(seen('opening')))).toEqual([]);
    expect(due(log(seen('opening'), replaced)).map(({ way, verdict }) => [way, verdict])).toEqual([
      ['opening', undefined],
      ['closing', undefined],
    ]);
    const checked = checksDue(oven, log(replaced), evidenceOf(oven, log(replaced)).evidence).map(
      ({ check, of }): Line => [
        'checked',
        { check, ...(of !== undefined && { of }), outcome: 'right' },
      ],
    );
    const both = log(replaced, ...checked, seen('opening'), seen('closing'));
    expect(due(both).every(({ verdict }) => verdict?.kind === 'right')).toBe(true);
    const proved = (entries: LogEntry[]) =>
      courseOf({
        diagram: oven,
        entries,
        evidence: evidenceOf(oven, entries).evidence,
        stage: 'open',
        repair: { kind: 'proved', repairs: [] },
        checks: checksDue(oven, entries, evidenceOf(oven, entries).evidence),
      }).find(({ step }) => step === 'proved')?.state;
    expect(proved(both)).toBe('done');
    expect(proved(log(replaced, ...checked, seen('opening')))).toBe('begun');
    const wrong: Line = [
      'order',
      { actuator: door.id, way: 'closing', events: [primary, monitor] },
    ];
    expect(proved(log(replaced, seen('opening'), wrong))).toBe('wrong');
  });
});
