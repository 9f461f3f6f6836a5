import { builtIn } from '../../library/library';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import { drawnSetup, setActuator, type Setup } from '../diagram/setup';
import { findSwitch } from '../diagram/terminal';
import { parseFault } from '../fault/parseFault';
import { effectiveResistance } from './effectiveResistance';
import { isolate } from './isolation';
import { buildNetwork } from './network';
import { nodeOf } from './nodes';
import { ohmReading, type OhmAnswer } from './ohmReading';

const diagramOf = (id: string): Diagram => {
  const found = builtIn(id);
  if (!found) throw new Error(`no built-in diagram ${id}`);
  return found;
};
const oven = diagramOf('over-range-oven');
const burner = diagramOf('coil-burner');

function set(diagram: Diagram, ...states: [string, string][]): Setup {
  return states.reduce((setup, [actuator, position]) => {
    const moved = setActuator(diagram, setup, actuator, position);
    if (!moved.ok) throw new Error(moved.error.message);
    return moved.value;
  }, drawnSetup(diagram));
}
function faults(diagram: Diagram, text: string) {
  const parsed = parseFault(diagram, text);
  if (!parsed.ok) throw new Error(parsed.error.message);
  return parsed.value;
}
const nominal = (answer: OhmAnswer): number => {
  if (answer.kind !== 'ohms') throw new Error(`not a number of ohms: ${answer.kind}`);
  return answer.nominal;
};

describe('ohm readings of whole units (common practice)', () => {
  it('reads the control transformer at the plug, and near zero with a welded monitor', () => {
    const closed = set(oven, ['door', 'closed']);
    expect(nominal(ohmReading(oven, closed, 'cord.L', 'cord.N'))).toBeCloseTo(175, 0);
    const welded = ohmReading(
      oven,
      closed,
      'cord.L',
      'cord.N',
      faults(oven, 'monitor:stuck-closed'),
    );
    expect(nominal(welded)).toBeLessThan(0.5);
  });

  it('lets the dead short answer only when the primary fails to open', () => {
    const open = set(oven, ['door', 'open']);
    expect(nominal(ohmReading(oven, open, 'cord.L', 'cord.N'))).toBeCloseTo(175, 0);
    const stuck = faults(oven, 'primary.NO:stuck-closed');
    expect(nominal(ohmReading(oven, open, 'cord.L', 'cord.N', stuck))).toBeLessThan(0.5);
  });

  it('reads a burner chain from the plug under 100 ohm, and V squared / P of its element', () => {
    const high = set(burner, ['knob', 'high']);
    const value = nominal(ohmReading(burner, high, 'feed.L1', 'feed.L2'));
    expect(value).toBeGreaterThan(27.4); // 240 V squared / 2100 W = 27.43 ohm
    expect(value).toBeLessThan(28);
    expect(ohmReading(burner, set(burner, ['knob', 'off']), 'feed.L1', 'feed.L2').kind).toBe(
      'open',
    );
  });

  it('reads 23.0 ohm of 2500 W at 240 V', () => {
    const wall = diagramOf('wall-oven');
    const alone = { ...drawnSetup(wall), lifted: ['bake.a' as const] };
    expect(nominal(ohmReading(wall, alone, 'bake.a', 'bake.b'))).toBeCloseTo(23.04, 2);
  });

  it('calls a cycling pair unsure and a powered circuit not computable', () => {
    const low = { ...set(burner, ['knob', 'low']), lifted: ['infinite.H2' as const] };
    expect(ohmReading(burner, low, 'infinite.L2', 'infinite.H2')).toMatchObject({
      kind: 'unsure',
      high: null,
    });
    const powered = (power: 'on' | 'unknown') =>
      ohmReading(burner, { ...low, power }, 'infinite.L1', 'infinite.H1');
    expect(powered('on')).toEqual({
      kind: 'not-computable',
      reason: expect.stringMatching(/never read ohms .* powered/),
    });
    expect(powered('unknown')).toEqual({
      kind: 'not-computable',
      reason: expect.stringMatching(/prove it dead/),
    });
  });

  it('reads a contact in a loop that a pilot still feeds once no current runs through it', () => {
    const fire = diagramOf('millivolt-fireplace');
    const read = (wall: string, from: TerminalRef, to: TerminalRef) =>
      ohmReading(fire, set(fire, ['wall', wall]), from, to);
    expect(read('on', 'limit.a', 'limit.b')).toMatchObject({
      kind: 'not-computable',
      reason: expect.stringMatching(/thermopile still feeds these points/),
    });
    // Both its ends stand at the same volts then, on whichever side of the gap it lies.
    const off: [TerminalRef, TerminalRef][] = [
      ['limit.a', 'limit.b'],
      ['thermopile.TPTH', 'wall-switch.a'],
      ['valve.TP', 'thermopile.TP'],
    ];
    for (const [from, to] of off) expect(read('off', from, to)).toMatchObject({ kind: 'ohms' });
    expect(read('off', 'wall-switch.a', 'wall-switch.b').kind).toBe('not-computable');
  });

  it('gives electronics as an interval up to open, never as a number', () => {
    const answer = ohmReading(oven, drawnSetup(oven), 'sense.COM', 'sense.NO');
    expect(answer).toMatchObject({ kind: 'unsure', nominal: null, high: null });
  });

  it('names the fewest wires to lift, after which a closed look-alike is gone', () => {
    const infinite = findSwitch(burner, 'infinite');
    if (!infinite.ok) throw new Error(infinite.error.message);
    const off = set(burner, ['knob', 'off']);
    // The coil joins H1 to H2 and the lamp P to L2: with the wires on they answer.
    expect(nominal(ohmReading(burner, off, 'infinite.H1', 'infinite.H2'))).toBeCloseTo(27.5, 0);
    const { lift, sneakPaths } = isolate(burner, infinite.value);
    expect(lift).toHaveLength(2);
    expect(sneakPaths.flatMap((way) => way.through)).toEqual(
      expect.arrayContaining(['coil', 'lamp']),
    );
    const lifted = { ...off, lifted: lift };
    expect(ohmReading(burner, lifted, 'infinite.H1', 'infinite.H2').kind).toBe('open');
    expect(ohmReading(burner, lifted, 'infinite.P', 'infinite.L2').kind).toBe('open');
  });

  it('bounds a reading exactly: no corner of the tolerances lies outside, two reach the ends', () => {
    const setup = set(oven, ['door', 'closed'], ['cook', 'cooking']);
    const answer = ohmReading(oven, setup, 'cord.L', 'cord.N');
    if (answer.kind !== 'ohms') throw new Error(answer.kind);
    const network = buildNetwork(oven, setup);
    const [a, b] = [nodeOf(network.nodes, 'cord.L'), nodeOf(network.nodes, 'cord.N')];
    const island = network.edges.filter((edge) => network.islandOf[edge.a] === network.islandOf[a]);
    const corners: number[] = [];
    for (let corner = 0; corner < 1 << Math.min(12, island.length); corner++) {
      const edges = island.map((edge, i) => ({
        a: edge.a,
        b: edge.b,
        ohms: corner & (1 << (i % 12)) ? edge.high : edge.low,
      }));
      corners.push(effectiveResistance(edges, a, b));
    }
    expect(Math.min(...corners)).toBeCloseTo(answer.low, 9);
    expect(Math.max(...corners)).toBeCloseTo(answer.high, 9);
  });
});

