import { LIBRARY } from '../../library/library';
import { madeUpUnit } from '../../library/madeUp/madeUpUnit';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import { owners } from '../diagram/terminal';
import { ALL, inTurn } from '../../tools/inTurn';
import { fieldTrace, type TraceOptions, type TraceReading, type TraceShows } from './fieldTrace';
import type { EndSeen } from './wireMatching';

/** Which terminals the wires of a unit join, as a text. */
function nets(unit: Diagram, wires: readonly { from: TerminalRef; to: TerminalRef }[]): string {
  const up = new Map<string, string>();
  const root = (ref: string): string => {
    const above = up.get(ref) ?? ref;
    return above === ref ? ref : root(above);
  };
  for (const { from, to } of wires) up.set(root(from), root(to));
  const groups = new Map<string, string[]>();
  for (const { id, terminals } of owners(unit))
    for (const each of terminals) {
      const ref = `${id}.${each.id}`;
      groups.set(root(ref), [...(groups.get(root(ref)) ?? []), ref]);
    }
  return [...groups.values()]
    .map((group) => group.sort().join(' '))
    .sort()
    .join('; ');
}

/** A unit is traced by who reads what is advised, on the unit as it really is. */
function traced(unit: Diagram, colourOf: (colour: string) => string, options: TraceOptions = {}) {
  const ends = unit.wires.flatMap(({ from, to, colour }): EndSeen[] => [
    { at: from, colour: colourOf(colour) },
    { at: to, colour: colourOf(colour) },
  ]);
  const draft = { ...unit, wires: [] };
  // With its wires in place nothing is open: what is read fits or does not.
  const shows = (test: Omit<TraceReading, 'shows'>): TraceShows => {
    const fits = (each: TraceShows): boolean =>
      !fieldTrace(unit, [], [{ ...test, shows: each }]).contradiction;
    return (['closed', 'load', 'open'] as const).find(fits) ?? 'open';
  };
  const readings: TraceReading[] = [];
  let now = fieldTrace(draft, ends, readings, options);
  for (let [test] = now.tests; test && readings.length < 60; [test] = now.tests) {
    const { from, to, at } = test;
    readings.push({ from, to, at, shows: shows({ from, to, at }) });
    now = fieldTrace(draft, ends, readings, { ...options, before: now.structures });
  }
  return {
    right: nets(unit, now.wires) === nets(unit, unit.wires),
    readings: readings.length,
    now,
  };
}

const points = ({ wires }: Diagram): number =>
  new Set(wires.flatMap(({ from, to }) => [from, to])).size;
const UNITS = [...LIBRARY, ...Array.from({ length: 60 }, (_, i) => madeUpUnit(i + 1))].filter(
  (unit) =>
    points(unit) >= 6 && points(unit) <= 20 && !unit.parts.some(({ kind }) => kind === 'board'),
);
/** Small units that are traced twice over; all of them in the long run. */
const SOME = ALL ? Infinity : 6;
/** Bundles of few colours, as they are met: half of the wires look alike. */
const THREE = (colour: string): string => ['BK', 'RD', 'WH'][colour.charCodeAt(0) % 3] ?? 'BK';

it('comes to the wiring of 95 in 100 units of 6 to 20 terminals, by the colours that they have', () => {
  expect(UNITS.length).toBeGreaterThan(30);
  const wrong = UNITS.filter((unit) => !traced(unit, (colour) => colour).right);
  expect(wrong.length / UNITS.length).toBeLessThanOrEqual(0.05);
}, 120_000);

inTurn(3)(
  'does so with three colours, and on small units with as few readings as where every structure is counted',
  () => {
    const small = UNITS.filter((unit) => points(unit) <= 13).slice(0, SOME);
    expect(small.length).toBeGreaterThan(4);
    const drawn = small.map((unit) => traced(unit, THREE, { mostCounted: 0 }));
    const counted = small.map((unit) => traced(unit, THREE));
    expect(drawn.filter(({ right }) => right).length).toBeGreaterThanOrEqual(0.95 * small.length);
    expect(counted.every(({ right }) => right)).toBe(true);
    const sum = (of: { readings: number }[]): number =>
      of.reduce((all, { readings }) => all + readings, 0);
    expect(sum(drawn) / sum(counted)).toBeLessThanOrEqual(1.3);
  },
  120_000,
);

it('says when readings do not go together, and leaves an end over whose other one was not found', () => {
  const [unit] = UNITS.filter((each) => points(each) <= 12);
  if (!unit) throw new Error('no small unit');
  const draft = { ...unit, wires: [] };
  const [a, b] = [...new Set(unit.wires.flatMap(({ from, to }) => [from, to]))];
  if (!a || !b) throw new Error('no points');
  const twice = (shows: TraceShows): TraceReading => ({ from: a, to: b, at: {}, shows });
  const ends: EndSeen[] = unit.wires.flatMap(({ from, to, colour }) => [
    { at: from, colour },
    { at: to, colour },
  ]);
  expect(fieldTrace(draft, ends, [twice('closed'), twice('open')]).contradiction).toBe(true);
  const alone: EndSeen[] = [
    { at: a, colour: 'PK' },
    { at: a, colour: 'PK' },
    { at: b, colour: 'BK' },
  ];
  expect(fieldTrace(draft, alone, [])).toMatchObject({ contradiction: false, wires: [] });
});
