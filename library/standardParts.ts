import type {
  Condition,
  ConnectionPart,
  DrivenActuator,
  HandActuator,
  LoadPart,
  MomentaryActuator,
  Ohms,
  Prior,
  Supply,
  SwitchPart,
  TableRow,
} from '../core/diagram/diagram';

/** Shapes of parts that many units have. What differs is said where they are used. */

type Place = Partial<Pick<SwitchPart, 'panel' | 'where' | 'aliases' | 'prior' | 'causes'>>;

/** What is behind parts that have failed: common practice. */
export const CAUSES = {
  dryerAir: [
    'lint under the filter housing or in the blower',
    'a crushed, long or blocked vent',
    'a cycling thermostat that does not open',
  ],
  furnaceAir: ['a dirty filter', 'closed registers', 'a slow or dirty blower'],
  rollout: ['a blocked flue or vent', 'a cracked heat exchanger', 'dirty burners'],
  interlock: [
    'a slammed door, or one pulled open by its corner',
    'a worn or heat-softened bracket',
    'a gas range below that heats it',
  ],
  burntTab: ['a loose push-on tab', 'a wire too thin or brittle beside it'],
  pins: ['a coil that sits loose in its block', 'grease and spills on the pins'],
  scale: ['scale on the tank', 'a thermostat that does not open'],
  pilotAir: ['lint on the air screen below', 'a blocked flue', 'vapours of solvents near the unit'],
  short: ['a pinched wire', 'a part shorted to the frame', 'a motor that is held'],
} as const satisfies Record<string, readonly string[]>;

/** How often a part fails beside others, as practice has it. */
export const commonPractice = (weight: number): Prior => ({
  weight,
  source: 'common practice',
  calls: 0,
});

/** What opens the limit of a dryer rightly, and comes far before the limit itself. */
export const tooLittleAir = (beyond: string, where: string): Condition => ({
  beyond,
  side: 'above',
  says: `too little air: ${where} gets too hot`,
  causes: [...CAUSES.dryerAir],
  action: 'The limit is right: clear the way of the air from the filter to the outside hood.',
  prior: commonPractice(3),
});

/** The metal of the unit; F is where faults reach it, G where it is bonded. */
export const frame = (name: string, role: string): ConnectionPart => ({
  id: 'frame',
  name,
  role,
  kind: 'connection',
  terminals: [{ id: 'F' }, { id: 'G' }],
  joins: [['F', 'G']],
});

/** A relay of a board: idle until the board drives it. `says` names it in a sentence. */
export const relayActuator = (id: string, name: string, says: string): DrivenActuator => ({
  id,
  name,
  kind: 'driven',
  by: 'board',
  rest: 'idle',
  running: 'pulled',
  positions: [
    { id: 'idle', name: `${says} idle` },
    { id: 'pulled', name: `${says} pulled in` },
  ],
});

/** The contact of such a relay, or of a contactor, whose armature a hand can push in. */
export const relayContact = (
  part: { id: string; name: string; role: string; actuator: string } & Place,
  amps: number,
  pushed?: string,
): SwitchPart => ({
  ...part,
  kind: 'switch',
  terminals: [{ id: 'C' }, { id: 'NO' }],
  contacts: [{ id: 'NO', between: ['C', 'NO'], circuit: 'control', amps, throw: 'NO' }],
  free: 'idle',
  byHand: pushed ?? 'It is soldered to the board and cannot be moved by hand.',
  ...(pushed === undefined && { handless: true }),
  table: table({ idle: [], pulled: ['NO'] }),
});

/** A contact table from the contacts closed in each position. */
export const table = (closed: Record<string, string[]>): SwitchPart['table'] => ({
  known: 'sheet',
  rows: Object.entries(closed).map(([position, contacts]): TableRow => ({
    position,
    closed: contacts,
  })),
});

