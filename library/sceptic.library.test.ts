import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { runWhole } from '../core/behaviour/run';
import { alike, saidBeside, type Outcome } from '../core/behaviour/statement';
import { parseSteps } from '../core/behaviour/step';
import type { Diagram, LoadPart } from '../core/diagram/diagram';
import { parseFault } from '../core/fault/parseFault';
import type { UnitHypothesis } from '../core/inference/unitHypotheses';
import { lintWhole } from '../core/circuit/lintCircuit';
import { builtIn, LIBRARY, VARIANTS } from './library';
import { preparedUnit } from '../tools/preparations/preparedUnit';

// What a sceptic asks of every unit; all of it is common practice.

const loadsOf = (diagram: Diagram): LoadPart[] =>
  diagram.parts.filter((part): part is LoadPart => part.kind === 'load');

function coursesOf(diagram: Diagram, steps: string, fault?: string) {
  const parsed = parseSteps(diagram, steps);
  if (!parsed.ok) throw new Error(parsed.error.message);
  const faults = fault === undefined ? undefined : parseFault(diagram, fault);
  if (faults && !faults.ok) throw new Error(faults.error.message);
  return runWhole(diagram, parsed.value, faults?.ok ? faults.value : []).courses;
}

/** Complaints of the trade by unit: words, and what is seen of which part. */
const COMPLAINTS = readFileSync(join(__dirname, 'complaints.txt'), 'utf8')
  .split('\n')
  .filter((line) => line && !line.startsWith('#'))
  .reduce<{ unit: string; says: string; seen: [string, string][] }[]>((list, line) => {
    if (!line.startsWith(' ')) return [...list, { unit: line, says: '', seen: [] }];
    const [, says = '', rest = ''] = /^ +(.*?): (.*)$/.exec(line) ?? [];
    // A board's words may have commas of their own.
    const seen = rest.split(
      /, (?=[a-z0-9-]+ (?:off|runs|hums|weak|stops|quits|cycles|never-pauses|opens|says))/,
    );
    const pairs = seen.map((each): [string, string] => {
      const at = each.indexOf(' ');
      return [each.slice(0, at), each.slice(at + 1)];
    });
    return [...list, { unit: list.at(-1)?.unit ?? '', says, seen: pairs }];
  }, [])
  .filter(({ says }) => says);

const hypotheses = new Map<string, readonly UnitHypothesis[]>();
const hypothesesOf = (diagram: Diagram): readonly UnitHypothesis[] => {
  const known = hypotheses.get(diagram.id) ?? preparedUnit(diagram).predictor.hypotheses;
  hypotheses.set(diagram.id, known);
  return known;
};

it('has complaints of every unit written down', () => {
  const told = new Set(COMPLAINTS.map(({ unit }) => unit));
  expect([...told].sort()).toEqual(LIBRARY.map(({ id }) => id).sort());
});

it.each(COMPLAINTS)(
  '$unit: "$says" is made by some fault, and not by a good unit',
  ({ unit, seen }) => {
    const diagram = builtIn(unit);
    if (!diagram) throw new Error(`no unit ${unit}`);
    const all = hypothesesOf(diagram);
    const [healthy] = all;
    const makes = ({ uses }: UnitHypothesis): boolean =>
      [...uses.outcomes].some(([steps, outcomes]) => {
        const good = healthy?.uses.outcomes.get(steps);
        const shows = (subject: string, outcome: string): boolean => {
          const found = outcomes.get(subject);
          if (!found) return false;
          const said = saidBeside(diagram, subject, found, good?.get(subject));
          return alike(found, outcome as Outcome) || said === outcome;
        };
        const unlike = [...outcomes].some(([id, outcome]) => good?.get(id) !== outcome);
        return unlike && seen.every(([subject, outcome]) => shows(subject, outcome));
      });
    expect(all.filter((each) => each.suspect !== undefined).some(makes)).toBe(true);
  },
);

/** Units that rightly start by themselves once they are plugged in. */
const BY_THEMSELVES = [
  'refrigerator',
  'electric-water-heater',
  'compressor-dehumidifier',
  'standing-pilot-heater',
];

