import type { MakePlace } from '../../core/draft/addPath';
import { putIn } from '../../core/draft/changePart';
import { idOf, pairsIn } from '../../core/draft/findPlace';
import { guessedSupply, railsWith } from '../../core/draft/rails';
import { inWords } from '../../core/draft/statement';
import type { Diagram, Part, Supply } from '../../core/diagram/diagram';
import { owners } from '../../core/diagram/terminal';
import { fail, ok, type Result } from '../../core/result';
import { about } from './loads';
import { kindByWords, type Facts } from './tradeKinds';

/** A terminal as it is stamped: a number, or up to three letters and figures in capitals. */
const TERMINAL = /^(?:\d{1,3}|[A-Z][A-Z0-9]{0,2}|COM|NO|NC|[+])$/;
/** What is told of a motor behind its name. */
const WINDING = /^(run|start|main|aux|auxiliary)$/i;

/**
 * Makes what a line names and the diagram has not: a supply by its rail, a part by the kind that its name means, a contact,
 * an element or a joint more on one that is there. All of it is marked as guessed.
 */
export const makePlace: MakePlace = (diagram, { text, facts = '' }, { owner, tail }) => {
  if (owner && facts)
    return fail(`${owner.name} is there already: leave [${facts}] away, and change it where it is`);
  if (owner) return tail === undefined ? fail(sayMore(owner)) : extend(diagram, owner, tail);
  const rails = railsWith(text);
  if (rails) return withRail(diagram, text, rails);
  const { words: all, ends } = nameAndEnds(text);
  const { words, winding } = windingOf(all);
  const id = idOf(words);
  if (!id) return fail(`"${text}" has no name: write what it is, as "door switch 1-2"`);
  const read = factsIn(facts);
  const motor = diagram.parts.find((each) => each.id === id);
  if (winding && motor) return extend(diagram, motor, winding, ends, read.ohms);
  if (owners(diagram).some((each) => each.id === id))
    return fail(`there is a "${id}" already: give this one another name`);
  const kind = kindByWords(facts.split(/[\s,]/)[0] ?? '') ?? kindByWords(words);
  if (!kind)
    return fail(
      `what is "${words}"? Say it in square brackets: ${words} [heater 1200 W], [motor], [limit L160-30]`,
    );
  const volts = read.volts ?? usualVolts(diagram, kind.id);
  const named = { id, name: inWords(words.charAt(0).toUpperCase() + words.slice(1)) };
  const made = kind.make(named, ends ?? endsOf(winding), read, volts);
  const part = winding ? withWindingNamed(made.part, winding) : made.part;
  return ok(putIn(diagram, { ...made, part }));
};

const endsOf = (winding: string | undefined): [string, string] => [
  `${winding ?? ''}1`,
  `${winding ?? ''}2`,
];

/** "motor run" is the run winding of the motor. */
function windingOf(text: string): { words: string; winding?: string } {
  const words = text.split(' ');
  const winding = words.find((each) => WINDING.test(each));
  const others = words.filter((each) => each !== winding).join(' ');
  return winding && kindByWords(others)?.id === 'motor'
    ? { words: others, winding: winding.toLowerCase() }
    : { words: text };
}

const withWindingNamed = (part: Part, winding: string): Part =>
  part.kind === 'load'
    ? { ...part, elements: part.elements.map((each) => ({ ...each, id: winding })) }
    : part;

const sayMore = ({ name, terminals }: Part | Supply): string =>
  `say by which terminals of ${name} it goes; it has ${terminals.map(({ id }) => id).join(', ') || 'none'}`;

/** The name of a part, and its two terminals where they are told. */
function nameAndEnds(text: string): { words: string; ends?: [string, string] } {
  const words = text.split(' ');
  const last = words.at(-1) ?? '';
  const name = words.slice(0, -1).join(' ');
  if (!name) return { words: text };
  const pair = pairsIn(last).find(([a, b]) => a.length <= 4 && b.length <= 4);
  if (pair && (/[A-Z0-9]/.test(last) || last.length <= 5)) return { words: name, ends: pair };
  // One terminal alone: the other is not known yet, and is called by what it is not.
  if (TERMINAL.test(last)) return { words: name, ends: [last, last === '2' ? '1' : '2'] };
  return { words: text };
}

