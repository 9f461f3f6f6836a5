import { builtIn } from '../../library/library';
import type { Diagram } from '../diagram/diagram';
import { parseFault } from '../fault/parseFault';
import { run, type StepResult } from './run';
import { noticed, saidBeside, statementsOf, type Outcome } from './statement';
import { parseSteps } from './step';

function watch(id: string, steps: string, ...broken: string[]) {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(`no built-in diagram ${id}`);
  const parsed = parseSteps(diagram, steps);
  if (!parsed.ok) throw new Error(parsed.error.message);
  const faults = broken.flatMap((text) => {
    const found = parseFault(diagram, text);
    if (!found.ok) throw new Error(found.error.message);
    return found.value;
  });
  const results = run(diagram, parsed.value, faults);
  return { diagram, results, healthy: run(diagram, parsed.value) };
}

/** What a subject does in the step that is written so. */
function outcome(
  { diagram, results }: { diagram: Diagram; results: StepResult[] },
  step: string,
  subject: string,
): Outcome | undefined {
  const at = results.findLastIndex((each) => each.step.startsWith(step));
  return statementsOf(diagram, results).find((each) => each.step === at && each.subject === subject)
    ?.outcome;
}

const DRY = 'timer=heat,start=pressed,start=released';

// Everything here is common practice, unless a comment says otherwise.
describe('a dryer', () => {
  it('holds itself in when start is released, and cycles its heat', () => {
    const healthy = watch('electric-dryer', DRY);
    expect(outcome(healthy, 'timer', 'motor')).toBe('off');
    expect(outcome(healthy, 'start=released', 'motor')).toBe('runs');
    expect(outcome(healthy, 'start=released', 'element')).toBe('cycles');
    const last = healthy.results.at(-1);
    expect(last?.end).toBe('cycling');
    // First-order heat between 130 and 155 toward 230 and back toward 70: the closed form.
    const up = 240 * Math.log((230 - 130) / (230 - 155));
    const down = 240 * Math.log((155 - 70) / (130 - 70));
    expect(last?.cycle?.runs.element).toBeCloseTo(up / (up + down), 1);
  });

  it('stops when start is released, if the hold-in contact does not make', () => {
    const stops = watch('electric-dryer', DRY, 'centrifugal.H-M:stuck-open');
    expect(outcome(stops, 'start=pressed', 'motor')).toBe('runs');
    expect(outcome(stops, 'start=released', 'motor')).toBe('stops');
  });

  it('does not start at all by a dead door contact, start switch, fuse or belt', () => {
    for (const fault of [
      'door-switch.NO:stuck-open',
      'start:stuck-open',
      'fuse:blown',
      'w8:wire-open',
    ])
      expect(outcome(watch('electric-dryer', DRY, fault), 'start=pressed', 'motor')).toBe('off');
    const noBelt = watch('electric-dryer', `belt=off,${DRY}`);
    expect(outcome(noBelt, 'start=pressed', 'motor')).toBe('off');
  });

  it('hums with a dead start winding or when it is held, and the overload cycles', () => {
    const hums = watch('electric-dryer', 'timer=heat,start=pressed,wait=200', 'motor.start:open');
    expect(hums.results.at(-1)?.moments.some((each) => each.loads.motor === 'hums')).toBe(true);
    const held = watch('electric-dryer', 'timer=heat,start=pressed,wait=400', 'motor:seized');
    const open = held.results.at(-1)?.moments.map((each) => each.opened.includes('overload'));
    expect(open?.filter((each, i) => each && !open[i - 1]).length).toBeGreaterThan(2);
  });

  it('blows the fuse for good when the thermostat does not open: a fault that causes another', () => {
    const cooked = watch('electric-dryer', DRY, 'thermostat:stuck-closed');
    expect(outcome(cooked, 'start=released', 'fuse')).toBe('opens');
    expect(outcome(cooked, 'start=released', 'motor')).toBe('quits');
    const again = watch(
      'electric-dryer',
      `${DRY},wait=3600,start=pressed`,
      'thermostat:stuck-closed',
    );
    expect(outcome(again, 'start=pressed', 'motor')).toBe('off');
    expect(outcome(again, 'start=pressed', 'fuse')).toBe('open');
  });

  it('lights the drum lamp with the door open, and stops', () => {
    const opened = watch('electric-dryer', `${DRY},wait=60,door=open`);
    expect(outcome(opened, 'door=open', 'motor')).toBe('stops');
    expect(outcome(opened, 'door=open', 'lamp')).toBe('runs');
  });
});

