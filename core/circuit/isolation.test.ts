import { builtIn, LIBRARY } from '../../library/library';
import type { Diagram, Part, SwitchPart, TerminalRef, Wire } from '../diagram/diagram';
import { drawnSetup, type Setup } from '../diagram/setup';
import { switches } from '../diagram/terminal';
import { alone, isolate } from './isolation';

const ask = (id: string, from: TerminalRef, to: TerminalRef, more: Partial<Setup> = {}) => {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(`no built-in diagram ${id}`);
  const setup = drawnSetup(diagram);
  const actuators = { ...setup.actuators, ...more.actuators };
  return alone(diagram, { ...setup, ...more, actuators }, from, to);
};

describe('what answers beside a part', () => {
  it('needs one wire off a two-terminal contact, and none where nothing else joins its ends', () => {
    // Common practice: with wires on, a healthy open monitor beeps through the big winding while a
    // stuck relay or a cooking board joins it.
    const monitor = ask('over-range-oven', 'monitor.COM', 'monitor.NC', {
      actuators: { door: 'closed', cook: 'cooking' },
    });
    expect(monitor?.wiresOn).toMatchObject({ kind: 'ohms' });
    expect(monitor?.wiresOff).toEqual({ kind: 'open' });
    expect(monitor?.lift).toHaveLength(1);
    expect(monitor?.through).toEqual(expect.arrayContaining(['relay', 'magnetron']));
    const idle = ask('over-range-oven', 'monitor.COM', 'monitor.NC', {
      actuators: { door: 'closed' },
    });
    expect(idle?.lift).toEqual(['monitor.COM']);
    const strayless = ask('electric-dryer', 'start.1', 'start.2', { lifted: ['motor.4'] });
    expect(strayless?.wiresOff).toEqual({ kind: 'open' });
    // The pilot still feeds the loop: the way round runs through the thermopile itself.
    const loop = ask('millivolt-fireplace', 'limit.a', 'limit.b', { actuators: { wall: 'on' } });
    expect(loop?.wiresOn.kind).toBe('not-computable');
    expect(loop?.through).toEqual(expect.arrayContaining(['thermopile', 'valve', 'wall-switch']));
    expect(loop?.wiresOff).toMatchObject({ kind: 'ohms' });
  });

  it('is told by the parts on it: a supply that it runs through is none', () => {
    let throughSupply = 0;
    for (const diagram of LIBRARY)
      for (const part of switches(diagram))
        for (const { from, to, through } of isolate(diagram, part).sneakPaths) {
          const parts = diagram.parts.map(({ id }) => id);
          expect(parts).toEqual(expect.arrayContaining(through));
          const read = alone(diagram, drawnSetup(diagram), from, to);
          if (read?.through.some((each) => !parts.includes(each))) throughSupply++;
        }
    expect(throughSupply).toBeGreaterThan(0);
  });

  it('tells no such thing of two parts: the rest of the unit is what is asked about', () => {
    expect(ask('electric-dryer', 'block.K1', 'motor.4')).toBeUndefined();
  });
});