function factsIn(text: string): Facts {
  const number = (unit: string): number | undefined => {
    const found = new RegExp(`(\\d+(?:\\.\\d+)?)\\s*${unit}\\b`, 'i').exec(text);
    return found ? Number(found[1]) : undefined;
  };
  const found = /\b([LF])(\d{1,4})(?:-(\d{1,3}))?\b/i.exec(text);
  const rated = /\b(\d{2,3})\s*°?\s*F\b/i.exec(text);
  const by = /\bby\s+(.+)$/i.exec(text)?.[1];
  const [watts, volts, amps] = [number('W'), number('V'), number('A')];
  const ohms = number('(?:ohms?|Ω)') ?? (/(\d+(?:\.\d+)?)\s*Ω/.exec(text) ?? [])[1];
  return {
    ...(watts !== undefined && { watts }),
    ...(volts !== undefined && { volts }),
    ...(amps !== undefined && { amps }),
    ...(ohms !== undefined && { ohms: Number(ohms) }),
    ...(by !== undefined && { by: idOf(by) }),
    ...(!found &&
      rated && {
        marking: { opensOnRise: true, at: Number(rated[1]), difference: USUAL_DIFFERENCE },
      }),
    ...(found && {
      marking: {
        opensOnRise: found[1]?.toUpperCase() === 'L',
        at: Number(found[2]),
        difference: Number(found[3] ?? USUAL_DIFFERENCE),
      },
    }),
  };
}

/** Degrees between opening and closing where only one is printed: common practice. */
const USUAL_DIFFERENCE = 30;

/** Between which volts a load of this kind usually stands: a heater on both legs, the rest on one. */
function usualVolts({ supplies }: Diagram, kind: string): number {
  const [supply] = supplies;
  if (!supply) return 120;
  if (supply.kind === 'split-phase' || supply.kind === 'wye-legs')
    return kind === 'heater' ? supply.volts : 120;
  return supply.volts;
}

/** A supply gets one rail more, and is what its rails then make it. */
function withRail(
  diagram: Diagram,
  text: string,
  group: readonly string[],
): Result<Diagram, string> {
  const supply = diagram.supplies.find(
    ({ terminals, known }) =>
      known === 'guessed' && terminals.every(({ id }) => group.includes(id)),
  );
  const whole = guessedSupply([text, ...(supply?.terminals ?? []).map(({ id }) => id)]);
  if (!supply && diagram.supplies.some(({ id }) => id === whole.id))
    return fail(`the supply "${whole.id}" has no terminal "${text}": add it there`);
  return ok({
    ...diagram,
    supplies: supply
      ? diagram.supplies.map((each) => (each === supply ? whole : each))
      : [...diagram.supplies, whole],
  });
}

/** One contact, element, joint or terminal more on what is there. */
function extend(
  diagram: Diagram,
  owner: Part | Supply,
  tail: string,
  ends?: [string, string],
  ohms?: number,
): Result<Diagram, string> {
  const winding =
    'load' in owner && owner.load === 'motor' && WINDING.test(tail)
      ? tail.toLowerCase()
      : undefined;
  const pair = ends ?? (winding ? endsOf(winding) : pairsIn(tail)[0]);
  const ids = (pair ?? [tail]).filter((id) => !owner.terminals.some((each) => each.id === id));
  const terminals = [...owner.terminals, ...ids.map((id) => ({ id }))];
  if (!ids.every((id) => /^[A-Za-z0-9_+-]{1,40}$/.test(id)))
    return fail(`"${tail}" is no terminal: letters and figures, as they are stamped`);
  if (!('role' in owner))
    return ok({
      ...diagram,
      supplies: diagram.supplies.map((each) =>
        each.id === owner.id ? { ...each, terminals } : each,
      ),
    });
  const more = pair ? withInside(owner, pair, winding ?? pair.join('-'), ohms) : owner;
  if (!more)
    return fail(
      `${owner.name} has two ends, ${owner.terminals.map(({ id }) => id).join(' and ')}; "${tail}" is not of them`,
    );
  return ok({
    ...diagram,
    parts: diagram.parts.map((each) => (each.id === owner.id ? { ...more, terminals } : each)),
  });
}

function withInside(
  part: Part,
  between: [string, string],
  id: string,
  ohms: number | undefined,
): Part | undefined {
  switch (part.kind) {
    case 'switch': {
      const [first] = part.contacts;
      const closedWithFirst = (closed: readonly string[]): boolean =>
        first !== undefined && closed.includes(first.id);
      // Until its table is filled in, a contact more goes with the first one; the other throw goes against it.
      const against = between.some((each) => /^nc$/i.test(each));
      const rows = part.table.rows.map((row) =>
        closedWithFirst(row.closed) !== against ? { ...row, closed: [...row.closed, id] } : row,
      );
      return {
        ...part,
        contacts: [...part.contacts, { id, between, circuit: first?.circuit ?? 'control' }],
        table: { known: 'guessed', rows },
      };
    }
    case 'load': {
      const [first] = part.elements;
      const elements = first
        ? [
            ...part.elements,
            { ...first, id, between, ...(ohms !== undefined && { value: about(ohms, 20) }) },
          ]
        : [];
      const starts = ['run', 'start'].every((each) =>
        elements.some((element) => element.id === each),
      );
      return { ...part, elements, ...(starts && { startsWith: 'start' }) };
    }
    case 'connection':
      return { ...part, joins: [...part.joins, between] };
    case 'board':
      return { ...part, inputs: [...part.inputs, { id, between }] };
    case 'protector':
    case 'hardware':
      return undefined;
  }
}
