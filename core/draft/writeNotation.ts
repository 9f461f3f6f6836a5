import type {
  Actuator,
  Contact,
  Diagram,
  LoadElement,
  Ohms,
  Part,
  Supply,
  TableRow,
} from '../diagram/diagram';
import { writePair } from './findPlace';
import { writePathLine } from './pathLine';
import { pathsOf } from './pathsOf';
import { inWords, writeStatement, writeValue } from './statement';
import { terminalsInside } from './terminalsInside';

type Below = (readonly [key: string, value: string])[];

/**
 * A diagram as text, in the line notation (docs/format.md): `readNotation` makes the same of it again, but for the order
 * of its wires.
 */
export function writeNotation(diagram: Diagram): string {
  const { id, name, kind, frame, cautions, energies, format, version, ...lists } = diagram;
  const { supplies, actuators, panels, parts, wires, uses, looks, drawnFor, ...more } = lists;
  const own = new Set(actuators.map((each) => each.id));
  const elsewhere = Object.fromEntries(Object.entries(drawnFor).filter(([each]) => !own.has(each)));
  const head = writeStatement({
    word: 'unit',
    id,
    name,
    said: '',
    below: [
      ...rest({ kind, frame, energies, ...more }),
      ...(Object.keys(elsewhere).length ? rest({ drawnFor: elsewhere }) : []),
      ...cautions.map((each) => ['caution', writeValue(each)] as const),
    ],
  });
  const told = wires.flatMap(({ id: wire, colour, from, to, ...saying }) =>
    Object.keys(saying).length
      ? [
          writeStatement({
            word: 'wire',
            id: wire,
            name: inWords(wire),
            said: '',
            below: rest(saying),
          }),
        ]
      : [],
  );
  const blocks = [
    [head],
    supplies.map(writeSupply),
    actuators.map((each) => writeActuator(each, drawnFor[each.id])),
    panels.map(({ id: panel, name: called, minutes, ...saying }) =>
      writeStatement({
        word: 'panel',
        id: panel,
        name: called,
        said: `${minutes} min`,
        below: rest(saying),
      }),
    ),
    parts.map(writePart),
    pathsOf(diagram, 'id').map((each) => writePathLine(each, true)),
    told,
    (uses ?? []).map((use) =>
      writeStatement({ word: 'use', id: use.id, name: use.name, said: use.steps, below: [] }),
    ),
    (looks ?? []).map(({ id: look, says, ...saying }) =>
      writeStatement({ word: 'look', id: look, name: says, said: '', below: rest(saying) }),
    ),
  ];
  return `${blocks
    .filter((each) => each.length)
    .map((each) => each.join('\n'))
    .join('\n\n')}\n`;
}

/** What has no form of its own: one line a field. */
const rest = (fields: object): Below =>
  Object.entries(fields).flatMap(([key, value]) =>
    value === undefined ? [] : [[key, writeValue(value)] as const],
  );

function writeSupply({ id, name, kind, volts, amps, terminals, ...more }: Supply): string {
  const labelled = terminals.some(({ label }) => label !== undefined);
  const said = [
    kind,
    `${volts} V`,
    ...(amps === undefined ? [] : [`${amps} A`]),
    terminals.map((each) => each.id).join(' '),
  ].join(', ');
  return writeStatement({
    word: 'supply',
    id,
    name,
    said,
    below: rest({ ...(labelled && { terminals }), ...more }),
  });
}

function writeActuator(actuator: Actuator, drawn: string | number | undefined): string {
  const at = rest({ drawn });
  if (actuator.kind === 'quantity') {
    const { kind, id, name, quantity, unit, ...more } = actuator;
    const below = [...at, ...rest(more)];
    return writeStatement({ word: kind, id, name, said: `${quantity}, ${unit}`, below });
  }
  const { kind, id, name, positions, ...how } = actuator;
  const below: Below = positions.map((each) => [`at ${each.id}`, writeValue(each.name)]);
  const head = (): [said: string, more: object] => {
    if ('by' in how) {
      const { by, rest: rests, running, ...more } = how;
      return [`by ${by}, rests ${rests}, runs ${running}`, more];
    }
    if ('rest' in how) {
      const { shape, rest: rests, ...more } = how;
      return [`${shape}, rests ${rests}`, more];
    }
    const { shape, ...more } = how;
    return [shape, more];
  };
  const [said, more] = head();
  return writeStatement({
    word: kind,
    id,
    name,
    said,
    below: [...below, ...at, ...rest(more)],
  });
}

