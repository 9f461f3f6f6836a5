import { builtIn } from '../../library/library';
import { chanceFrom } from '../chance';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import { drawnSetup, poweredSetup, setActuator, type Setup } from '../diagram/setup';
import { parseFault } from '../fault/parseFault';
import { buildNetwork, type Network } from './network';
import { nodeOf } from './nodes';
import { NodalAnalysis } from './nodalAnalysis';
import { METER_OHMS, voltReading, voltsBetween, type VoltAnswer } from './voltReading';

const diagramOf = (id: string): Diagram => {
  const found = builtIn(id);
  if (!found) throw new Error(`no built-in diagram ${id}`);
  return found;
};
const live = (diagram: Diagram, ...states: [string, string][]): Setup =>
  states.reduce(
    (setup, [actuator, position]) => {
      const moved = setActuator(diagram, setup, actuator, position);
      if (!moved.ok) throw new Error(moved.error.message);
      return moved.value;
    },
    poweredSetup(drawnSetup(diagram)),
  );
const faults = (diagram: Diagram, ...texts: string[]) =>
  texts.flatMap((text) => {
    const parsed = parseFault(diagram, text);
    if (!parsed.ok) throw new Error(parsed.error.message);
    return parsed.value;
  });
function volts(answer: VoltAnswer): Extract<VoltAnswer, { kind: 'volts' }> {
  if (answer.kind !== 'volts') throw new Error(`not volts: ${JSON.stringify(answer)}`);
  return answer;
}

const dryer = diagramOf('electric-dryer');
const burner = diagramOf('coil-burner');
const furnace = diagramOf('gas-furnace');
const fire = diagramOf('millivolt-fireplace');

