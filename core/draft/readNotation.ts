import { fail, ok, type Result } from '../result';
import { pairsIn } from './findPlace';
import { isPathLine, readPathLine, type PathLine, type TextFault } from './pathLine';
import { readValue, takeApart, type Below, type Statement } from './statement';
import { terminalsInside } from './terminalsInside';
import type { Part } from '../diagram/diagram';

/** A text in the line notation, taken apart: what it declares, and its lines of wires. */
export interface ReadNotation {
  /** A diagram without its wires, as it was said: whoever takes it checks its shape first. */
  declared: Record<string, unknown>;
  paths: { path: PathLine; line: number }[];
  /** What is said of wires by their ids besides colour and ends. */
  wires: Record<string, { said: Record<string, unknown>; line: number }>;
  /** The line of each thing, by its JSON pointer. */
  lines: Record<string, number>;
}

/** Longer texts are no diagrams. */
export const MOST_NOTATION = 1_000_000;

type Fields = Record<string, unknown>;
type Refuse = (line: number, message: string) => void;

/** Reads a text in the line notation (docs/format.md). What is wrong is told by line and column, all of it. */
export function readNotation(text: string): Result<ReadNotation, TextFault[]> {
  const { statements, paths: lines, faults } = takeApart(text, isPathLine);
  const refuse: Refuse = (line, message) => void faults.push({ line, column: 1, message });
  const paths = lines.flatMap(({ text: path, line }) => {
    const read = readPathLine(path, line);
    if (read.ok) return [{ path: read.value, line }];
    faults.push(read.error);
    return [];
  });
  const made = declare(statements, refuse);
  const sorted = faults.sort((a, b) => a.line - b.line || a.column - b.column);
  return sorted.length ? fail(sorted) : ok({ ...made, paths });
}

/** What is asked for and was not said. */
const UNSAID = 'not noted';

const LISTS = {
  supply: 'supplies',
  hand: 'actuators',
  momentary: 'actuators',
  driven: 'actuators',
  quantity: 'actuators',
  panel: 'panels',
  switch: 'parts',
  heater: 'parts',
  motor: 'parts',
  coil: 'parts',
  transformer: 'parts',
  lamp: 'parts',
  fuse: 'parts',
  'thermal-cut-off': 'parts',
  overload: 'parts',
  board: 'parts',
  connection: 'parts',
  hardware: 'parts',
  use: 'uses',
  look: 'looks',
} as const;

const isListed = (word: string): word is keyof typeof LISTS => Object.hasOwn(LISTS, word);

function declare(statements: readonly Statement[], refuse: Refuse): Omit<ReadNotation, 'paths'> {
  const declared: Fields = {
    format: 'yarrix-diagram',
    version: 1,
    supplies: [],
    actuators: [],
    panels: [],
    parts: [],
    wires: [],
    uses: [],
    looks: [],
    cautions: [],
    drawnFor: {},
  };
  const lists: Record<string, Fields[]> = {};
  const wires: ReadNotation['wires'] = {};
  const lines: Record<string, number> = {};
  const drawnFor: Fields = {};
  let units = 0;
  for (const each of statements) {
    const { word, id, line } = each;
    if (word === 'unit') {
      units++;
      Object.assign(declared, readUnit(each, refuse, drawnFor));
    } else if (word === 'wire') {
      wires[id] = { said: fieldsOf(each.below, refuse), line };
    } else if (isListed(word)) {
      const key = LISTS[word];
      const list = (lists[key] ??= []);
      lines[`/${key}/${list.length}`] = line;
      list.push(READERS[key](each, refuse, drawnFor));
    } else {
      refuse(line, `"${word}" is not known; known: unit, wire, ${Object.keys(LISTS).join(', ')}`);
    }
  }
  if (units !== 1) refuse(1, 'say once what it is: unit electric-dryer "Electric dryer"');
  return { declared: { ...declared, ...lists, drawnFor }, wires, lines };
}

