import type { Diagram, Part, SwitchPart, TerminalRef, Wire } from '../../core/diagram/diagram';
import { handActuator, relayActuator, startButton } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { about, plainLoad } from '../shelf/loads';
import { commonPractice } from '../shelf/practice';
import { houseBattery, indoorLine, mainsCord, rangeCord } from '../shelf/supplies';
import { plainSwitch, relayContact, setPointSwitch, table } from '../shelf/switches';

/** Five small units that were written for the situations, so that these hold not on the library alone. */

/** Wires along a string of terminals, each to the next: `a b, c d` leaves b and c apart. */
const wired = (...strings: string[]): Wire[] =>
  strings.flatMap((each, i) => {
    const ends = each.split(' ');
    return ends.slice(1).map((to, k): Wire => ({
      id: `s${i}-${k}`,
      colour: 'BK',
      from: ends[k] as TerminalRef,
      to: to as TerminalRef,
    }));
  });

const unit = (
  some: Pick<
    Diagram,
    'id' | 'drawnFor' | 'supplies' | 'actuators' | 'parts' | 'wires' | 'uses' | 'looks' | 'frame'
  >,
): Diagram => ({
  format: 'yarrix-diagram',
  version: 1,
  name: some.id,
  kind: 'written for a test',
  panels: [{ id: 'cover', name: 'Cover', fastener: 'screws', minutes: 3 }],
  cautions: [],
  ...some,
});

const fuse = (id: string, amps: number): Part => ({
  id,
  name: 'Fuse',
  role: 'protects the line',
  kind: 'protector',
  protector: 'fuse',
  between: ['a', 'b'],
  terminals: [{ id: 'a' }, { id: 'b' }],
  rating: `${amps} A`,
  amps,
  panel: 'cover',
  prior: commonPractice(2),
});

/** A switch that closes when a quantity rises. */
const closesOnRise = (
  id: string,
  actuator: string,
  [rising, falling, tolerance]: [number, number, number],
): SwitchPart => ({
  id,
  name: id,
  role: `closes on ${actuator}`,
  kind: 'switch',
  terminals: [{ id: '1' }, { id: '2' }],
  contacts: [{ id: '1-2', between: ['1', '2'], circuit: 'control', amps: 0.4 }],
  actuator,
  free: 'below',
  byHand: 'By its own air or pressure.',
  setPoints: { rising: { at: rising, tolerance }, falling: { at: falling, tolerance } },
  table: table({ below: [], above: ['1-2'] }),
  panel: 'cover',
  prior: commonPractice(2),
});

const interlockSwitch = (
  id: string,
  role: string,
  positions: Record<'closed' | 'open', 'closed' | 'open'>,
): SwitchPart =>
  plainSwitch(
    {
      id,
      name: id,
      role,
      actuator: 'door',
      free: 'open',
      byHand: 'Press it.',
      safety: true,
      panel: 'cover',
      prior: commonPractice(2),
    },
    { circuit: 'control', amps: 12 },
    positions,
  );

/** An oven whose monitor sits behind the start switch, which passes the whole current. */
const interlock = unit({
  id: 'own-interlock',
  drawnFor: { door: 'closed', start: 'released' },
  frame: 'frame.F',
  supplies: [mainsCord(15)],
  actuators: [
    handActuator('door', 'Door', 'door', { closed: 'door closed', open: 'door open' }),
    startButton('start', 'Start', 'START held'),
  ],
  parts: [
    frame('Frame', 'metal'),
    fuse('fuse', 15),
    interlockSwitch('primary', 'opens with the door', { closed: 'closed', open: 'open' }),
    interlockSwitch('monitor', 'shorts the line when the door is open and the rest has failed', {
      closed: 'open',
      open: 'closed',
    }),
    plainSwitch(
      {
        id: 'starter',
        name: 'Start switch',
        role: 'closed while START is held',
        actuator: 'start',
        free: 'released',
        byHand: 'Press it.',
        panel: 'cover',
        prior: commonPractice(2),
      },
      { circuit: 'control', amps: 12 },
      { released: 'open', pressed: 'closed' },
    ),
    plainLoad({ id: 'heat', name: 'Heat', role: 'heats', panel: 'cover' }, 'heater', {
      value: { watts: 1200, volts: 120, tolerancePercent: 8 },
    }),
  ],
  wires: wired(
    'cord.L fuse.a',
    'fuse.b primary.1',
    'primary.2 starter.1',
    'starter.2 heat.a',
    'heat.b cord.N',
    'starter.2 monitor.1',
    'monitor.2 cord.N',
    'cord.G frame.G',
  ),
  uses: [{ id: 'cook', name: 'Cook', steps: 'start=pressed,wait=30' }],
});

