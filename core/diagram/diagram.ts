/**
 * A diagram is the electrical description of one model. It is plain data: the file format
 * (docs/format.md) is this type written as JSON.
 */

/** A terminal of a part or supply, written `part.terminal`, for example `primary.COM`. */
export type TerminalRef = `${string}.${string}`;

/** The free end of what is pulled off a terminal, be it one wire or several in one connector. */
export type WireEnd = `${TerminalRef}:wire`;

/** Ohms with the interval that a good unit may show. `low <= nominal <= high`, all above zero. */
export interface Ohms {
  nominal: number;
  low: number;
  high: number;
}

/** Where a diagram entry comes from: printed on the sheet, proved by a reading, or guessed. */
export type Known = 'sheet' | 'proved' | 'guessed';

/** What can say of itself where it comes from; it is from the sheet where it says nothing. */
interface Told {
  known?: Known;
}

export interface Diagram {
  format: 'yarrix-diagram';
  version: 1;
  id: string;
  name: string;
  /** Kind of unit, in plain words: "countertop oven", "top-load washer". */
  kind: string;
  /** The state that the sheet is drawn for; every actuator is named. */
  drawnFor: Record<string, string | number>;
  /** The terminal that stands for the metal of the unit, which a fault can reach. */
  frame?: TerminalRef;
  supplies: Supply[];
  parts: Part[];
  wires: Wire[];
  actuators: Actuator[];
  panels: Panel[];
  /** How the unit is used: what a complaint is told along, and a repair proved by. */
  uses?: Use[];
  looks?: Look[];
  cautions: string[];
  /** What it works with besides the wires of the house; each asks for checks of its own before it is handed back. */
  energies?: Energy[];
  /** The diagram that it was made from, by what differs. */
  derivedFrom?: { id: string; version: number; name: string };
}

export type Energy =
  | 'gas'
  | 'oil'
  /** What it burns leaves by a flue or a vent. */
  | 'flue'
  | 'microwaves'
  | 'water'
  | 'refrigerant'
  | 'stored-charge'
  | 'moving-air'
  /** The air that it warms or cools goes through ducts. */
  | 'ducts';

/** One use of the unit, as steps of `behaviour/step.ts`: "timer=heat,start=pressed". */
export interface Use {
  id: string;
  name: string;
  steps: string;
}

/** A quick check without a meter. */
export interface Look {
  id: string;
  /** What is looked, listened or felt for: "the start switch clicks when pressed". */
  says: string;
  /** Faults that it points to, written as for `fault/parseFault.ts`; without a mode all of a part. */
  of: string[];
  /** How often it is found with one of those faults, and without. */
  found: { with: number; without: number };
  minutes: number;
  panel?: string;
  /** It takes power: what was proved dead is not known to be so after it. */
  powered?: true;
  /** It is about what feeds the unit, gas and water too, and is looked at with its supply. */
  feeds?: true;
}

/**
 * How often a part fails beside others: a weight, where it comes from, and of how many calls it is
 * the share.
 */
export interface Prior {
  weight: number;
  source: string;
  calls: number;
}

export interface Terminal {
  id: string;
  /** What is stamped beside it, when that differs from the id. */
  label?: string;
}

/**
 * The order of its terminals says what they are: hot, neutral, ground for `mains`; L1, L2, neutral,
 * ground for `split-phase` (120 V legs in opposition) and `wye-legs` (two legs of a wye, 120
 * degrees apart); plus and minus for the rest.
 */
export type SupplyKind =
  'mains' | 'split-phase' | 'wye-legs' | 'low-voltage-ac' | 'dc' | 'thermopile' | 'thermocouple';

export interface Supply extends Told {
  id: string;
  name: string;
  kind: SupplyKind;
  /** Between its first two terminals, with nothing drawn. */
  volts: number;
  /** How far the volts may be off, both ways. */
  tolerancePercent?: number;
  terminals: Terminal[];
  /** Ohms inside each leg: what makes it sag, and how much a short draws. */
  internalOhms?: number;
  /** Rating of the breaker or fuse ahead of it, in ampere. */
  amps?: number;
  prior?: Prior;
}

/** A word that people use for a part; `trap` tells which other part the same word can mean. */
export interface Alias {
  word: string;
  trap?: string;
}