function readUnit({ id, name, below }: Statement, refuse: Refuse, drawnFor: Fields): Fields {
  const cautions = below
    .filter(({ key }) => key === 'caution')
    .map(({ value }) => readValue(value));
  const { drawnFor: elsewhere, ...fields } = fieldsOf(
    below.filter(({ key }) => key !== 'caution'),
    refuse,
  );
  if (typeof elsewhere === 'object') Object.assign(drawnFor, elsewhere);
  return { kind: 'unit', ...fields, id, name, cautions };
}

/** Lines below that have no form of their own: a field each. */
function fieldsOf(below: readonly Below[], refuse: Refuse): Fields {
  const fields: Fields = {};
  for (const { key, of, value, line } of below) {
    if (of.length) refuse(line, `"${key}" says nothing of "${of.join(' ')}"`);
    else if (Object.hasOwn(fields, key)) refuse(line, `"${key}" is said twice`);
    // A name that objects have of their own would be lost without a word.
    else if (key === '__proto__') refuse(line, '"__proto__" is not known here');
    else fields[key] = readValue(value);
  }
  return fields;
}

/** Lines with a form of their own, and the others as fields. */
function apart(below: readonly Below[], own: readonly string[], refuse: Refuse) {
  const isOwn = ({ key }: Below): boolean => own.includes(key);
  return {
    own: below.filter(isOwn),
    fields: fieldsOf(
      below.filter((each) => !isOwn(each)),
      refuse,
    ),
  };
}

const READERS: Record<
  (typeof LISTS)[keyof typeof LISTS],
  (statement: Statement, refuse: Refuse, drawnFor: Fields) => Fields
> = {
  supplies: readSupply,
  actuators: readActuator,
  panels: ({ id, name, said, below, line }, refuse) => {
    const minutes = said ? measureIn(said, 'min') : 1;
    if (minutes === undefined)
      refuse(line, 'say how long it takes: panel rear "Rear panel": 7 min');
    return { id, name, minutes, fastener: 'screws', ...fieldsOf(below, refuse) };
  },
  parts: readPart,
  uses: ({ id, name, said, below }, refuse) => ({
    id,
    name,
    steps: said,
    ...fieldsOf(below, refuse),
  }),
  looks: ({ id, name, below }, refuse) => ({ id, says: name, ...fieldsOf(below, refuse) }),
};

function readSupply({ id, name, said, below, line }: Statement, refuse: Refuse): Fields {
  const supply: Fields = { id, name };
  for (const each of said.split(',').map((words) => words.trim())) {
    const [volts, amps] = [measureIn(each, 'V'), measureIn(each, 'A')];
    if (volts !== undefined) supply.volts = volts;
    else if (amps !== undefined) supply.amps = amps;
    else if (supply.kind === undefined) supply.kind = each;
    else supply.terminals = idsIn(each).map((terminal) => ({ id: terminal }));
  }
  if (supply.volts === undefined || supply.terminals === undefined)
    refuse(line, 'a supply is said so: supply cord "Power cord": mains, 120 V, 15 A, L N G');
  return { ...supply, ...fieldsOf(below, refuse) };
}

function readActuator(
  { word: kind, id, name, said, below, line }: Statement,
  refuse: Refuse,
  drawnFor: Fields,
): Fields {
  const { own, fields } = apart(below, ['at', 'drawn'], refuse);
  const drawn = own.find(({ key }) => key === 'drawn');
  if (drawn) drawnFor[id] = readValue(drawn.value);
  const at = own.filter(({ key }) => key === 'at');
  const positions = at.map(({ of, value }) => ({
    id: of[0] ?? '',
    name: value ? readValue(value) : (of[0] ?? ''),
  }));
  if (kind === 'quantity') {
    const comma = said.indexOf(',');
    if (comma < 0) refuse(line, 'a quantity is said so: quantity air "Air": temperature, °F');
    return {
      kind,
      id,
      name,
      quantity: said.slice(0, comma),
      unit: said.slice(comma + 1).trim(),
      ...fields,
    };
  }
  const how: Fields = {};
  for (const each of said.split(',').map((words) => words.trim())) {
    const [first = '', second] = each.split(/\s+/);
    if (second === undefined) how.shape = first;
    else if (first === 'by') how.by = second;
    else if (first === 'rests') how.rest = second;
    else if (first === 'runs') how.running = second;
    else refuse(line, `"${each}" is not understood; a button is said so: button, rests released`);
  }
  // Nothing else said, a control stands in its first position, or where it comes to rest.
  if (!drawn) drawnFor[id] = how.rest ?? positions[0]?.id ?? '';
  return { kind, id, name, ...how, positions, ...fields };
}

