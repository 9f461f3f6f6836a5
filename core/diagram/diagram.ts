/**
 * A diagram is the electrical description of one model. It is plain data: the file format
 * (docs/format.md) is this type written as JSON.
 */

/** A terminal of a part or supply, written `part.terminal`, for example `primary.COM`. */
export type TerminalRef = `${string}.${string}`;

/** Ohms with the interval that a good unit may show. `low <= nominal <= high`, all above zero. */
export interface Ohms {
  nominal: number;
  low: number;
  high: number;
}

/** Where a diagram entry comes from. */
export type Known = 'sheet' | 'proved' | 'guessed';

export interface Diagram {
  format: 'yarrix-diagram';
  version: 1;
  id: string;
  name: string;
  /** Kind of unit, in plain words: "countertop oven", "top-load washer". */
  kind: string;
  /** The state that the sheet is drawn for; every actuator is named. */
  drawnFor: Record<string, string | number>;
  supplies: Supply[];
  parts: Part[];
  wires: Wire[];
  actuators: Actuator[];
  panels: Panel[];
  cautions: string[];
}

export interface Terminal {
  id: string;
  /** What is stamped beside it, when that differs from the id. */
  label?: string;
}

export interface Supply {
  id: string;
  name: string;
  kind: 'mains' | 'split-phase' | 'low-voltage-ac' | 'dc' | 'thermopile' | 'thermocouple';
  volts: number;
  terminals: Terminal[];
  /** Resistance that stays in the circuit when nothing feeds it (a thermopile); open if absent. */
  internalOhms?: number;
}

/** A word that people use for a part; `trap` tells which other part the same word can mean. */
export interface Alias {
  word: string;
  trap?: string;
}

interface PartBase {
  id: string;
  name: string;
  role: string;
  aliases?: Alias[];
  terminals: Terminal[];
  panel?: string;
  /** Where the part sits, as a technician would say it. */
  where?: string;
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
  /** For a switch moved by a quantity: it goes `above` on rise and back `below` on fall. */
  setPoints?: { rising: SetPoint; falling: SetPoint };
}

export interface LoadElement {
  id: string;
  between: [string, string];
  /** Cold value. `{ watts, volts }` is a heater: R = V squared / P. */
  value: Ohms | { watts: number; volts: number; tolerancePercent: number };
}

export interface LoadPart extends PartBase {
  kind: 'load';
  load: 'heater' | 'winding' | 'coil' | 'transformer' | 'lamp';
  elements: LoadElement[];
}

export interface ProtectorPart extends PartBase {
  kind: 'protector';
  protector: 'fuse' | 'thermal-cut-off';
  between: [string, string];
  rating: string;
}

/** Electronics. An input with no `ohms` is unknown: readings through it are not computed. */
export interface BoardPart extends PartBase {
  kind: 'board';
  inputs: { id: string; between: [string, string]; ohms?: { low: number; high: number } }[];
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

export interface Wire {
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

export type Shape = 'door' | 'lid' | 'drawer' | 'knob' | 'button' | 'float';

interface ActuatorBase {
  id: string;
  name: string;
}

export interface HandActuator extends ActuatorBase {
  kind: 'hand';
  shape: Shape;
  /** In the order in which they are passed. */
  positions: Position[];
}

export interface MomentaryActuator extends ActuatorBase {
  kind: 'momentary';
  shape: Shape;
  positions: [Position, Position];
  rest: string;
}

export interface DrivenActuator extends ActuatorBase {
  kind: 'driven';
  /** The load of the same unit that moves it. */
  by: string;
  positions: Position[];
  rest: string;
  running: string;
}

export interface QuantityActuator extends ActuatorBase {
  kind: 'quantity';
  quantity: 'temperature' | 'pressure' | 'airflow' | 'speed' | 'level';
  unit: string;
}

export type Actuator = HandActuator | MomentaryActuator | DrivenActuator | QuantityActuator;

export interface Panel {
  id: string;
  name: string;
  fastener: string;
  minutes: number;
}
