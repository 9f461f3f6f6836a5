import { fail, ok, type Result } from '../result';
import { isPathLine, readPathLine, type PathLine, type TextFault } from './pathLine';
import { apart, fieldsOf, idsIn, measureIn, type Fields, type Refuse } from './readFields';
import { readPart } from './readPart';
import { readValue, takeApart, type Statement } from './statement';

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