describe('live readings (common practice)', () => {
  it('tells a dead leg only from leg to leg: its terminal still shows 120 V through the element', () => {
    const on = live(burner, ['knob', 'high']);
    const dead = faults(burner, 'feed.L2:dead-leg');
    const read = (to: TerminalRef, broken = dead) =>
      volts(voltReading(burner, on, 'infinite.L2', to, broken));
    expect(read('feed.N').nominal).toBeGreaterThan(115);
    expect(read('infinite.L1').nominal).toBeLessThan(2);
    expect(read('infinite.L1', []).nominal).toBeCloseTo(240, -1);
  });

  it('puts the two legs of a wye at 208 V, where 240 V legs would be', () => {
    const wye: Diagram = {
      ...burner,
      supplies: burner.supplies.map((each) => ({ ...each, kind: 'wye-legs', volts: 208 })),
    };
    const off = live(wye, ['knob', 'off']);
    expect(volts(voltReading(wye, off, 'infinite.L1', 'infinite.L2')).nominal).toBeCloseTo(208, 0);
    expect(volts(voltReading(wye, off, 'infinite.L1', 'feed.N')).nominal).toBeCloseTo(120, 0);
    // What hangs between the hots alone cannot tell a wye from two legs of as many volts.
    const legs: Diagram = {
      ...burner,
      supplies: burner.supplies.map((each) => ({ ...each, volts: 208 })),
    };
    const poor = faults(burner, 'infinite.L2-H2:resistive=8');
    for (const [from, to] of [
      ['infinite.L2', 'infinite.H2'],
      ['coil.a', 'coil.b'],
      ['infinite.L2', 'coil.a'],
    ] as const) {
      const [one, two] = [wye, legs].map((unit) =>
        volts(voltReading(unit, live(unit, ['knob', 'high']), from, to, poor)),
      );
      for (const bound of ['nominal', 'low', 'high'] as const)
        expect((one?.[bound] ?? NaN) / (two?.[bound] ?? NaN)).toBeCloseTo(1, 2);
      expect(one?.low).toBeLessThan(one?.high ?? 0);
    }
  });

  it('shows full control volts across the only open limit, and nothing sure of one of two', () => {
    const heat = live(furnace, ['thermostat', 'heat']);
    const one = faults(furnace, 'rollout:tripped');
    const across = voltReading(furnace, heat, 'rollout.a', 'rollout.b', one);
    expect(volts(across).nominal).toBeGreaterThan(22);
    // Two open: the piece between them hangs on nothing.
    const two = [...one, ...faults(furnace, 'limit:stuck-open')];
    expect(voltReading(furnace, heat, 'rollout.a', 'rollout.b', two).kind).toBe('unreliable');
    // Each side read to common finds the first.
    const toCommon = (ref: TerminalRef) => voltReading(furnace, heat, ref, 'transformer.C', two);
    expect(volts(toCommon('limit.a')).nominal).toBeGreaterThan(22);
    expect(toCommon('limit.b').kind).toBe('unreliable');
  });

  it('makes 24 V only while the primary is fed', () => {
    const secondary = (setup: Setup) =>
      volts(voltReading(furnace, setup, 'transformer.R', 'transformer.C')).nominal;
    expect(secondary(live(furnace))).toBeGreaterThan(24);
    expect(secondary(live(furnace, ['panel', 'open']))).toBeLessThan(0.01);
  });

  // A closed loop loses at most 80 mV; 0.3 ohm a contact passes alone and four of them do not.
  it('passes 80 mV with four contacts of 0.3 ohm, though each passes alone', () => {
    const on = live(fire, ['wall', 'on']);
    const names = ['wall-switch', 'thermostat', 'limit', 'vent-switch'];
    const broken = (some: string[]) => faults(fire, ...some.map((id) => `${id}:resistive=0.3`));
    const loop = (some: string[]) =>
      volts(voltReading(fire, on, 'thermopile.TPTH', 'valve.TH', broken(some))).nominal;
    expect(loop(names)).toBeGreaterThan(0.08);
    for (const id of names) {
      const own = volts(voltReading(fire, on, `${id}.a`, `${id}.b`, broken([id]))).nominal;
      expect(own).toBeLessThan(0.08 / 2);
      expect(loop([id])).toBeLessThan(0.08);
    }
  });

  it('says what current the evidence carried', () => {
    const runs: [string, string][] = [
      ['timer', 'heat'],
      ['speed', 'turning'],
    ];
    const across = voltReading(dryer, live(dryer, ...runs), 'thermostat.1', 'thermostat.2');
    expect(volts(across)).toMatchObject({ loaded: true });
    expect(volts(across).amps).toBeGreaterThan(20);
    // With the heat contact open the same point is live and carries nothing.
    const still = voltReading(dryer, live(dryer, ['timer', 'heat']), 'thermostat.2', 'feed.N');
    expect(volts(still)).toMatchObject({ loaded: false });
    expect(volts(still).nominal).toBeCloseTo(120, 0);
  });

  it('never gives a number for a floating wire, unknown power, or ohms on a powered node', () => {
    const lifted = { ...live(furnace), lifted: ['board.W' as const] };
    expect(voltReading(furnace, lifted, 'call.W', 'transformer.C').kind).toBe('unreliable');
    const unknown = { ...live(dryer), power: 'unknown' as const };
    expect(voltReading(dryer, unknown, 'feed.L1', 'feed.N')).toEqual({
      kind: 'not-computable',
      reason: expect.stringMatching(/say first which supplies/),
    });
    // With nothing fed there is nothing to float on: none is none, from any point to any other.
    for (const to of ['feed.N', 'thermostat.2', 'frame.F'] as const)
      expect(voltReading(dryer, drawnSetup(dryer), 'feed.L1', to)).toMatchObject({
        kind: 'volts',
        nominal: 0,
        low: 0,
        high: 0,
        loaded: false,
      });
  });

  it('sags behind its own ohms: a weak thermopile no longer holds the valve', () => {
    const on = live(fire, ['wall', 'on']);
    const at = (texts: string[]) =>
      volts(voltReading(fire, on, 'valve.TH', 'valve.TP', faults(fire, ...texts))).nominal;
    expect(at([])).toBeGreaterThan(0.27);
    expect(at(['thermopile:weak'])).toBeLessThan(0.15);
  });
});