/** Safeties: with this fault (or none), after these steps, within so many seconds, this must be off. */
const SAFETIES: [
  unit: string,
  fault: string | undefined,
  steps: string,
  off: string,
  within: number,
][] = [
  [
    'over-range-oven',
    undefined,
    'power=off,door=closed,power=on,start=pressed,start=released,wait=5,door=ajar',
    'magnetron',
    0,
  ],
  [
    'over-range-oven',
    'primary.NO:stuck-closed',
    'power=off,door=closed,power=on,start=pressed,start=released,wait=5,door=open',
    'magnetron',
    0,
  ],
  [
    'countertop-microwave',
    undefined,
    'power=off,door=closed,power=on,start=pressed,start=released,wait=5,door=ajar',
    'magnetron',
    0,
  ],
  [
    'countertop-microwave',
    'relay.NO:stuck-closed',
    'power=off,door=closed,power=on,start=pressed,start=released,wait=5,door=open',
    'magnetron',
    0,
  ],
  [
    'relay-monitor-oven',
    'relay.NO:stuck-closed',
    'power=off,door=closed,power=on,start=pressed,start=released,wait=5,door=open',
    'magnetron',
    0,
  ],
  [
    'electric-dryer',
    undefined,
    'timer=heat,start=pressed,start=released,wait=60,door=open',
    'motor',
    0,
  ],
  ['gas-dryer', undefined, 'timer=heat,start=pressed,start=released,wait=60,door=open', 'split', 0],
  [
    'electric-dryer',
    'thermostat.1-2:stuck-closed',
    'timer=heat,start=pressed,start=released,wait=60,housing=260',
    'element',
    1,
  ],
  ['dishwasher', undefined, 'timer=fill,wait=10,float=up', 'valve', 0],
  ['dishwasher', undefined, 'timer=wash,wait=10,latch=open', 'pump', 0],
  ['lid-lock-washer', undefined, 'start=pressed,start=released,wait=300,lid=open', 'drive', 1],
  [
    'lid-lock-washer',
    'level-switch.1-2:stuck-open',
    'start=pressed,start=released,wait=600',
    'valve',
    0,
  ],
  ['front-load-washer', undefined, 'key=pressed,key=released,wait=60,door=open', 'motor', 1],
  [
    'trash-compactor',
    undefined,
    'rotary=start,travel=below,rotary=on,wait=5,drawer=open',
    'motor',
    0,
  ],
  [
    'trash-compactor',
    undefined,
    'rotary=start,travel=below,rotary=on,wait=5,ram=tilted',
    'motor',
    0,
  ],
  [
    'trash-compactor',
    undefined,
    'rotary=start,travel=below,rotary=on,wait=5,travel=top',
    'motor',
    0,
  ],
  ['timer-washer', undefined, 'timer=wash,wait=240,timer=spin,wait=30,lid=open', 'drive', 0],
  ['timer-washer', undefined, 'timer=wash,wait=240', 'cold-valve', 0],
  ['gas-furnace', undefined, 'thermostat=heat,wait=100,plenum=230', 'valve', 1],
  ['gas-furnace', undefined, 'thermostat=heat,wait=100,burner=330', 'valve', 1],
  ['gas-furnace', 'hose:broken', 'thermostat=heat,wait=100', 'valve', 0],
  ['electric-furnace', 'blower.winding:open', 'thermostat=heat,wait=600', 'element-1', 0],
  ['electric-furnace', 'blower:open', 'thermostat=heat,wait=110', 'element-2', 0],
  ['boiler', 'flame-rod.r-g:stuck-open', 'thermostat=heat,wait=60', 'valve', 0],
  ['boiler', undefined, 'thermostat=heat,wait=60,level=20', 'valve', 1],
  ['boiler', undefined, 'thermostat=heat,wait=60,hood=280', 'valve', 1],
  ['boiler', undefined, 'thermostat=heat,wait=60,pressure=30', 'valve', 1],
  ['oil-burner', 'eye.f1-f2:stuck-open', 'stat=heat,wait=60', 'motor', 0],
  ['absorption-refrigerator', 'electrode.e-g:stuck-open', 'select=gas,wait=60', 'valve', 0],
  ['absorption-refrigerator', undefined, 'select=mains,wait=30,flue=460', 'element', 1],
  ['trailer-water-heater', 'flame-sensor.r-g:stuck-open', 'wall=on,wait=60', 'valve', 0],
  ['trailer-water-heater', undefined, 'wall=on,wait=30,tank=190', 'valve', 1],
  ['standing-pilot-heater', undefined, 'power=on,wait=10,chamber=380', 'magnet', 1],
  ['electric-water-heater', 'upper-stat.C-U:stuck-closed', 'power=on,wait=1800', 'upper', 0],
  ['cooling-unit', undefined, 'stat=cool,wait=10,head=640', 'compressor', 1],
  ['heat-pump', undefined, 'stat=heat,wait=10,head=640', 'compressor', 1],
  ['air-handler', undefined, 'stat=cool,wait=10,pan=90', 'outdoor', 1],
  ['air-handler', undefined, 'stat=cool,wait=10,panel=open', 'blower', 0],
  ['roof-air-conditioner', undefined, 'mode=cool-high,wait=10,fins=20', 'compressor', 1],
  ['clean-oven', 'bolt:broken', 'selector=clean,wait=200', 'bake', 0],
];