function readPart(statement: Statement, refuse: Refuse): Fields {
  const { id, name } = statement;
  const { terminals, ...part } = { role: UNSAID, ...ofKind(statement, refuse) } as Fields;
  const made = { id, name, ...part };
  return {
    ...made,
    terminals:
      terminals ?? terminalsInside(made as unknown as Part).map((terminal) => ({ id: terminal })),
  };
}

function ofKind({ word, said, below, line }: Statement, refuse: Refuse): Fields {
  const pair = (text: string, at: number): [string, string] => {
    const slash = text.indexOf('/');
    const found = slash > 0 ? pairsIn(text).find(([a]) => a.length === slash) : pairsIn(text)[0];
    if (!found)
      refuse(at, `"${text}" is not two terminals; write A-C, or A/C where one has a hyphen`);
    return found ?? ['', ''];
  };
  const list = said
    .split(',')
    .map((each) => each.trim())
    .filter(Boolean);
  switch (word) {
    case 'switch': {
      const { own, fields } = apart(below, ['contact', 'in', 'table', 'setPoints'], refuse);
      const heads = new Map(list.map((each) => each.split(/\s+/)).map(([a, b]) => [a, b]));
      if (!heads.get('by') || !heads.get('free'))
        refuse(
          line,
          'say what moves it, and how it stands alone: switch door "Door switch": by door, free open',
        );
      const of = (key: string) => own.filter((each) => each.key === key);
      const setPoints = of('setPoints')[0];
      return {
        kind: word,
        actuator: heads.get('by'),
        free: heads.get('free'),
        byHand: 'Move it by hand, off what moves it.',
        contacts: of('contact').map((each) => readContact(each, pair, refuse)),
        table: {
          known: of('table')[0]?.value ?? 'sheet',
          rows: of('in').map((each) => readRow(each, refuse)),
        },
        ...(setPoints && { setPoints: readSetPoints(setPoints, refuse) }),
        ...fields,
      };
    }
    case 'fuse':
    case 'thermal-cut-off':
    case 'overload':
      return {
        kind: 'protector',
        protector: word,
        between: pair(said, line),
        rating: UNSAID,
        ...fieldsOf(below, refuse),
      };
    case 'connection':
      return {
        kind: word,
        joins: list.map((each) => pair(each, line)),
        ...fieldsOf(below, refuse),
      };
    case 'hardware':
      return { kind: word, serves: list, ...fieldsOf(below, refuse) };
    case 'board': {
      const { own, fields } = apart(below, ['input'], refuse);
      const inputs = own.map(({ of: [id, ends = ''], value, line: at }) => ({
        id,
        between: pair(ends, at),
        ...(value ? (readValue(value) as object) : {}),
      }));
      return { kind: word, inputs, ...fields };
    }
    default: {
      const { own, fields } = apart(below, ['element'], refuse);
      const elements = own.map((each) => readElement(each, pair, refuse));
      return { kind: 'load', load: word, elements, ...fields };
    }
  }
}

type ReadPair = (text: string, line: number) => [string, string];

function readContact({ of, value, line }: Below, pair: ReadPair, refuse: Refuse): Fields {
  const [first = '', second] = of;
  const contact: Fields = { id: first, between: pair(second ?? first, line) };
  for (const each of value.split(',').map((words) => words.trim())) {
    const amps = measureIn(each, 'A');
    if (amps !== undefined) contact.amps = amps;
    else if (each === 'NO' || each === 'NC') contact.throw = each;
    else if (each) contact.circuit = each;
  }
  if (contact.circuit === undefined) contact.circuit = 'control';
  if (of.length > 2) refuse(line, 'a contact is said so: "contact A-C: control, 6 A, NO"');
  return contact;
}