describe('an over-range oven', () => {
  const COOK =
    'power=off,door=closed,power=on,start=pressed,start=released,wait=10,door=ajar,door=open';

  it('cooks, stops with the door ajar, and blows nothing', () => {
    const healthy = watch('over-range-oven', COOK);
    expect(outcome(healthy, 'start=released', 'magnetron')).toBe('runs');
    expect(outcome(healthy, 'door=ajar', 'magnetron')).toBe('stops');
    expect(outcome(healthy, 'door=open', 'fuse')).toBe('whole');
  });

  it('blows the line fuse on opening when the primary fails to open', () => {
    const welded = watch('over-range-oven', COOK, 'primary.NO:stuck-closed');
    expect(outcome(welded, 'start=released', 'magnetron')).toBe('runs');
    expect(outcome(welded, 'door=ajar', 'fuse')).toBe('whole');
    expect(outcome(welded, 'door=open', 'fuse')).toBe('opens');
    expect(outcome(welded, 'door=open', 'cord')).toBe('whole');
  });

  it('blows it at once with a welded monitor', () => {
    const welded = watch('over-range-oven', COOK, 'monitor:stuck-closed');
    expect(outcome(welded, 'power=on', 'fuse')).toBe('opens');
  });
});

describe('burners', () => {
  it('map the welded legs of an infinite switch', () => {
    const at = (fault: string, step: string, subject: string) =>
      outcome(
        watch('radiant-burner', 'knob=high,wait=60,knob=off,wait=2000', fault),
        step,
        subject,
      );
    // Pilot leg: lamp on in off, no heat.
    expect(at('infinite.L1-P:stuck-closed', 'knob=off', 'on-lamp')).toBe('runs');
    expect(at('infinite.L1-P:stuck-closed', 'knob=off', 'element')).not.toBe('runs');
    // The other leg alone: off is off.
    expect(at('infinite.L2-H2:stuck-closed', 'knob=off', 'element')).toBe('stops');
    // Element side open: no heat, lamp on.
    expect(at('infinite.L1-H1:stuck-open', 'knob=high', 'element')).toBe('off');
    expect(at('infinite.L1-H1:stuck-open', 'knob=high', 'on-lamp')).toBe('runs');
  });

  it('keep the hot-surface lamp on until the glass has cooled, and for ever when its contact welds', () => {
    const cools = watch('radiant-burner', 'knob=high,wait=120,knob=off');
    expect(outcome(cools, 'knob=off', 'hot-lamp')).toBe('quits');
    const welded = watch(
      'radiant-burner',
      'knob=high,wait=120,knob=off',
      'hot-contact:stuck-closed',
    );
    expect(outcome(welded, 'power=on', 'hot-lamp')).toBe('runs');
    expect(outcome(welded, 'knob=off', 'hot-lamp')).toBe('runs');
  });

  it('cycle by themselves at LOW, and with a bad infinite switch never or always so (common practice)', () => {
    const use = 'knob=high,wait=60,knob=low,wait=120,knob=off';
    const good = watch('coil-burner', use);
    expect(outcome(good, 'knob=high', 'coil')).toBe('runs');
    expect(outcome(good, 'knob=low', 'coil')).toBe('cycles');
    expect(good.results.find(({ step }) => step.startsWith('knob=low'))?.cycle).toMatchObject({
      seconds: 30,
      runs: { coil: expect.closeTo(5 / 30, 6), lamp: 1 },
    });
    const high = watch('coil-burner', use, 'infinite.L2-H2:always-on');
    expect(outcome(high, 'knob=low', 'coil')).toBe('runs');
    expect(outcome(high, 'knob=off', 'coil')).toBe('stops');
    const low = watch('coil-burner', use, 'infinite.L2-H2:only-low');
    expect(outcome(low, 'knob=high', 'coil')).toBe('cycles');
    const { diagram } = low;
    expect(saidBeside(diagram, 'coil', 'runs', 'cycles')).toBe('never-pauses');
    expect(saidBeside(diagram, 'coil', 'cycles', 'runs')).toBe('weak');
    expect(saidBeside(diagram, 'lamp', 'cycles', 'runs')).toBe('cycles');
  });

  it('cycle on the limiter when the glass gets too hot', () => {
    const high = watch('radiant-burner', 'knob=high');
    expect(outcome(high, 'knob=high', 'element')).toBe('cycles');
    const share = high.results.at(-1)?.cycle?.runs.element ?? 0;
    expect(share).toBeGreaterThan(0.5);
  });
});