/** A safety with two terminals that opens when a quantity rises, closed below. */
export const opensOnRise = (
  part: { id: string; name: string; role: string; actuator: string } & Place &
    Partial<Pick<SwitchPart, 'reset' | 'safety'>>,
  contact: Omit<SwitchPart['contacts'][number], 'id'>,
  rising: number,
  falling: number,
  tolerance: number,
): SwitchPart => {
  const [a, b] = contact.between;
  const id = `${a}-${b}`;
  return {
    ...part,
    kind: 'switch',
    terminals: [{ id: a }, { id: b }],
    contacts: [{ id, ...contact }],
    free: 'below',
    byHand: 'It cannot be moved by hand: warm it.',
    setPoints: { rising: { at: rising, tolerance }, falling: { at: falling, tolerance } },
    table: table({ below: [id], above: [] }),
  };
};

/** An infinite switch: pilot on the steady leg, the other leg cycles. */
export const infiniteSwitch = (
  part: { name: string; id?: string; actuator?: string } & Place,
  amps: number,
): SwitchPart => ({
  id: 'infinite',
  actuator: 'knob',
  ...part,
  role: 'cycles the burner',
  kind: 'switch',
  terminals: [{ id: 'L1' }, { id: 'H1' }, { id: 'P' }, { id: 'L2' }, { id: 'H2' }],
  contacts: [
    { id: 'L1-H1', between: ['L1', 'H1'], circuit: 'heater', amps },
    { id: 'L1-P', between: ['L1', 'P'], circuit: 'control', amps: 0.1 },
    { id: 'L2-H2', between: ['L2', 'H2'], circuit: 'heater', amps },
  ],
  free: 'off',
  byHand: 'Pull the knob and turn the shaft itself with pliers.',
  table: {
    known: 'sheet',
    rows: [
      { position: 'off', closed: [] },
      { position: 'low', closed: ['L1-H1', 'L1-P'], either: ['L2-H2'] },
      { position: 'high', closed: ['L1-H1', 'L1-P', 'L2-H2'] },
    ],
  },
});

/** A neon lamp with its resistor: far above anything that a beeper sees. */
export const neonLamp = (
  id: string,
  name: string,
  role: string,
  panel: string,
  volts: number,
): LoadPart => ({
  id,
  name,
  role,
  kind: 'load',
  load: 'lamp',
  terminals: [{ id: 'a' }, { id: 'b' }],
  elements: [
    {
      id: 'lamp',
      between: ['a', 'b'],
      value: { nominal: 90_000, low: 60_000, high: 150_000 },
      volts,
    },
  ],
  panel,
});

/** What feeds a range or an oven: two legs in opposition, neutral, ground. */
export const rangeCord = (amps: number, name = 'Range cord'): Supply => ({
  id: 'feed',
  name,
  kind: 'split-phase',
  volts: 240,
  amps,
  terminals: [{ id: 'L1' }, { id: 'L2' }, { id: 'N' }, { id: 'G' }],
});

/** The control line of an outdoor unit, fed from indoors. */
export const indoorLine: Supply = {
  id: 'indoor',
  name: '24 V from indoors',
  kind: 'low-voltage-ac',
  volts: 24,
  internalOhms: 1.2,
  amps: 3,
  terminals: [{ id: 'R' }, { id: 'C' }],
};

/** The battery of a trailer, charging or not. */
export const houseBattery: Supply = {
  id: 'battery',
  name: 'House battery',
  kind: 'dc',
  volts: 12.6,
  tolerancePercent: 12,
  internalOhms: 0.05,
  amps: 15,
  terminals: [{ id: 'P' }, { id: 'M' }],
};

/** A button that starts the unit and springs back. `held` says how it is while it is pressed. */
export const startButton = (id: string, name: string, held: string): MomentaryActuator => ({
  id,
  name,
  kind: 'momentary',
  shape: 'button',
  rest: 'released',
  positions: [
    { id: 'released', name: 'START released' },
    { id: 'pressed', name: held },
  ],
});