interface PartBase extends Told {
  id: string;
  name: string;
  role: string;
  /** What a person sees or hears of it: "Flame", which does not come, or burns. */
  seenAs?: {
    name: string;
    off?: string;
    runs?: string;
    /** Only who stands close and listens for it knows: no customer is asked. */
    close?: boolean;
  };
  aliases?: Alias[];
  terminals: Terminal[];
  panel?: string;
  /** Where the part sits, as a technician would say it. */
  where?: string;
  prior?: Prior;
  /** What makes it fail, and is looked for before a new one is put in. */
  causes?: string[];
  /** What is bought for it, where that is more than the part: "element with its limiter", "control board". */
  soldAs?: string;
  /** Parts that are changed along with it, or at least looked at. */
  companions?: string[];
  /** What holds it and which way round it sits; usual words where nothing is said (`describe/newPart.ts`). */
  mounting?: string;
  /** How a new one is proved once it is in; usual words where nothing is said. */
  provedBy?: string;
}

/** What the contact carries decides how good "closed" has to be. */
export type CircuitClass = 'heater' | 'control' | 'signal' | 'thermopile' | 'thermocouple';

export interface Contact {
  id: string;
  between: [string, string];
  circuit: CircuitClass;
  /** Working current in ampere, for the volts and watts lost in the contact. */
  amps?: number;
  throw?: 'NO' | 'NC';
}

/** `either`: may rightly be open or closed, as a cycling pair that is warm. */
export type CellState = 'closed' | 'open' | 'either';

/** One position of a contact table. Contacts that are not named are open. */
export interface TableRow {
  position: string;
  closed: string[];
  either?: string[];
  /** In use, its `either` contacts are closed and open by turns, for so many seconds each. */
  cycles?: Cycles;
}

export interface Cycles {
  closed: number;
  open: number;
}

export interface ContactTable {
  known: Known;
  rows: TableRow[];
}

export interface SetPoint {
  at: number;
  tolerance: number;
}

export interface SwitchPart extends PartBase {
  kind: 'switch';
  contacts: Contact[];
  actuator: string;
  table: ContactTable;
  /** The position that the switch takes when nothing touches it. */
  free: string;
  /** How to operate it alone, without its actuator: "press the lever with the bracket off". */
  byHand: string;
  /** No hand moves it: soldered to a board, or sealed. It is read live under drive, or sold with what it sits on. */
  handless?: true;
  /** For a switch moved by a quantity: it goes `above` on rise and back `below` on fall. */
  setPoints?: { rising: SetPoint; falling: SetPoint };
  /** Stays `above` until somebody presses it back. */
  reset?: 'manual';
  /** It protects people or the house: never bridged unattended. */
  safety?: true;
}

/** What a plate gives of a heater: R = V squared / P when hot, and `coldToHot` times less cold. */
export interface Plate {
  watts: number;
  volts: number;
  tolerancePercent: number;
  coldToHot?: number;
}

export interface LoadElement {
  id: string;
  between: [string, string];
  /** Cold value, as an ohmmeter finds it. */
  value: Ohms | Plate;
  /** Value while it works, where that is another: a running motor, a lit lamp, a pulled-in coil. */
  working?: Ohms;
  /** Volts that it is made for. */
  volts?: number;
}

export interface LoadPart extends PartBase {
  kind: 'load';
  load: 'heater' | 'motor' | 'coil' | 'transformer' | 'lamp';
  elements: LoadElement[];
  /** Motor or coil: the winding that it needs to start or to pull in, besides the others. */
  startsWith?: string;
  /**
   * What has to be so, outside the circuit, for it to do what is seen of it: a load that runs (`runs`), or an
   * actuator in a position. The second valve makes a flame only with the first one open and the knob at ON.
   */
  onlyWith?: Record<string, string>;
  /**
   * Share of its volts from which on a coil pulls in and a motor turns from standstill, and down to which a
   * coil that has pulled in holds; usual ones where nothing is said (`behaviour/machine.ts`).
   */
  startsFrom?: number;
  holdsFrom?: number;
  /** Transformer: its primary and secondary; their rated volts give the ratio. */
  windings?: { primary: string; secondary: string };
}

export interface ProtectorPart extends PartBase {
  kind: 'protector';
  /** An overload opens when too much flows and closes again when it has cooled. */
  protector: 'fuse' | 'thermal-cut-off' | 'overload';
  between: [string, string];
  /** What is printed on it. */
  rating: string;
  /** Fuse and overload: opens from this current on, in ampere. */
  amps?: number;
  /** Thermal cut-off: opens for good from this value of a quantity on. */
  opensAt?: { actuator: string; at: number };
}

/** Electronics. An input with no `ohms` is unknown: readings through it are not computed. */
export interface BoardInput {
  id: string;
  between: [string, string];
  ohms?: { low: number; high: number };
  /**
   * It asks with a few volts of its own whether its two terminals are joined outside, or, where it has a range,
   * whether the ohms between them are `good`, `low` or `high`: a sensor that is there, shorted or gone.
   */
  senses?: 'contact' | 'resistance';
  range?: { low: number; high: number };
  /** Volts from which on it counts as fed; 5 where nothing is said. */
  fedFrom?: number;
}

