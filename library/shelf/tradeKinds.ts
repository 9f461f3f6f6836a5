import type { Actuator, LoadElement, Ohms, Part, SwitchPart } from '../../core/diagram/diagram';
import { about, neonLamp, plainLoad, transformer } from './loads';
import type { MadePart } from '../../core/draft/changePart';
import { idOf } from '../../core/draft/findPlace';
import { door, drivenBy, handActuator, quantity, startButton } from './actuators';
import { table } from './switches';

/** What is said of a part in square brackets: plate values, a marking, its kind. */
export interface Facts {
  watts?: number;
  volts?: number;
  amps?: number;
  ohms?: number;
  /** What drives it: the id of a load. */
  by?: string;
  /** `L160-30`: opens at 160 on rise, closes 30 lower; `F` closes on rise. Degrees Fahrenheit. */
  marking?: { opensOnRise: boolean; at: number; difference: number };
}

export interface Named {
  id: string;
  name: string;
}

/** A kind of part as the trade knows it, with what one is taken for until the sheet says more. */
export interface TradeKind {
  id: string;
  /** As it stands on the shelf: "Door or lid switch". */
  name: string;
  /** Words in a name that mean it. */
  words: RegExp;
  make: (named: Named, ends: [string, string], facts: Facts, volts: number) => MadePart;
}

const GUESSED = 'guessed' as const;
const NO_ROLE = 'not noted';

const still = (part: Part): MadePart => ({
  part: { ...part, known: GUESSED },
  actuators: [],
  drawnFor: {},
});

/** A switch with one contact, closed in those positions of its control. */
function moved(
  { id, name }: Named,
  ends: [string, string],
  actuator: Actuator,
  drawn: string | number,
  closed: readonly string[],
  more: Partial<SwitchPart> & Pick<SwitchPart, 'free' | 'byHand'>,
): MadePart {
  const [a, b] = ends;
  const contact = `${a}-${b}`;
  const positions =
    actuator.kind === 'quantity' ? ['below', 'above'] : actuator.positions.map((each) => each.id);
  const part: SwitchPart = {
    id,
    name,
    role: NO_ROLE,
    kind: 'switch',
    terminals: [{ id: a }, { id: b }],
    contacts: [{ id: contact, between: ends, circuit: 'control' }],
    actuator: actuator.id,
    table: {
      known: GUESSED,
      rows: table(
        Object.fromEntries(positions.map((each) => [each, closed.includes(each) ? [contact] : []])),
      ).rows,
    },
    known: GUESSED,
    ...more,
  };
  return { part, actuators: [actuator], drawnFor: { [actuator.id]: drawn } };
}

/** A switch that a quantity of its own moves; its set points from what is printed on it. */
function byQuantity(
  named: Named,
  ends: [string, string],
  kind: Parameters<typeof quantity>[0],
  unit: string,
  says: string,
  drawn: number,
  { marking }: Facts,
  closedBelow: boolean,
): MadePart {
  const id = `at-${named.id}`.slice(0, 40);
  const opensOnRise = marking ? marking.opensOnRise : closedBelow;
  const setPoints = marking && {
    rising: { at: marking.at, tolerance: SET_POINT_TOLERANCE },
    falling: { at: marking.at - marking.difference, tolerance: SET_POINT_TOLERANCE },
  };
  return moved(
    named,
    ends,
    quantity(kind, unit, id, `${says} at ${named.name}`),
    drawn,
    [opensOnRise ? 'below' : 'above'],
    {
      free: 'below',
      byHand: 'It cannot be moved by hand: warm it, cool it, or bring it to its pressure.',
      ...(setPoints && { setPoints }),
    },
  );
}

/** Degrees that a disc thermostat may be off: common practice. */
const SET_POINT_TOLERANCE = 6;

/** A load with one element, by what its plate says, or so wide that a good one is inside. */
const load = (
  { id, name }: Named,
  kind: Parameters<typeof plainLoad>[1],
  ends: [string, string],
  element: Pick<LoadElement, 'value' | 'working' | 'volts'>,
): MadePart => {
  const made = plainLoad({ id, name, role: NO_ROLE }, kind, element);
  const [one] = made.elements;
  return still({
    ...made,
    terminals: ends.map((each) => ({ id: each })),
    elements: one ? [{ ...one, between: ends }] : [],
  });
};

/** A fuse or an overload, by what is printed on it. */
const rated =
  (protector: 'fuse' | 'overload'): TradeKind['make'] =>
  ({ id, name }, between, { amps }) =>
    still({
      id,
      name,
      role: NO_ROLE,
      kind: 'protector',
      protector,
      terminals: between.map((each) => ({ id: each })),
      between,
      rating: amps === undefined ? 'not noted' : `${amps} A`,
      ...(amps !== undefined && { amps }),
    });