/** What the drive motor of a dryer moves its centrifugal switch by. */
export const motorSpeed: DrivenActuator = {
  id: 'speed',
  name: 'Motor speed',
  kind: 'driven',
  by: 'motor',
  rest: 'still',
  running: 'turning',
  positions: [
    { id: 'still', name: 'motor still' },
    { id: 'turning', name: 'motor at speed' },
  ],
};

/** The switch on the shaft of a dryer's motor; its last contact lets the heat on. */
export const centrifugalSwitch = (
  role: string,
  [a, b]: [string, string],
  heat: Pick<SwitchPart['contacts'][number], 'circuit' | 'amps'>,
): SwitchPart => ({
  id: 'centrifugal',
  name: 'Centrifugal switch',
  role,
  kind: 'switch',
  terminals: [{ id: 'H' }, { id: 'M' }, { id: 'S' }, { id: a }, { id: b }],
  contacts: [
    { id: 'H-M', between: ['H', 'M'], circuit: 'control', amps: 6, throw: 'NO' },
    { id: 'M-S', between: ['M', 'S'], circuit: 'control', amps: 7, throw: 'NC' },
    { id: `${a}-${b}`, between: [a, b], ...heat, throw: 'NO' },
  ],
  actuator: 'speed',
  free: 'still',
  byHand: 'Slide the white collar on the shaft outward with two fingers.',
  table: table({ still: ['M-S'], turning: ['H-M', `${a}-${b}`] }),
  panel: 'front',
  where: 'On top of the motor',
});

/** A 120 V cord: line, neutral, ground. */
export const mainsCord = (amps: number): Supply => ({
  id: 'cord',
  name: 'Power cord',
  kind: 'mains',
  volts: 120,
  amps,
  terminals: [{ id: 'L' }, { id: 'N' }, { id: 'G' }],
});

/** A control that a hand moves, with its positions as they are said: `{ closed: 'door closed' }`. */
export const handActuator = (
  id: string,
  name: string,
  shape: HandActuator['shape'],
  positions: Record<string, string>,
): HandActuator => ({
  id,
  name,
  kind: 'hand',
  shape,
  positions: Object.entries(positions).map(([each, says]) => ({ id: each, name: says })),
});

/** A switch with one contact: closed in the positions named so, open in all others. */
export const plainSwitch = (
  part: {
    id: string;
    name: string;
    role: string;
    actuator: string;
    free: string;
    byHand: string;
  } & Place &
    Partial<Pick<SwitchPart, 'safety'>>,
  contact: Omit<SwitchPart['contacts'][number], 'id' | 'between'>,
  positions: Record<string, 'closed' | 'open'>,
  [a, b]: [string, string] = ['1', '2'],
): SwitchPart => ({
  ...part,
  kind: 'switch',
  terminals: [{ id: a }, { id: b }],
  contacts: [{ id: `${a}-${b}`, between: [a, b], ...contact }],
  table: table(
    Object.fromEntries(
      Object.entries(positions).map(([each, state]) => [
        each,
        state === 'closed' ? [`${a}-${b}`] : [],
      ]),
    ),
  ),
});

/** What the one element of a load is called. */
const ELEMENT = { heater: 'element', lamp: 'lamp', coil: 'coil', motor: 'winding' } as const;

/** A load with one element between its terminals a and b. */
export const plainLoad = (
  part: { id: string; name: string; role: string } & Partial<
    Pick<LoadPart, 'panel' | 'where' | 'prior' | 'aliases' | 'seenAs'>
  >,
  load: keyof typeof ELEMENT,
  element: Pick<LoadPart['elements'][number], 'value' | 'working' | 'volts'>,
): LoadPart => ({
  ...part,
  kind: 'load',
  load,
  terminals: [{ id: 'a' }, { id: 'b' }],
  elements: [{ id: ELEMENT[load], between: ['a', 'b'], ...element }],
});

/** Ohms with the same spread both ways. */
export const about = (nominal: number, percent: number): Ohms => ({
  nominal,
  low: nominal * (1 - percent / 100),
  high: nominal * (1 + percent / 100),
});
