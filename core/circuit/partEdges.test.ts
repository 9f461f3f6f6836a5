import { builtIn, LIBRARY } from '../../library/library';
import type { ConnectionPart, Diagram, Supply } from '../diagram/diagram';
import { drawnSetup, poweredSetup, type Setup } from '../diagram/setup';
import type { Fault } from '../fault/fault';
import { parseFault } from '../fault/parseFault';
import { lintWhole } from './lintCircuit';
import { buildNetwork } from './network';
import { coldOhms, JOIN, SHORT, workingOhms } from './ohms';
import { partEdges, supplyEdges, truePosition } from './partEdges';
import { voltReading } from './voltReading';

const unit = (id: string): Diagram => {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(id);
  return diagram;
};
const washer = unit('top-load-washer');
const furnace = unit('gas-furnace');
const dryer = unit('electric-dryer');
const faults = (diagram: Diagram, ...texts: string[]) =>
  texts.flatMap((text) => {
    const parsed = parseFault(diagram, text);
    if (!parsed.ok) throw new Error(parsed.error.message);
    return parsed.value;
  });
const partOf = (diagram: Diagram, id: string) => {
  const part = diagram.parts.find((each) => each.id === id);
  if (!part) throw new Error(id);
  return part;
};
const edgesOf = (
  diagram: Diagram,
  id: string,
  texts: string[],
  working = { warm: false },
  setup = drawnSetup(diagram),
) => partEdges(diagram, partOf(diagram, id), setup, faults(diagram, ...texts), working);
const ohmsOf = (...args: Parameters<typeof edgesOf>) =>
  Object.fromEntries(edgesOf(...args).map(({ key, nominal }) => [key, nominal]));

describe('the ways inside a load', () => {
  it('are its elements cold or at work, less what a fault takes', () => {
    expect(ohmsOf(washer, 'drive', [])).toEqual({ spin: 2.2, agitate: 2.9 });
    expect(ohmsOf(washer, 'drive', [], { warm: true })).toEqual({ spin: 16, agitate: 18 });
    expect(ohmsOf(washer, 'drive', ['drive.spin:open'])).toEqual({ agitate: 2.9 });
    expect(ohmsOf(washer, 'drive', ['drive.spin:shorted'])).toEqual({
      spin: SHORT.nominal,
      agitate: 2.9,
    });
    const [turns] = edgesOf(washer, 'drive', ['drive.spin:shorted-turns']);
    expect(turns).toMatchObject({ from: 'S', kind: 'load' });
    expect(turns?.nominal).toBeCloseTo(1.1, 9);
    expect(turns?.low).toBeCloseTo(0.36, 9);
    expect(turns?.high).toBeCloseTo(2.16, 9);
    // A fault of one part leaves another alone.
    expect(ohmsOf(washer, 'drive', ['timer-motor:open'])).toEqual({ spin: 2.2, agitate: 2.9 });
  });

  it('take far more current while a motor is held still', () => {
    const held = ohmsOf(washer, 'drive', ['drive:seized'], { warm: true });
    expect(held['spin']).toBeCloseTo(16 / 5, 9);
    const stalled = partEdges(washer, partOf(washer, 'drive'), drawnSetup(washer), [], {
      warm: true,
      stalled: new Set(['drive']),
    });
    expect(stalled[0]?.nominal).toBeCloseTo(16 / 5, 9);
    expect(ohmsOf(washer, 'drive', ['drive:seized'])['spin']).toBe(2.2);
    // What does not turn anything is not held.
    const heater = dryer.parts.find((each) => each.kind === 'load' && each.load === 'heater');
    if (heater?.kind !== 'load' || !heater.elements[0]) throw new Error('no heater');
    const [element] = heater.elements;
    expect(workingOhms(heater, element, false)).toEqual(workingOhms(heater, element, true));
    const others = LIBRARY.flatMap(({ parts }) =>
      parts.flatMap((part) =>
        part.kind === 'load' && part.load !== 'motor'
          ? part.elements.flatMap((each) => (each.working ? [[part, each] as const] : []))
          : [],
      ),
    );
    expect(others.length).toBeGreaterThan(0);
    for (const [part, each] of others)
      expect(workingOhms(part, each, false)).toEqual(workingOhms(part, each, true));
    expect(coldOhms(element).nominal).toBeLessThanOrEqual(
      workingOhms(heater, element, true).nominal,
    );
  });

  it('of a transformer drive its secondary only while the primary is whole', () => {
    const transformer = furnace.parts.find((each) => each.kind === 'load' && each.windings);
    if (transformer?.kind !== 'load' || !transformer.windings) throw new Error('no transformer');
    const { primary, secondary } = transformer.windings;
    const coupled = (texts: string[], warm = true) =>
      edgesOf(furnace, transformer.id, texts, { warm }).find(({ key }) => key === secondary)
        ?.coupled;
    expect(coupled([])?.ratio).toBeCloseTo(24 / 120, 1);
    expect(coupled([], false)).toBeUndefined();
    expect(coupled([`${transformer.id}.${primary}:open`])).toBeUndefined();
    expect(coupled([`${transformer.id}.${primary}:shorted`])).toBeDefined();
    const [a, b] = transformer.elements.find((each) => each.id === secondary)?.between ?? ['', ''];
    const volts = (texts: string[]) =>
      voltReading(
        furnace,
        poweredSetup(drawnSetup(furnace)),
        `${transformer.id}.${a}`,
        `${transformer.id}.${b}`,
        faults(furnace, ...texts),
      );
    // 26 V unloaded of a 24 V transformer, a little less under its board.
    const fed = volts([]);
    expect(fed.kind === 'volts' && fed.nominal > 24 && fed.nominal < 27).toBe(true);
    expect(volts([`${transformer.id}.${primary}:open`])).toMatchObject({
      kind: 'volts',
      nominal: 0,
    });
  });
});