it.each(SAFETIES)('%s with %s: after %s the %s is off', (id, fault, steps, off, within) => {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(`no unit ${id}`);
  const courses = coursesOf(diagram, steps, fault);
  const { stands = [], seconds = 0 } = courses.at(-1) ?? {};
  // It can run at all: otherwise that it is off says nothing.
  const ran = courses.some((course) => course.stands.some(({ loads }) => loads[off] === 'runs'));
  const whole = coursesOf(diagram, diagram.uses?.map((each) => each.steps).at(-1) ?? '');
  expect(
    ran || whole.some((course) => course.stands.some(({ loads }) => loads[off] === 'runs')),
  ).toBe(true);
  const until = within > 0 ? within : seconds;
  const then = stands.findLast(({ at }) => at <= until) ?? stands.at(0);
  expect(then?.loads[off]).toBe('off');
});

describe.each(LIBRARY.map((diagram) => [diagram.id, diagram] as const))('%s', (id, diagram) => {
  it('starts nothing by itself when it is plugged in', () => {
    const loads = coursesOf(diagram, 'power=on,wait=5').at(-1)?.stands.at(-1)?.loads ?? {};
    const on = loadsOf(diagram).filter((part) => loads[part.id] !== 'off');
    const starts = on.filter(({ load }) => load !== 'lamp' && load !== 'transformer');
    // Shore power feeds the trailer's converter, and nothing else stands on.
    if (BY_THEMSELVES.includes(id)) expect(starts.length).toBeGreaterThan(0);
    else expect(starts.map((part) => part.id)).toEqual([]);
  });

  it('comes to rest, goes round or is over in every use, and never chatters', () => {
    for (const { steps } of diagram.uses ?? []) {
      const parsed = parseSteps(diagram, steps);
      const { results } = runWhole(diagram, parsed.ok ? parsed.value : [], []);
      expect(results.map(({ end }) => end)).not.toContain('chatters');
    }
  });

  it('has looks, causes and cautions of its own, and panels that reach something', () => {
    expect(diagram.looks?.length ?? 0).toBeGreaterThanOrEqual(4);
    expect(diagram.looks?.length ?? 0).toBeLessThanOrEqual(10);
    expect(diagram.cautions.length).toBeGreaterThanOrEqual(2);
    expect(diagram.parts.some((part) => part.causes?.length)).toBe(true);
    for (const { id: panel, minutes } of diagram.panels) {
      expect(minutes).toBeGreaterThan(0);
      const behind = [...diagram.parts, ...(diagram.looks ?? [])].some(
        (each) => each.panel === panel,
      );
      expect(behind ? panel : `nothing behind ${panel}`).toBe(panel);
    }
    // Every look points to something that is there, and tells it from the rest.
    const ids = [...diagram.parts, ...diagram.wires, ...diagram.supplies, ...diagram.actuators].map(
      (each) => each.id,
    );
    for (const { of, found } of diagram.looks ?? []) {
      for (const place of of) expect(ids).toContain(place.split(/[.:]/)[0]);
      expect(found.with).not.toBe(found.without);
    }
  });
});

describe('variants', () => {
  const doing = (diagram: Diagram | undefined, steps: string, load: string): string | undefined =>
    diagram && coursesOf(diagram, steps).at(-1)?.stands.at(-1)?.loads[load];
  const [, four, holdIn] = VARIANTS['electric-dryer'] ?? [];
  const [spin, all] = VARIANTS['top-load-washer'] ?? [];

  it.each(Object.entries(VARIANTS))(
    'of %s are sound, and each differs from the rest',
    (id, list) => {
      expect(list[0]).toBe(builtIn(id));
      expect(list.flatMap((each) => lintWhole(each))).toEqual([]);
      expect(new Set(list.map((each) => JSON.stringify(each))).size).toBe(list.length);
    },
  );

  it('do what they are chosen for (common practice)', () => {
    const broken = 'belt=off,timer=heat,start=pressed';
    expect(doing(four, broken, 'motor')).toBe('off');
    expect(doing(holdIn, broken, 'motor')).toBe('runs');
    expect(doing(holdIn, `${broken},start=released`, 'motor')).toBe('off');
    const open = 'timer=wash,wait=5,lid=open';
    expect(doing(spin, open, 'drive')).toBe('runs');
    expect(doing(all, open, 'drive')).toBe('off');
    expect(doing(all, 'timer=spin,wait=5', 'drive')).toBe('runs');
  });
});
