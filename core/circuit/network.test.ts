import { builtIn, LIBRARY } from '../../library/library';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import { drawnSetup, poweredSetup, type Setup } from '../diagram/setup';
import { everyFault } from '../fault/faultList';
import { parseFault } from '../fault/parseFault';
import { MODES, type Fault } from '../fault/fault';
import { OhmTable } from './fastTable';
import { buildNetwork, type Network } from './network';
import { nodeOf } from './nodes';
import { ohmReading } from './ohmReading';
import { WIRE } from './ohms';
import { everySetup } from './short';
import { voltReading } from './voltReading';

const diagramOf = (id: string): Diagram => {
  const found = builtIn(id);
  if (!found) throw new Error(`no built-in diagram ${id}`);
  return found;
};
const faultsOf = (diagram: Diagram, text: string): Fault[] => {
  const parsed = parseFault(diagram, text);
  if (!parsed.ok) throw new Error(parsed.error.message);
  return parsed.value;
};
const kind = (diagram: Diagram, setup: Setup, from: TerminalRef, to: TerminalRef, fault?: string) =>
  ohmReading(diagram, setup, from, to, fault ? faultsOf(diagram, fault) : []).kind;

describe('wires that share a terminal', () => {
  const furnace = diagramOf('gas-furnace');
  const setup = drawnSetup(furnace);

  // Common practice: what sits on one connector leaves the terminal together.
  it('stay together when they are pulled off, and leave the terminal', () => {
    const lifted = { ...setup, lifted: ['door-switch.2' as const] };
    expect(kind(furnace, lifted, 'transformer.L', 'blower-contact.C')).toBe('ohms');
    expect(kind(furnace, lifted, 'door-switch.2', 'blower-contact.C')).toBe('open');
    const answer = ohmReading(furnace, setup, 'door-switch.2', 'transformer.L');
    expect(answer).toMatchObject({ kind: 'ohms', nominal: expect.any(Number) });
  });

  it('all feel a loose crimp, and one of them a broken wire', () => {
    const loose = faultsOf(furnace, 'door-switch.2:loose=50');
    const ohms = (to: TerminalRef) => ohmReading(furnace, setup, 'door-switch.2', to, loose);
    expect(ohms('transformer.L')).toMatchObject({ nominal: expect.closeTo(50.03, 1) });
    expect(ohms('blower-contact.C')).toMatchObject({ nominal: expect.closeTo(50.03, 1) });
    const wire = furnace.wires.find(({ to }) => to === 'blower-contact.C')?.id ?? '';
    const broken = `${wire}:wire-open`;
    expect(kind(furnace, setup, 'door-switch.2', 'blower-contact.C', broken)).toBe('open');
    expect(kind(furnace, setup, 'door-switch.2', 'transformer.L', broken)).toBe('ohms');
  });

  it('leave a part that lies on the bench alone', () => {
    const bench = { ...setup, partsOut: ['limit'] };
    expect(kind(furnace, bench, 'limit.a', 'board.R')).toBe('open');
    expect(kind(furnace, bench, 'limit.a', 'limit.b')).toBe('ohms');
  });
});

describe('the free end of what is lifted', () => {
  const washer = diagramOf('top-load-washer');
  const off = { ...drawnSetup(washer), lifted: ['drive.S' as const] };
  const at = (fault?: string) => kind(washer, off, 'drive.S:wire', 'lid-switch.A2', fault);

  it('reads the wire, and no longer the part that it was on', () => {
    expect(ohmReading(washer, off, 'drive.S:wire', 'lid-switch.A2')).toMatchObject({
      nominal: WIRE.nominal,
    });
    expect(kind(washer, off, 'drive.S:wire', 'drive.S')).toBe('open');
    expect(kind(washer, off, 'drive.S', 'lid-switch.A2')).toBe('open');
    expect(at('w3:wire-open')).toBe('open');
    expect(at('lid-switch.A2:wire-off')).toBe('open');
    // The bad tab has been left behind.
    expect(
      ohmReading(
        washer,
        off,
        'drive.S:wire',
        'lid-switch.A2',
        faultsOf(washer, 'drive.S:loose=50'),
      ),
    ).toMatchObject({ nominal: WIRE.nominal });
  });

  it('is there for a part that is out, and for several wires in one connector', () => {
    const out = { ...drawnSetup(washer), partsOut: ['lid-switch'] };
    expect(kind(washer, out, 'lid-switch.A2:wire', 'drive.S')).toBe('ohms');
    expect(kind(washer, out, 'lid-switch.A2:wire', 'lid-switch.A2')).toBe('open');
    const furnace = diagramOf('gas-furnace');
    const lifted = { ...drawnSetup(furnace), lifted: ['door-switch.2' as const] };
    expect(kind(furnace, lifted, 'door-switch.2:wire', 'transformer.L')).toBe('ohms');
    expect(kind(furnace, lifted, 'door-switch.2:wire', 'blower-contact.C')).toBe('ohms');
  });

  it('has the volts of the other end', () => {
    const live = { ...poweredSetup(off), actuators: { ...off.actuators, timer: 'spin' } };
    const open = { ...live, actuators: { ...live.actuators, lid: 'closed' } };
    expect(voltReading(washer, open, 'drive.S:wire', 'cord.N')).toMatchObject({
      kind: 'volts',
      nominal: expect.closeTo(120, 0),
    });
    expect(voltReading(washer, open, 'drive.S', 'cord.N')).toMatchObject({
      nominal: expect.closeTo(0, 3),
    });
  });

  it('is the same in the table of all readings', () => {
    const faults = ['w3:wire-open', 'lid-switch.A2:wire-off', 'drive.S:loose=50'].map((text) =>
      faultsOf(washer, text),
    );
    const table = new OhmTable(washer, off, faults);
    const row = new Float64Array(table.pairs);
    const pair = table.pair(
      nodeOf(table.nodes, 'drive.S:wire'),
      nodeOf(table.nodes, 'lid-switch.A2'),
    );
    expect([0, 1, 2, 3].map((index) => (table.row(index, row), row[pair]))).toEqual([
      expect.closeTo(WIRE.nominal, 9),
      Infinity,
      Infinity,
      expect.closeTo(WIRE.nominal, 9),
    ]);
  });
});