describe('the ways inside what protects and switches', () => {
  it('a fuse is metal until it is blown, an overload until it has tripped', () => {
    const fuse = dryer.parts.find(
      (each) => each.kind === 'protector' && each.protector !== 'overload',
    );
    if (!fuse) throw new Error('no fuse');
    expect(edgesOf(dryer, fuse.id, [])).toMatchObject([
      { kind: 'protector', nominal: JOIN.nominal },
    ]);
    expect(edgesOf(dryer, fuse.id, [`${fuse.id}:blown`])).toEqual([]);
  });

  it('a connection is metal way by way: what parts in it parts one way', () => {
    const part = {
      id: 'plug',
      name: 'Plug',
      role: 'joins',
      kind: 'connection',
      terminals: ['a', 'b', 'c'].map((id) => ({ id })),
      joins: [
        ['a', 'b'],
        ['a', 'c'],
        ['b', 'c'],
      ],
    } as const satisfies ConnectionPart;
    const keys = (...broken: [string, string][]) =>
      partEdges(
        dryer,
        { ...part, terminals: [...part.terminals] },
        drawnSetup(dryer),
        broken.map((between): Fault => ({ part: part.id, mode: 'parted', between })),
        { warm: false },
      ).map(({ key }) => key);
    expect(keys()).toEqual(['a-b', 'a-c', 'b-c']);
    expect(keys(['a', 'c'])).toEqual(['a-b', 'b-c']);
    expect(keys(['a', 'b'], ['b', 'c'])).toEqual(['a-c']);
    expect(keys(['c', 'a'])).toEqual(['a-b', 'a-c', 'b-c']);
  });

  it('a switch stands where a finger, a fault or its actuator puts it, in this order', () => {
    const lid = partOf(washer, 'lid-switch');
    if (lid.kind !== 'switch') throw new Error('no switch');
    const at = (texts: string[], setup: Partial<Setup> = {}) =>
      truePosition(washer, lid, { ...drawnSetup(washer), ...setup }, faults(washer, ...texts));
    expect(at([])).toBe('closed');
    expect(at(['lid-switch:not-actuated=open'])).toBe('open');
    expect(at(['lid-lever:broken'])).toBe('open');
    expect(at(['timer:not-actuated=spin'])).toBe('closed');
    expect(at(['lid-lever:broken'], { byHand: { 'lid-switch': 'closed' } })).toBe('closed');
    const tripped = furnace.parts.find((each) => each.kind === 'switch' && each.reset);
    if (tripped?.kind !== 'switch') throw new Error('no reset');
    const cold = drawnSetup(furnace);
    expect(truePosition(furnace, tripped, cold, [])).toBe('below');
    expect(truePosition(furnace, tripped, cold, faults(furnace, `${tripped.id}:tripped`))).toBe(
      'above',
    );
    const moved = new Map([[tripped.id, 'above']]);
    expect(truePosition(furnace, tripped, cold, [], moved)).toBe('above');
  });

  it('a contact makes as its cell says, or as its fault does', () => {
    const at = (texts: string[], lid: string, warm = false) =>
      ohmsOf(
        washer,
        'lid-switch',
        texts,
        { warm },
        {
          ...drawnSetup(washer),
          actuators: { lid, timer: 'off' },
        },
      );
    expect(Object.keys(at([], 'closed'))).toEqual(['A', 'B']);
    expect(at([], 'open')).toEqual({});
    expect(Object.keys(at(['lid-switch.A:stuck-open'], 'closed'))).toEqual(['B']);
    expect(Object.keys(at(['lid-switch.A:stuck-closed'], 'open'))).toEqual(['A']);
    expect(at(['lid-switch.A:resistive=60'], 'closed')['A']).toBe(60);
    expect(at(['lid-switch.A:resistive=60'], 'open')).toEqual({});
    expect(at(['lid-switch.A:leaking=1k'], 'open')).toEqual({ A: 1000 });
    expect(at(['lid-switch.A:leaking=1k'], 'closed')['A']).toBeLessThan(1);
    // A film is megohms to a meter and metal at working volts: no number of ohms.
    expect(at(['lid-switch.A:film'], 'closed')['A']).toBeNull();
    expect(at(['lid-switch.A:film'], 'closed', true)['A']).toBeLessThan(1);
    expect(at(['lid-switch.A:intermittent'], 'closed')).toEqual(at([], 'closed'));
  });
});