/** As wide as what is met: nothing is printed. */
const wide = (low: number, high: number): Ohms => ({
  nominal: Math.round(Math.sqrt(low * high)),
  low,
  high,
});

/** The kinds, those with the more telling words first. */
export const TRADE_KINDS: readonly TradeKind[] = [
  {
    id: 'door',
    name: 'Door or lid switch',
    words: /\b(door|lid|drawer|interlock|monitor|primary|secondary)\b/i,
    make: (named, ends) => {
      const shape = /\blid\b/i.test(named.name) ? 'lid' : 'door';
      const other = /\b(monitor|lamp|light)\b/i.test(named.name);
      return moved(named, ends, door(shape), 'closed', [other ? 'open' : 'closed'], {
        free: 'open',
        byHand: 'Press the plunger.',
      });
    },
  },
  {
    id: 'board',
    name: 'Control board',
    words: /\b(board|module|ecm|pcb)\b/i,
    make: ({ id, name }, between) =>
      still({
        id,
        name,
        role: NO_ROLE,
        kind: 'board',
        terminals: between.map((each) => ({ id: each })),
        inputs: [{ id: 'power', between }],
      }),
  },
  {
    id: 'driven',
    name: 'Relay contact, centrifugal switch',
    words: /\b(contacts?|points|centrifugal)\b/i,
    make: (named, ends, facts) => {
      const speed = /centrifugal/i.test(named.name);
      const by =
        facts.by ?? (speed ? 'motor' : idOf(named.name.replace(/\b(contacts?|points)\b/i, '')));
      const says: [string, string] = speed
        ? ['motor still', 'motor at speed']
        : [`${named.name} at rest`, `${named.name} pulled in`];
      const actuator = drivenBy(by, named.id, speed ? 'Motor speed' : named.name, says);
      const nc = ends.some((each) => /^nc$/i.test(each));
      return moved(named, ends, actuator, 'idle', [nc ? 'idle' : 'pulled'], {
        free: 'idle',
        byHand: 'Push the armature in with an insulated tool.',
      });
    },
  },
  {
    id: 'cut-off',
    name: 'One-shot cut-off, thermal fuse',
    words: /\b(thermal fuse|cut[- ]?off|one[- ]shot|tco)\b/i,
    make: ({ id, name }, between, { marking }) => {
      const air = quantity('temperature', '°F', `at-${id}`.slice(0, 40), `Temperature at ${name}`);
      const part: Part = {
        id,
        name,
        role: NO_ROLE,
        kind: 'protector',
        protector: 'thermal-cut-off',
        terminals: between.map((each) => ({ id: each })),
        between,
        rating: marking ? `${marking.at} °F, one shot` : 'not noted',
        ...(marking && { opensAt: { actuator: air.id, at: marking.at } }),
      };
      const made = still(part);
      return marking ? { ...made, actuators: [air], drawnFor: { [air.id]: 70 } } : made;
    },
  },
  {
    id: 'overload',
    name: 'Motor overload',
    words: /\b(overload|thermal protector)\b/i,
    make: rated('overload'),
  },
  {
    id: 'fuse',
    name: 'Fuse',
    words: /\bfuse\b/i,
    make: rated('fuse'),
  },
  {
    id: 'limit',
    name: 'Limit or thermostat',
    words: /\b(limit|thermostat|roll-?out|disc|defrost|stat)\b/i,
    make: (named, ends, facts) =>
      byQuantity(named, ends, 'temperature', '°F', 'Temperature', 70, facts, true),
  },
  {
    id: 'pressure',
    name: 'Pressure switch',
    words: /\b(pressure|draft|vacuum)\b/i,
    make: (named, ends, facts) =>
      byQuantity(named, ends, 'pressure', 'in. w.c.', 'Pressure', 0, facts, false),
  },
  {
    id: 'level',
    name: 'Float or level switch',
    words: /\b(float|level|overflow)\b/i,
    make: (named, ends, facts) => byQuantity(named, ends, 'level', 'in.', 'Level', 0, facts, true),
  },
  {
    id: 'air',
    name: 'Sail or flow switch',
    words: /\b(sail|flow|air ?switch)\b/i,
    make: (named, ends, facts) =>
      byQuantity(named, ends, 'airflow', '%', 'Air flow', 0, facts, false),
  },
  {
    id: 'transformer',
    name: 'Transformer',
    words: /\b(transformer|xfmr)\b/i,
    make: ({ id, name }, _, { volts: gives = 24 }, volts) =>
      still(transformer({ id, name, role: NO_ROLE }, { primary: 40, secondary: 1, volts, gives })),
  },
  {
    id: 'coil',
    name: 'Relay coil, valve or solenoid',
    words: /\b(coil|valve|solenoid|contactor|buzzer|relay)\b/i,
    make: (named, ends, { ohms }, volts) =>
      load(named, 'coil', ends, {
        value:
          ohms === undefined
            ? wide(volts < 60 ? 8 : 150, volts < 60 ? 200 : 3000)
            : about(ohms, 20),
        volts,
      }),
  },
  {
    id: 'lamp',
    name: 'Lamp',
    words: /\b(lamp|light|bulb|neon|pilot|indicator)\b/i,
    make: (named, ends, { watts }, volts) => {
      if (watts === undefined && /\b(neon|pilot|indicator)\b/i.test(named.name)) {
        const [{ value }] = neonLamp('', '', '', '', volts).elements as [LoadElement];
        return load(named, 'lamp', ends, { value, volts });
      }
      const hot = (volts * volts) / (watts ?? 40);
      return load(named, 'lamp', ends, {
        value: about(hot / 12, 40),
        working: about(hot, 20),
        volts,
      });
    },
  },
  {
    id: 'motor',
    name: 'Motor, fan or pump',
    words: /\b(motor|fan|blower|pump|compressor|inducer)\b/i,
    make: (named, ends, { ohms }, volts) =>
      load(named, 'motor', ends, {
        value: ohms === undefined ? wide(1, 60) : about(ohms, 20),
        working: ohms === undefined ? wide(12, 400) : about(ohms * 8, 30),
        volts,
      }),
  },
  {
    id: 'heater',
    name: 'Heater or element',
    words: /\b(heater|element|bake|broil|igniter|burner|heat|resistor)\b/i,
    make: (named, ends, { watts, volts: plate, ohms }, volts) =>
      load(named, 'heater', ends, {
        value:
          watts !== undefined
            ? { watts, volts: plate ?? volts, tolerancePercent: 8 }
            : ohms !== undefined
              ? about(ohms, 10)
              : wide(8, 120),
        volts: plate ?? volts,
      }),
  },
  {
    id: 'button',
    name: 'Start switch or push button',
    words: /\b(start|push|button|momentary)\b/i,
    make: (named, ends) =>
      moved(
        named,
        ends,
        startButton(named.id, named.name, `${named.name} pressed`),
        'released',
        ['pressed'],
        { free: 'released', byHand: 'Press the stem itself.' },
      ),
  },
  {
    id: 'selector',
    name: 'Timer, selector or knob',
    words: /\b(timer|selector|knob|control|infinite|rotary)\b/i,
    make: (named, ends) =>
      moved(
        named,
        ends,
        handActuator(named.id, named.name, 'knob', {
          off: `${named.name} at OFF`,
          on: `${named.name} at ON`,
        }),
        'off',
        ['on'],
        { free: 'off', byHand: 'Pull the knob and turn the shaft itself with pliers.' },
      ),
  },
  {
    id: 'connection',
    name: 'Plug, block or splice',
    words: /\b(plug|block|connector|splice|jack|terminal|harness|frame|ground|chassis)\b/i,
    make: ({ id, name }, join) =>
      still({
        id,
        name,
        role: NO_ROLE,
        kind: 'connection',
        terminals: join.map((each) => ({ id: each })),
        joins: [join],
      }),
  },
];

/** Kinds that a hand, a quantity or another load moves: what a name that ends in "switch" may be. */
const SWITCHES = ['door', 'driven', 'limit', 'pressure', 'level', 'air', 'button', 'selector'];

/**
 * The kind that a name means, or what is said of it: the last telling word decides, as in "fan selector" and "fan motor", and
 * "switch" says only that it is one.
 */
export function kindByWords(text: string): TradeKind | undefined {
  const named = TRADE_KINDS.find(({ id }) => id === text.toLowerCase());
  if (named) return named;
  const isSwitch = /\bswitch\b/i.test(text);
  const bare = text.replace(/\bswitch\b/gi, ' ');
  let best: { kind: TradeKind; end: number } | undefined;
  for (const kind of TRADE_KINDS) {
    if (isSwitch && !SWITCHES.includes(kind.id)) continue;
    const ends = [...bare.matchAll(new RegExp(kind.words, 'gi'))].map(
      ({ index, 0: { length } }) => index + length,
    );
    const end = ends.at(-1);
    if (end !== undefined && end > (best?.end ?? -1)) best = { kind, end };
  }
  return best?.kind ?? (isSwitch ? TRADE_KINDS.find(({ id }) => id === 'selector') : undefined);
}