describe('quantities', () => {
  // Common practice: a limit marked 160-30 opens at 160 F on rise and closes again at 130 F.
  const limit: Diagram = {
    format: 'yarrix-diagram',
    version: 1,
    id: 'limit',
    name: 'Limit on a bench',
    kind: 'bench',
    drawnFor: { heat: 70 },
    supplies: [],
    wires: [],
    panels: [],
    cautions: [],
    actuators: [
      {
        id: 'heat',
        name: 'Air temperature',
        kind: 'quantity',
        quantity: 'temperature',
        unit: '°F',
      },
    ],
    parts: [
      {
        id: 'limit',
        name: 'Limit',
        role: 'limit',
        kind: 'switch',
        terminals: [{ id: 'A' }, { id: 'B' }],
        contacts: [{ id: 'AB', between: ['A', 'B'], circuit: 'control' }],
        actuator: 'heat',
        free: 'below',
        byHand: 'It cannot be moved by hand.',
        setPoints: { rising: { at: 160, tolerance: 5 }, falling: { at: 130, tolerance: 5 } },
        table: {
          known: 'sheet',
          rows: [
            { position: 'below', closed: ['AB'] },
            { position: 'above', closed: [] },
          ],
        },
      },
    ],
  };

  it.each([
    ['100', 'ohms'],
    ['165', 'open'],
    ['145', 'unsure'],
    ['145:rising', 'ohms'],
    ['145:falling', 'open'],
  ])('at %s degrees reads as %s', (heat, kind) => {
    expect(ohmReading(limit, set(limit, ['heat', heat]), 'limit.A', 'limit.B').kind).toBe(kind);
  });
});