describe('faults in the circuit (common practice)', () => {
  const dryer = diagramOf('electric-dryer');
  const burner = diagramOf('radiant-burner');

  it('an element to frame is open when good, and a path when not', () => {
    const lifted: Setup = { ...drawnSetup(dryer), lifted: ['element.a', 'element.b'] };
    expect(kind(dryer, lifted, 'element.a', 'frame.F')).toBe('open');
    const answer = ohmReading(
      dryer,
      lifted,
      'element.a',
      'frame.F',
      faultsOf(dryer, 'element.b:to-frame=4'),
    );
    // From the far end the whole element lies in between.
    expect(answer).toMatchObject({ kind: 'ohms', nominal: expect.closeTo(4 + 10.36, 1) });
  });

  it('a film is megohms to a meter and no number of ohms, and closed at working volts', () => {
    const high = {
      ...drawnSetup(burner),
      actuators: { ...drawnSetup(burner).actuators, knob: 'high' },
    };
    const film = faultsOf(burner, 'infinite.L1-P:film');
    expect(ohmReading(burner, high, 'infinite.L1', 'infinite.P', film)).toMatchObject({
      kind: 'unsure',
      reason: expect.stringMatching(/film/),
    });
    const live = buildNetwork(burner, poweredSetup(high), film);
    const contact = live.edges.find((each) => each.key === 'L1-P');
    expect(contact?.nominal).toBeLessThan(1);
  });

  it('a bracket that does not reach leaves all that it serves where nothing touches them', () => {
    const oven = diagramOf('over-range-oven');
    const closed = {
      ...drawnSetup(oven),
      actuators: { ...drawnSetup(oven).actuators, door: 'closed' },
    };
    expect(kind(oven, closed, 'sense.COM', 'sense.NO')).not.toBe('open');
    const lifted: Setup = { ...closed, lifted: ['sense.COM'] };
    expect(kind(oven, lifted, 'sense.COM', 'sense.NO')).toBe('ohms');
    expect(kind(oven, lifted, 'sense.COM', 'sense.NO', 'bracket:broken')).toBe('open');
    const held = { ...lifted, byHand: { sense: 'closed' } };
    expect(kind(oven, held, 'sense.COM', 'sense.NO', 'bracket:broken')).toBe('ohms');
  });
});

/** What a board does not drive, a small motor that is held, what comes and goes and what opens late are seen over time. */
const OVER_TIME = [
  'no-output',
  'intermittent',
  'seized',
  'loose-inside',
  'slow-fuse',
  'slow-breaker',
];

it.each(LIBRARY.map((each) => [each.id, each] as const))(
  'every fault of %s changes its circuit, cold or live, in some position of its controls',
  (_id, diagram) => {
    const drawn = drawnSetup(diagram);
    const atAll = (value: number): Setup => ({
      ...drawn,
      actuators: Object.fromEntries(
        Object.entries(drawn.actuators).map(([id, state]) => [
          id,
          typeof state === 'string' ? state : { value },
        ]),
      ),
    });
    const setups = [drawn, atAll(5_000), atAll(-5_000)].flatMap((each) =>
      everySetup(diagram, each),
    );
    const text = (network: Network): string =>
      JSON.stringify(
        network.edges.map(({ a, b, nominal, low, source }) => [a, b, nominal, low, source]),
      );
    const wholes = setups
      .map((setup) => [setup, poweredSetup(setup)] as const)
      .map((both) => both.map((setup) => ({ setup, whole: text(buildNetwork(diagram, setup)) })));
    const unseen: Fault[] = [];
    for (const fault of everyFault(diagram)) {
      if (OVER_TIME.includes(fault.mode)) continue;
      const changes = wholes.some((both) =>
        both.some(({ setup, whole }) => text(buildNetwork(diagram, setup, [fault])) !== whole),
      );
      if (!changes) unseen.push(fault);
    }
    expect(unseen).toEqual([]);
    expect(everyFault(diagram).every((fault) => fault.mode in MODES)).toBe(true);
  },
);