describe('furnaces', () => {
  it('runs its sequence, and blows on after a limit has tripped', () => {
    const heat = watch('gas-furnace', 'thermostat=heat');
    expect(heat.results.at(-1)?.moments.map((each) => each.boards.board)).toEqual(
      expect.arrayContaining(['draw', 'glow', 'light', 'burn', 'heat']),
    );
    const tripped = watch('gas-furnace', 'thermostat=heat,burner=320');
    expect(outcome(tripped, 'burner', 'valve')).toBe('stops');
    expect(outcome(tripped, 'burner', 'blower')).toBe('runs');
    expect(outcome(tripped, 'burner', 'board')).toMatch(/limit/);
    // A manual limit stays open when it has cooled, until it is pressed.
    const cooled = 'thermostat=heat,burner=320,burner=70';
    expect(outcome(watch('gas-furnace', cooled), 'burner=70', 'valve')).toBe('off');
    const pressed = watch('gas-furnace', `${cooled},reset=rollout`);
    expect(outcome(pressed, 'reset', 'valve')).toBe('runs');
  });

  it('cycles on its limit when the blower is dead', () => {
    const dead = watch('gas-furnace', 'thermostat=heat,wait=3600', 'blower:open');
    const open = dead.results.at(-1)?.moments.filter((each) => each.switches.limit === 'above');
    expect(open?.length).toBeGreaterThan(1);
  });

  it('blower of a trailer furnace runs 20 s, then quits, when the sail does not lift', () => {
    for (const fault of [
      'sail:not-actuated',
      'sail-arm:broken',
      'sail:stuck-open',
      'limit:stuck-open',
    ]) {
      const quits = watch('trailer-furnace', 'thermostat=heat', fault);
      expect(outcome(quits, 'thermostat', 'blower')).toBe('quits');
      const moments = quits.results.at(-1)?.moments ?? [];
      const starts = moments.find((each) => each.loads.blower === 'runs')?.at ?? NaN;
      const stops = moments.find((each) => each.at > starts && each.loads.blower === 'off')?.at;
      expect((stops ?? NaN) - starts).toBeCloseTo(20, 3);
    }
  });

  it('nothing at all happens when the sail is stuck closed: the board asks first', () => {
    const dead = watch('trailer-furnace', 'thermostat=heat', 'sail:stuck-closed');
    expect(outcome(dead, 'thermostat', 'blower')).toBe('off');
    expect(noticed(dead.diagram, dead.healthy, dead.results).map((each) => each.subject)).toContain(
      'valve',
    );
  });

  it('reports a relay that undoes its own coil as chatter', () => {
    const diagram = buzzer();
    const results = run(diagram, []);
    expect(results[0]?.end).toBe('chatters');
  });
});

/** A relay whose own normally closed contact feeds its coil: it buzzes. */
function buzzer(): Diagram {
  return {
    format: 'yarrix-diagram',
    version: 1,
    id: 'buzzer',
    name: 'Buzzer',
    kind: 'bench',
    drawnFor: { armature: 'rest' },
    supplies: [
      { id: 'b', name: 'Battery', kind: 'dc', volts: 12, terminals: [{ id: 'P' }, { id: 'M' }] },
    ],
    panels: [],
    cautions: [],
    actuators: [
      {
        id: 'armature',
        name: 'Armature',
        kind: 'driven',
        by: 'coil',
        rest: 'rest',
        running: 'pulled',
        positions: [
          { id: 'rest', name: 'armature at rest' },
          { id: 'pulled', name: 'armature pulled in' },
        ],
      },
    ],
    parts: [
      {
        id: 'contact',
        name: 'Contact',
        role: 'feeds the coil',
        kind: 'switch',
        terminals: [{ id: 'C' }, { id: 'NC' }],
        contacts: [{ id: 'NC', between: ['C', 'NC'], circuit: 'control' }],
        actuator: 'armature',
        free: 'rest',
        byHand: 'Press the armature.',
        table: {
          known: 'sheet',
          rows: [
            { position: 'rest', closed: ['NC'] },
            { position: 'pulled', closed: [] },
          ],
        },
      },
      {
        id: 'coil',
        name: 'Coil',
        role: 'pulls the armature',
        kind: 'load',
        load: 'coil',
        terminals: [{ id: 'a' }, { id: 'b' }],
        elements: [
          { id: 'coil', between: ['a', 'b'], value: { nominal: 80, low: 70, high: 90 }, volts: 12 },
        ],
      },
    ],
    wires: [
      { id: 'w1', colour: 'RD', from: 'b.P', to: 'contact.C' },
      { id: 'w2', colour: 'RD', from: 'contact.NC', to: 'coil.a' },
      { id: 'w3', colour: 'BK', from: 'coil.b', to: 'b.M' },
    ],
  };
}