const PULL = relayActuator('pull', 'Contactor', 'contactor');

/** A cooler with both pressures in its 24 V line. */
const cooler = unit({
  id: 'own-cooler',
  drawnFor: { stat: 'off', pull: 'idle', low: 110, high: 240 },
  supplies: [
    {
      id: 'line',
      name: 'Disconnect',
      kind: 'split-phase',
      volts: 240,
      amps: 30,
      terminals: [{ id: 'L1' }, { id: 'L2' }],
    },
    indoorLine,
  ],
  actuators: [
    handActuator('stat', 'Thermostat', 'button', { off: 'thermostat off', cool: 'calls' }),
    { ...PULL, by: 'coil' },
    { id: 'low', name: 'Suction pressure', kind: 'quantity', quantity: 'pressure', unit: 'psi' },
    { id: 'high', name: 'Head pressure', kind: 'quantity', quantity: 'pressure', unit: 'psi' },
  ],
  parts: [
    plainSwitch(
      {
        id: 'stat-switch',
        name: 'Thermostat',
        role: 'calls',
        actuator: 'stat',
        free: 'off',
        byHand: 'Turn it.',
        prior: commonPractice(1),
      },
      { circuit: 'control', amps: 0.4 },
      { off: 'open', cool: 'closed' },
    ),
    closesOnRise('low-switch', 'low', [90, 50, 5]),
    {
      ...setPointSwitch(
        {
          id: 'high-switch',
          name: 'high-switch',
          role: 'opens on head pressure',
          actuator: 'high',
        },
        ['control', 0.4],
        { opens: 600, closes: 420, tolerance: 15 },
      ),
      panel: 'cover',
    },
    plainLoad({ id: 'coil', name: 'Contactor coil', role: 'pulls', panel: 'cover' }, 'coil', {
      value: about(18, 10),
      working: about(60, 10),
      volts: 24,
    }),
    relayContact(
      {
        id: 'contact',
        name: 'Contactor',
        role: 'feeds the motor',
        actuator: 'pull',
        panel: 'cover',
      },
      14,
      'Push its armature in.',
    ),
    plainLoad({ id: 'motor', name: 'Compressor', role: 'cools', panel: 'cover' }, 'motor', {
      value: about(2, 15),
      working: about(17, 20),
      volts: 240,
    }),
  ],
  wires: wired(
    'indoor.R stat-switch.1',
    'stat-switch.2 low-switch.1',
    'low-switch.2 high-switch.1',
    'high-switch.2 coil.a',
    'coil.b indoor.C',
    'line.L1 contact.C',
    'contact.NO motor.a',
    'motor.b line.L2',
  ),
  uses: [{ id: 'cool', name: 'Cool', steps: 'stat=cool,wait=30' }],
});

const inLoop = (id: string): SwitchPart =>
  plainSwitch(
    {
      id,
      name: id,
      role: 'in the loop',
      actuator: id,
      free: 'off',
      byHand: 'Move it.',
      panel: 'cover',
      prior: commonPractice(1.5),
    },
    { circuit: 'thermopile', amps: 0.09 },
    { on: 'closed', off: 'open' },
  );
const LOOP = ['wall', 'remote', 'block'];

/** A fire on a few hundred millivolts, with three switches in its loop. */
const fire = unit({
  id: 'own-fire',
  drawnFor: { wall: 'off', remote: 'on', block: 'on' },
  supplies: [
    {
      id: 'pile',
      name: 'Thermopile',
      kind: 'thermopile',
      volts: 0.5,
      tolerancePercent: 20,
      internalOhms: 2.8,
      terminals: [{ id: 'P' }, { id: 'M' }],
      prior: commonPractice(5),
    },
  ],
  actuators: LOOP.map((id) => handActuator(id, id, 'knob', { on: `${id} on`, off: `${id} off` })),
  parts: [
    ...LOOP.map(inLoop),
    plainLoad({ id: 'valve', name: 'Valve', role: 'gas', panel: 'cover' }, 'coil', {
      value: about(2.6, 10),
      volts: 0.18,
    }),
  ],
  wires: wired(
    'pile.P wall.1',
    'wall.2 remote.1',
    'remote.2 block.1',
    'block.2 valve.a',
    'valve.b pile.M',
  ),
  uses: [{ id: 'burn', name: 'Burn', steps: 'wall=on,wait=60' }],
});