describe('the way round', () => {
  const heater = (id: string, ohms: number): Part => ({
    id,
    name: id,
    role: 'warms',
    kind: 'load',
    load: 'heater',
    terminals: [{ id: 'a' }, { id: 'b' }],
    elements: [
      {
        id: 'coil',
        between: ['a', 'b'],
        value: { nominal: ohms, low: ohms * 0.9, high: ohms * 1.1 },
      },
    ],
  });
  const selector: SwitchPart = {
    id: 'selector',
    name: 'Selector',
    role: 'selector',
    kind: 'switch',
    terminals: [{ id: '1' }, { id: '2' }, { id: '3' }],
    contacts: [
      { id: '1-2', between: ['1', '2'], circuit: 'control' },
      { id: '2-3', between: ['2', '3'], circuit: 'control' },
    ],
    actuator: 'knob',
    free: 'both',
    byHand: 'Turn the shaft.',
    table: {
      known: 'sheet',
      rows: [
        { position: 'both', closed: ['1-2', '2-3'] },
        { position: 'none', closed: [] },
      ],
    },
  };
  const wired = (...ways: [TerminalRef, TerminalRef][]): Diagram => ({
    format: 'yarrix-diagram',
    version: 1,
    id: 'bench',
    name: 'Bench',
    kind: 'bench',
    drawnFor: { knob: 'none' },
    supplies: [],
    panels: [],
    cautions: [],
    actuators: [
      {
        id: 'knob',
        name: 'Knob',
        kind: 'hand',
        shape: 'knob',
        positions: [
          { id: 'both', name: 'Both' },
          { id: 'none', name: 'None' },
        ],
      },
    ],
    wires: ways.map(([from, to], i): Wire => ({ id: `w${i}`, colour: 'BK', from, to })),
    parts: [selector, heater('wide', 100), heater('near', 10), heater('far', 20)],
  });
  // From 1 to 2 a way of 100 ohm and one of 10 and 20 in a row; nothing to 3.
  const ring = wired(
    ['selector.1', 'wide.a'],
    ['wide.b', 'selector.2'],
    ['selector.1', 'near.a'],
    ['near.b', 'far.a'],
    ['far.b', 'selector.2'],
  );

  it('is the one of least ohms, told part by part from the first terminal on', () => {
    const asked = alone(ring, drawnSetup(ring), 'selector.1', 'selector.2');
    expect(asked).toMatchObject({
      through: ['near', 'far'],
      lift: ['selector.1'],
      wiresOff: { kind: 'open' },
    });
    expect(asked?.wiresOn).toMatchObject({ kind: 'ohms' });
    expect(alone(ring, drawnSetup(ring), 'selector.2', 'selector.1')?.through).toEqual([
      'far',
      'near',
    ]);
    expect(isolate(ring, selector)).toEqual({
      lift: ['selector.2'],
      sneakPaths: [{ from: 'selector.1', to: 'selector.2', through: ['near', 'far'] }],
    });
  });

  it('is none between ends that nothing outside joins, and nothing comes off then', () => {
    const asked = alone(ring, drawnSetup(ring), 'selector.2', 'selector.3');
    expect(asked).toEqual({
      wiresOn: { kind: 'open' },
      wiresOff: { kind: 'open' },
      lift: [],
      through: [],
    });
  });

  it('may leave the part at a third terminal: 1 to 3 by way of 2 while that contact is closed', () => {
    const branch = wired(['selector.2', 'near.a'], ['near.b', 'selector.3']);
    const both: Setup = { ...drawnSetup(branch), actuators: { knob: 'both' } };
    expect(alone(branch, both, 'selector.1', 'selector.3')?.through).toEqual(['near']);
    expect(alone(branch, drawnSetup(branch), 'selector.1', 'selector.3')?.through).toEqual([]);
  });

  it('is the one of least ohms, whichever terminal of the part it leaves at', () => {
    const two = wired(
      ['selector.1', 'wide.a'],
      ['wide.b', 'selector.3'],
      ['selector.2', 'near.a'],
      ['near.b', 'selector.3'],
    );
    const both: Setup = { ...drawnSetup(two), actuators: { knob: 'both' } };
    expect(alone(two, both, 'selector.1', 'selector.3')?.through).toEqual(['near']);
    expect(alone(two, both, 'selector.3', 'selector.1')?.through).toEqual(['near']);
  });

  it('is none that comes back to the probe it left from', () => {
    const loop = wired(['selector.2', 'near.a'], ['near.b', 'selector.1']);
    const both: Setup = { ...drawnSetup(loop), actuators: { knob: 'both' } };
    expect(alone(loop, both, 'selector.2', 'selector.3')?.through).toEqual([]);
    expect(alone(loop, both, 'selector.3', 'selector.2')?.through).toEqual([]);
  });

  it('needs both ends and more off where a closed contact carries what joins another', () => {
    // Everything is joined to everything: only one terminal may keep its wires.
    const star = wired(
      ['selector.1', 'near.a'],
      ['near.b', 'selector.2'],
      ['selector.2', 'far.a'],
      ['far.b', 'selector.3'],
    );
    expect(isolate(star, selector).lift).toEqual(['selector.2', 'selector.3']);
    const both: Setup = { ...drawnSetup(star), actuators: { knob: 'both' } };
    const asked = alone(star, both, 'selector.1', 'selector.2');
    expect(asked?.lift).toHaveLength(1);
    expect(asked?.wiresOff).toMatchObject({ kind: 'ohms' });
  });
});