describe('the legs of a supply', () => {
  const feed = dryer.supplies[0] as Supply;
  const live = poweredSetup(drawnSetup(dryer));
  const legs = (supply: Supply, setup: Setup, ...texts: string[]) =>
    supplyEdges(supply, setup, faults({ ...dryer, supplies: [supply] }, ...texts))
      .filter(({ source }) => source)
      .map(({ from, to, source, nominal }) => [from, to, source?.volts, source?.degrees, nominal]);

  it('feed with half of the volts each, in opposition, and die one by one or together', () => {
    const [one, two] = legs(feed, live);
    expect([one?.slice(2, 4), two?.slice(2, 4)]).toEqual([
      [feed.volts / 2, 0],
      [feed.volts / 2, 180],
    ]);
    const [first] = feed.terminals;
    expect(legs(feed, live, `${feed.id}.${first?.id}:dead-leg`)).toEqual([two]);
    expect(legs(feed, live, `${feed.id}:dead`)).toEqual([]);
    expect(legs(feed, drawnSetup(dryer))).toEqual([]);
    expect(legs(feed, { ...live, except: [feed.id] })).toEqual([]);
  });

  it('weak give less over more of their own ohms', () => {
    const [usual, weak] = [legs(feed, live)[0], legs(feed, live, `${feed.id}:weak`)[0]];
    expect(Number(weak?.[2])).toBeCloseTo(0.7 * Number(usual?.[2]), 9);
    expect(Number(weak?.[4])).toBeCloseTo(3 * Number(usual?.[4]), 9);
  });

  it('are as far off as their sheet says, and by ten in a hundred where it says nothing (common practice)', () => {
    const spreads = (supply: Supply) =>
      supplyEdges(supply, live, []).map(({ source }) => source?.spread);
    expect(spreads({ ...feed, tolerancePercent: 4 })).toEqual([0.04, 0.04]);
    expect(spreads({ ...feed, tolerancePercent: undefined })).toEqual([0.1, 0.1]);
  });

  it('without a neutral are one from hot to hot, which dies with either', () => {
    const pair: Supply = { ...feed, terminals: feed.terminals.slice(0, 2) };
    const [only, more] = legs(pair, live);
    expect(only?.slice(0, 3)).toEqual([pair.terminals[0]?.id, pair.terminals[1]?.id, feed.volts]);
    expect(more).toBeUndefined();
    for (const { id } of pair.terminals)
      expect(legs(pair, live, `${feed.id}.${id}:dead-leg`)).toEqual([]);
  });

  it('stay in the circuit as ohms where a winding or a pilot cannot be unplugged', () => {
    const pile = unit('millivolt-fireplace').supplies[0] as Supply;
    const off: Setup = { ...drawnSetup(unit('millivolt-fireplace')), except: [] };
    const [edge] = supplyEdges(pile, off, []);
    expect(edge).toMatchObject({ kind: 'source', nominal: pile.internalOhms ?? 3 });
    expect(edge?.source).toBeUndefined();
    expect(supplyEdges(feed, off, [])).toEqual([]);
  });
});