/** A hot plate on two legs with a plug-in element. */
const plate = unit({
  id: 'own-plate',
  drawnFor: { knob: 'off' },
  frame: 'frame.F',
  supplies: [rangeCord(40)],
  actuators: [handActuator('knob', 'Knob', 'knob', { off: 'knob at OFF', on: 'knob at ON' })],
  parts: [
    frame('Frame', 'metal'),
    {
      id: 'switch',
      name: 'Two-pole switch',
      role: 'both legs',
      kind: 'switch',
      terminals: ['1', '2', '3', '4'].map((id) => ({ id })),
      contacts: [
        { id: '1-2', between: ['1', '2'], circuit: 'heater', amps: 8 },
        { id: '3-4', between: ['3', '4'], circuit: 'heater', amps: 8 },
      ],
      actuator: 'knob',
      free: 'off',
      byHand: 'Turn its shaft.',
      table: table({ off: [], on: ['1-2', '3-4'] }),
      panel: 'cover',
      prior: commonPractice(2),
    },
    {
      id: 'socket',
      name: 'Socket',
      role: 'holds the pins',
      kind: 'connection',
      terminals: ['a', 'b', 'p', 'q'].map((id) => ({ id })),
      joins: [
        ['a', 'p'],
        ['b', 'q'],
      ],
      panel: 'cover',
      prior: commonPractice(2),
    },
    plainLoad({ id: 'plate', name: 'Plate', role: 'heats', prior: commonPractice(4) }, 'heater', {
      value: { watts: 1900, volts: 240, tolerancePercent: 8 },
    }),
  ],
  wires: wired(
    'feed.L1 switch.1',
    'feed.L2 switch.3',
    'switch.2 socket.a',
    'switch.4 socket.b',
    'socket.p plate.a',
    'socket.q plate.b',
    'feed.G frame.G',
  ),
  uses: [{ id: 'heat', name: 'Heat', steps: 'knob=on,wait=60' }],
});

/** A heater that wants air before gas: a vane in the air lets the valve be fed. */
const heater = unit({
  id: 'own-heater',
  drawnFor: { stat: 'off', air: 0 },
  supplies: [houseBattery],
  actuators: [
    handActuator('stat', 'Thermostat', 'knob', { off: 'thermostat off', heat: 'calls for heat' }),
    {
      id: 'air',
      name: 'Air',
      kind: 'quantity',
      quantity: 'airflow',
      unit: 'm/s',
      driven: { by: 'blower', to: 6, seconds: 2 },
      conditions: [
        {
          beyond: 'vane',
          side: 'below',
          says: 'too little air',
          causes: ['a duct that is crushed', 'hair in the wheel'],
          action: 'The vane is right: clean the wheel, open the ducts, and read again.',
          prior: commonPractice(2),
        },
      ],
    },
  ],
  parts: [
    fuse('fuse', 15),
    plainSwitch(
      {
        id: 'stat-switch',
        name: 'Thermostat',
        role: 'calls',
        actuator: 'stat',
        free: 'off',
        byHand: 'Turn it.',
      },
      { circuit: 'control', amps: 7 },
      { off: 'open', heat: 'closed' },
    ),
    closesOnRise('vane', 'air', [3, 2, 0.5]),
    {
      id: 'vane-arm',
      name: 'Arm of the vane',
      role: 'reaches into the air',
      kind: 'hardware',
      terminals: [],
      serves: ['vane'],
      prior: commonPractice(1),
    },
    plainLoad({ id: 'blower', name: 'Blower', role: 'moves air', panel: 'cover' }, 'motor', {
      value: about(0.5, 20),
      working: about(2, 20),
      volts: 12,
    }),
    plainLoad({ id: 'valve', name: 'Gas valve', role: 'gas', panel: 'cover' }, 'coil', {
      value: about(20, 10),
      volts: 12,
    }),
  ],
  wires: wired(
    'battery.P fuse.a',
    'fuse.b stat-switch.1',
    'stat-switch.2 blower.a',
    'blower.b battery.M',
    'stat-switch.2 vane.1',
    'vane.2 valve.a',
    'valve.b battery.M',
  ),
  uses: [{ id: 'heat', name: 'Heat', steps: 'stat=heat,wait=60' }],
  looks: [
    {
      id: 'hair',
      says: 'Hair on the vane',
      of: ['vane-arm', 'vane:not-actuated'],
      found: { with: 0.7, without: 0.05 },
      minutes: 2,
    },
  ],
});

export const SITUATION_UNITS: readonly Diagram[] = [interlock, cooler, fire, plate, heater];