function writePart(part: Part): string {
  const [word, said, own, more] = ofKind(part);
  const { id, name, terminals, ...saying } = more;
  const inside = terminalsInside(part);
  const plain =
    inside.length === terminals.length &&
    terminals.every((each, i) => each.id === inside[i] && each.label === undefined);
  return writeStatement({
    word,
    id,
    name,
    said,
    below: [...rest({ ...(!plain && { terminals }), ...saying }), ...own],
  });
}

type Common = Pick<Part, 'id' | 'name' | 'terminals'>;

/** The word of a part, what its head says, its own lines, and what is left to be said field by field. */
function ofKind(part: Part): [word: string, said: string, own: Below, more: Common & object] {
  switch (part.kind) {
    case 'switch': {
      const { kind, contacts, actuator, table, free, setPoints, ...more } = part;
      const own: Below = [
        ...contacts.map(writeContact),
        ...table.rows.map(writeRow),
        ...(table.known === 'sheet' ? [] : [['table', table.known] as const]),
        ...(setPoints
          ? [
              [
                'setPoints',
                `${setPoints.rising.at} ± ${setPoints.rising.tolerance} rising, ${setPoints.falling.at} ± ${setPoints.falling.tolerance} falling`,
              ] as const,
            ]
          : []),
      ];
      return [kind, `by ${actuator}, free ${free}`, own, more];
    }
    case 'load': {
      const { kind, load, elements, ...more } = part;
      return [load, '', elements.map(writeElement), more];
    }
    case 'protector': {
      const { kind, protector, between, ...more } = part;
      return [protector, writePair(...between), [], more];
    }
    case 'board': {
      const { kind, inputs, ...more } = part;
      const own: Below = inputs.map(({ id, between, ...input }) => [
        `input ${id} ${writePair(...between)}`,
        Object.keys(input).length ? writeValue(input) : '',
      ]);
      return [kind, '', own, more];
    }
    case 'connection': {
      const { kind, joins, ...more } = part;
      return [kind, joins.map((pair) => writePair(...pair)).join(', '), [], more];
    }
    case 'hardware': {
      const { kind, serves, ...more } = part;
      return [kind, serves.join(', '), [], more];
    }
  }
}

function writeContact({ id, between, circuit, amps, ...more }: Contact): [string, string] {
  const pair = writePair(...between);
  const said = [
    circuit,
    ...(amps === undefined ? [] : [`${amps} A`]),
    ...(more.throw ? [more.throw] : []),
  ];
  return [id === pair ? `contact ${pair}` : `contact ${id} ${pair}`, said.join(', ')];
}

function writeRow({ position, closed, either = [], cycles }: TableRow): [string, string] {
  const cells = [...closed, ...either.map((each) => `~${each}`)].join(' ');
  const turns = cycles ? ` (${cycles.closed} s closed, ${cycles.open} s open)` : '';
  return [`in ${position}`, `${cells}${turns}`];
}

const writeOhms = ({ nominal, low, high }: Ohms): string => `${nominal} ohm (${low} to ${high})`;

function writeElement({ id, between, value, working, volts }: LoadElement): [string, string] {
  const said = [
    'nominal' in value
      ? writeOhms(value)
      : `${value.watts} W at ${value.volts} V ± ${value.tolerancePercent} %${value.coldToHot === undefined ? '' : `, cold ${value.coldToHot}`}`,
    ...(working ? [`working ${writeOhms(working)}`] : []),
    ...(volts === undefined ? [] : [`for ${volts} V`]),
  ];
  return [`element ${id} ${writePair(...between)}`, said.join(', ')];
}