describe('what only the circuit shows of a diagram', () => {
  it('is a supply that nothing leads back to, and one that a healthy unit shorts', () => {
    const back = washer.wires.filter(({ to, from }) => ![to, from].includes('cord.N'));
    const supplies = washer.supplies.map((each) => ({
      ...each,
      terminals: each.terminals.slice(0, 2),
    }));
    const cut: Diagram = {
      ...washer,
      supplies,
      wires: back.filter(({ from }) => from !== 'cord.G'),
    };
    expect(lintWhole(cut)).toContainEqual({
      path: '/supplies/0/terminals',
      severity: 'error',
      message: expect.stringMatching(/nothing is wired to cord.N/),
    });
    // With nothing wired to it at all a supply is only not used.
    expect(
      lintWhole({ ...cut, wires: [] }).filter(({ path }) => path.startsWith('/supplies')),
    ).toEqual([]);
    const shorted: Diagram = {
      ...washer,
      wires: [...washer.wires, { id: 'x', colour: 'BK', from: 'timer.SP', to: 'cord.N' }],
    };
    expect(lintWhole(shorted)).toContainEqual({
      path: '/supplies/0',
      severity: 'error',
      message: expect.stringMatching(/shorts cord \(\d+ A\) with .*timer=spin.*through timer/),
    });
    expect(lintWhole(washer).filter(({ severity }) => severity === 'error')).toEqual([]);
  });
});

describe('volts that depend on what may rightly be open', () => {
  const burner = unit('coil-burner');
  it('are no number: a cycling pair may stand either way', () => {
    const low = poweredSetup({ ...drawnSetup(burner), actuators: { knob: 'low' } });
    const answer = voltReading(burner, low, 'infinite.H1', 'infinite.H2');
    expect(answer.kind).not.toBe('volts');
    const high = poweredSetup({ ...drawnSetup(burner), actuators: { knob: 'high' } });
    expect(voltReading(burner, high, 'infinite.H1', 'infinite.H2')).toMatchObject({
      kind: 'volts',
      current: 'ac',
      loaded: true,
    });
    // Before the switch it makes no difference.
    expect(voltReading(burner, low, 'feed.L1', 'feed.L2').kind).toBe('volts');
  });
});

it('edges keep the island of what they join, and lifted wires make islands of their own', () => {
  const { edges, islandOf, nodes } = buildNetwork(washer, drawnSetup(washer));
  for (const { a, b } of edges) expect(islandOf[a]).toBe(islandOf[b]);
  const apart = buildNetwork(washer, {
    ...drawnSetup(washer),
    lifted: ['drive.S', 'drive.G', 'drive.N'],
  });
  const at = (ref: `${string}.${string}`) => apart.islandOf[nodes.of.get(ref) ?? -1];
  expect(at('drive.S')).toBe(at('drive.N'));
  expect(at('drive.S')).not.toBe(at('cord.N'));
});