const TURNS = /\(\s*([\d.]+)\s*s closed,\s*([\d.]+)\s*s open\s*\)\s*$/;

function readRow({ of, value, line }: Below, refuse: Refuse): Fields {
  const [position, more] = of;
  if (position === undefined || more !== undefined)
    refuse(line, 'a row of a table is said so: "in heat: A-B A-C ~C-E"');
  const turns = TURNS.exec(value);
  const cells = idsIn(value.replace(TURNS, ''));
  const either = cells.filter((each) => each.startsWith('~')).map((each) => each.slice(1));
  return {
    position: position ?? '',
    closed: cells.filter((each) => !each.startsWith('~')),
    ...(either.length && { either }),
    ...(turns && { cycles: { closed: Number(turns[1]), open: Number(turns[2]) } }),
  };
}

const NUMBER = String.raw`(-?[\d.]+(?:e[+-]?\d+)?)`;
const SET_POINTS = new RegExp(
  `^${NUMBER}\\s*±\\s*${NUMBER}\\s+rising,\\s*${NUMBER}\\s*±\\s*${NUMBER}\\s+falling$`,
);

function readSetPoints({ value, line }: Below, refuse: Refuse): Fields {
  const found = SET_POINTS.exec(value);
  if (!found) refuse(line, 'set points are said so: "setPoints: 160 ± 5 rising, 130 ± 5 falling"');
  const [a, b, c, d] = (found ?? []).slice(1).map(Number);
  return { rising: { at: a, tolerance: b }, falling: { at: c, tolerance: d } };
}

const OHMS = new RegExp(`^${NUMBER}\\s*(?:ohm|Ω)(?:\\s*\\(${NUMBER} to ${NUMBER}\\))?$`);
const PLATE = new RegExp(`^${NUMBER}\\s*W at ${NUMBER}\\s*V(?:\\s*±\\s*${NUMBER}\\s*%)?$`);
/** How far a value may be off where nothing is said: common practice. */
const USUAL_PERCENT = 10;

function readElement({ of, value, line }: Below, pair: ReadPair, refuse: Refuse): Fields {
  const [id, ends = ''] = of;
  const element: Fields = { id, between: pair(ends, line) };
  for (const each of value.split(/,\s*/).map((words) => words.trim())) {
    const plate = PLATE.exec(each);
    const ohms = OHMS.exec(each.replace(/^working\s+/, ''));
    const cold = /^cold\s+(.+)$/.exec(each);
    const volts = measureIn(each.replace(/^for\s+/, ''), 'V');
    if (plate) {
      const [watts, at, percent = USUAL_PERCENT] = plate
        .slice(1)
        .map((text) => (text === undefined ? undefined : Number(text)));
      element.value = { watts, volts: at, tolerancePercent: percent };
    } else if (ohms) {
      const [nominal = 0, low, high] = ohms
        .slice(1)
        .map((text) => (text === undefined ? undefined : Number(text)));
      element[each.startsWith('working') ? 'working' : 'value'] = {
        nominal,
        low: low ?? nominal * (1 - USUAL_PERCENT / 100),
        high: high ?? nominal * (1 + USUAL_PERCENT / 100),
      };
    } else if (cold) element.value = { ...(element.value as object), coldToHot: Number(cold[1]) };
    else if (volts !== undefined) element.volts = volts;
    else
      refuse(
        line,
        `"${each}" is not understood; say "element run 4-5: 2.4 ohm, for 120 V" or "1200 W at 240 V"`,
      );
  }
  return element;
}

/** A number with its unit. */
function measureIn(text: string, unit: string): number | undefined {
  const found = new RegExp(`^${NUMBER}\\s*${unit}$`).exec(text);
  return found ? Number(found[1]) : undefined;
}

const idsIn = (text: string): string[] => text.trim().split(/\s+/).filter(Boolean);