/**
 * One state of a board. `drives` lists the driven actuators that it holds in their running
 * position. `next` is read from the top: the first way out whose conditions have held for `after`
 * seconds is taken. A condition names an input (`fed` or `dead`; `closed` or `open` where it senses a contact, `good`, `low`
 * or `high` where a resistance) or an actuator (its position).
 */
export interface BoardState {
  id: string;
  /** What is seen of it: "lockout, three blinks". */
  says: string;
  drives: string[];
  next: { when: Record<string, string>; after?: number; to: string }[];
}

export interface BoardPart extends PartBase {
  kind: 'board';
  inputs: BoardInput[];
  /** What the board does; it starts in its first state when `power` is fed. */
  logic?: {
    power: string;
    states: [BoardState, ...BoardState[]];
    /** Where what it says is from; guessed, where the model is not sure: then its codes count little. */
    known?: Known;
  };
}

/** A plug, terminal block or splice: pairs of terminals that are one piece of metal. */
export interface ConnectionPart extends PartBase {
  kind: 'connection';
  joins: [string, string][];
}

/** Bracket, lever, tube, belt, magnet: no terminals of its own, but it is what fails. */
export interface HardwarePart extends PartBase {
  kind: 'hardware';
  serves: string[];
}

export type Part =
  SwitchPart | LoadPart | ProtectorPart | BoardPart | ConnectionPart | HardwarePart;

export interface Wire extends Told {
  id: string;
  /** Two-letter colour code, with a stripe after a dash: `BK`, `WH-RD`. */
  colour: string;
  from: TerminalRef;
  to: TerminalRef;
  ohms?: Ohms;
}

export interface Position {
  id: string;
  /** As said to a person, in full: "door closed", "knob at BAKE". */
  name: string;
}

export type ActuatorShape = 'door' | 'lid' | 'drawer' | 'knob' | 'button' | 'float';

interface ActuatorBase extends Told {
  id: string;
  name: string;
}

export interface HandActuator extends ActuatorBase {
  kind: 'hand';
  shape: ActuatorShape;
  /** In the order in which they are passed. */
  positions: Position[];
}

export interface MomentaryActuator extends ActuatorBase {
  kind: 'momentary';
  shape: ActuatorShape;
  positions: [Position, Position];
  rest: string;
}

export interface DrivenActuator extends ActuatorBase {
  kind: 'driven';
  /** The load of the same unit that moves it while it runs, or the board that drives it. */
  by: string;
  positions: Position[];
  rest: string;
  running: string;
}

/** A quantity that stands where it should not, beyond the set point of a switch that is right about it. */
export interface Condition {
  /** The switch whose set point it is beyond. */
  beyond: string;
  side: 'below' | 'above';
  /** What is wrong then: "low refrigerant charge". */
  says: string;
  /** What makes it so, and is looked for. */
  causes?: string[];
  /** What is done about it, and by whom: "leak search by somebody with a licence". */
  action: string;
  prior?: Prior;
}

export interface QuantityActuator extends ActuatorBase {
  kind: 'quantity';
  quantity: 'temperature' | 'pressure' | 'airflow' | 'speed' | 'level';
  unit: string;
  /** What is known to go wrong with it; a switch that it moves and that is not named here has the usual. */
  conditions?: Condition[];
  /**
   * Moved by a load of the unit: toward `to` while it runs, back to where it was drawn otherwise,
   * each with this time constant. `held` is where another load keeps it when that runs as well (a
   * blower that carries the heat away); `alone` is where another load drives it by itself (a flame
   * that an igniter has lit).
   */
  driven?: {
    by: string;
    to: number;
    seconds: number;
    held?: { by: string; to: number };
    alone?: { by: string; to: number };
    /** It stays where it was brought until this load takes it back: water that a pump empties. */
    emptiedBy?: string;
    /** It needs this load beside the other to begin: a flame, which must be lit and then burns on. */
    litBy?: string;
    /** It stays where it was brought: the heat of a tank, the pressure of a closed pipe. */
    stays?: true;
  };
}

export type Actuator = HandActuator | MomentaryActuator | DrivenActuator | QuantityActuator;

export type Side = 'front' | 'back' | 'top' | 'bottom' | 'left' | 'right' | 'inside';

/** What is opened to reach parts. */
export interface Panel {
  id: string;
  name: string;
  fastener: string;
  minutes: number;
  /** What opens it: "quarter-inch nut driver". */
  tool?: string;
  /** From which side of the unit it is worked on. */
  side?: Side;
  /** A second pair of hands is needed. */
  helper?: true;
  /** What it hangs on once it is off: "door lock harness, half a foot". */
  tethered?: string;
  /** What lies behind it is reached with everything dead only: moving or bare live parts. */
  coldOnly?: true;
}
