import type { Part } from '../diagram/diagram';
import { pairsIn } from './findPlace';
import { apart, fieldsOf, idsIn, measureIn, NUMBER, type Fields, type Refuse } from './readFields';
import { readValue, type Below, type Statement } from './statement';
import { terminalsInside } from './terminalsInside';

/** What is asked for and was not said. */
const UNSAID = 'not noted';

/** What a part is made of is said in forms of its own; a field of that name would put something else in its place. */
const OF_THE_FORM = [
  'kind',
  'load',
  'protector',
  'actuator',
  'contacts',
  'elements',
  'between',
  'inputs',
  'joins',
  'serves',
];

/** A part as it is said: its word, its head, and the lines below. */
export function readPart(statement: Statement, refuse: Refuse): Fields {
  const said = statement.below.filter(({ key }) => OF_THE_FORM.includes(key));
  for (const { key, line } of said) refuse(line, `"${key}" is said in a form of its own here`);
  if (said.length) return {};
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