describe('bounds', () => {
  /** Every corner of the ranges of the edges that matter, by brute force. */
  function corners(network: Network, a: number, b: number): { low: number; high: number } {
    const free = network.edges.flatMap(({ nominal, low, high }, i) =>
      nominal !== null && high > low ? [i] : [],
    );
    const found = { low: Infinity, high: 0 };
    for (let corner = 0; corner < 1 << free.length; corner++) {
      const solved = new NodalAnalysis(network, (edge, i) => {
        const bit = free.indexOf(i);
        if (bit < 0) return edge.nominal;
        return corner & (1 << bit) ? edge.high : edge.low;
      });
      const { re, im } = solved.ac;
      const apart = Math.hypot((re[a] ?? 0) - (re[b] ?? 0), (im[a] ?? 0) - (im[b] ?? 0));
      const inside = solved.response(a, b);
      const behind = (inside[a] ?? 0) - (inside[b] ?? 0);
      const shown = (apart * METER_OHMS) / (METER_OHMS + behind);
      found.low = Math.min(found.low, shown);
      found.high = Math.max(found.high, shown);
    }
    return found;
  }

  const SEED = 20261125;
  it(`equal the enumeration of all corners on small bridges (seed ${SEED})`, () => {
    const chance = chanceFrom(SEED);
    for (let round = 0; round < 12; round++) {
      const bridge = bridgeDiagram(() => 10 ** (3 * chance()));
      const network = buildNetwork(bridge, poweredSetup(drawnSetup(bridge)));
      const [a, b] = [nodeOf(network.nodes, 'left.b'), nodeOf(network.nodes, 'right.b')];
      const answer = volts(voltsBetween(network, 'left.b', 'right.b'));
      const wanted = corners(network, a, b);
      // The supply's own volts are exact here, so only the resistors move.
      expect(answer.high).toBeCloseTo(wanted.high, 6);
      // A bridge that can be balanced shows zero inside its ranges and never at a corner.
      if (wanted.low > 1) expect(answer.low).toBeCloseTo(wanted.low, 6);
      expect(answer.low).toBeLessThanOrEqual(wanted.low + 1e-6);
    }
  });

  /** Two dividers side by side: the volts between their middles are not monotone in anything. */
  function bridgeDiagram(ohms: () => number): Diagram {
    const load = (id: string): Diagram['parts'][number] => {
      const nominal = ohms();
      const value = { nominal, low: nominal * 0.95, high: nominal * 1.05 };
      return {
        id,
        name: id,
        role: 'resistor',
        kind: 'load',
        load: 'heater',
        terminals: [{ id: 'a' }, { id: 'b' }],
        elements: [{ id: 'r', between: ['a', 'b'], value, volts: 120 }],
      };
    };
    const exact = { nominal: 0.01, low: 0.01, high: 0.01 };
    const wire = (id: string, from: TerminalRef, to: TerminalRef) => ({
      id,
      colour: 'BK',
      from,
      to,
      ohms: exact,
    });
    return {
      format: 'yarrix-diagram',
      version: 1,
      id: 'bridge',
      name: 'Bridge',
      kind: 'bench',
      drawnFor: {},
      supplies: [
        {
          id: 'cord',
          name: 'Cord',
          kind: 'mains',
          volts: 120,
          tolerancePercent: 0,
          terminals: [{ id: 'L' }, { id: 'N' }],
        },
      ],
      actuators: [],
      panels: [],
      cautions: [],
      parts: ['left', 'right', 'low-left', 'low-right'].map(load),
      wires: [
        wire('w1', 'cord.L', 'left.a'),
        wire('w2', 'left.a', 'right.a'),
        wire('w3', 'left.b', 'low-left.a'),
        wire('w4', 'right.b', 'low-right.a'),
        wire('w5', 'low-left.b', 'low-right.b'),
        wire('w6', 'low-right.b', 'cord.N'),
      ],
    };
  }
});
