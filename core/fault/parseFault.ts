import type { Diagram } from '../diagram/diagram';
import { owners, unknownName, type UnknownName } from '../diagram/terminal';
import { fail, ok, type Result } from '../result';
import type { OhmsRange } from './effect';
import { ALL_MODES, findMode, modeOf, type Fault, type Mode } from './fault';
import { faultOf } from './faultList';
import { exactly } from './mode';
import type { Place, Placed } from './place';

/**
 * Reads faults written `place:mode` or `place:mode=value`. A place is the id of a part, supply or
 * wire, with the contact, element, terminal or pair of terminals after a dot: `primary.NO`,
 * `timer.A-B`. Without the dot, a mode of contacts or elements means every one of the part. `=820k`
 * gives the ohms of a mode that has ohms, `=position` the one that a not-actuated switch stays in; `suction.low-pressure:out-of-place=below`
 * is a quantity beyond the set point of a switch.
 */
export function parseFault(diagram: Diagram, text: string): Result<Fault[], UnknownName> {
  const match = /^([^:]+):([^=]+)(?:=(.+))?$/.exec(text.trim());
  const written = match?.[2]?.trim().toLowerCase().replace(/[ _]/g, '-');
  const mode = written === undefined ? undefined : findMode(written);
  if (!match?.[1] || !mode) return fail(unknownMode(written ?? text));
  const [place, value] = [match[1].trim(), match[3]];
  const dot = place.indexOf('.');
  const owner = dot < 0 ? place : place.slice(0, dot);
  const inside = dot < 0 ? undefined : place.slice(dot + 1);
  const known = knownOwners(diagram, mode);
  if (!known.ids.includes(owner)) return fail(unknownName(known.what, owner, known.ids));
  const here = modeOf(mode)
    .where(diagram)
    .filter((placed) => ownerIn(placed) === owner);
  if (here.length === 0) {
    const message = `"${text}": ${owner} cannot have the mode ${mode}`;
    return fail({ kind: 'unknown-name', what: 'part', name: text, message });
  }
  const { on } = modeOf(mode);
  if (on === 'position' || on === 'quantity')
    return standing(diagram, mode, here, owner, inside, value);
  const ohms = value === undefined ? undefined : ohmsFrom(value);
  if (ohms === null || (ohms && !modeOf(mode).sizes)) {
    const message =
      ohms === null
        ? `"${value}" is not a number of ohms, such as 0.8, 820k or 4.7M`
        : `${text}: "${mode}" has no ohms of its own`;
    return fail({ kind: 'unknown-name', what: 'contact', name: text, message });
  }
  const whole = WHOLE.includes(modeOf(mode).on);
  const some = here.filter((placed) =>
    inside === undefined ? whole : namesIn(placed).includes(inside),
  );
  if (some.length === 0) {
    const names = here.flatMap((placed) => namesIn(placed).slice(0, 1));
    const all = names.map((each) => `${owner}.${each}`);
    return fail(unknownName(WHAT[modeOf(mode).on] ?? 'part', place, all.length ? all : [owner]));
  }
  return ok(some.map((placed) => faultOf(diagram, mode, placed, ohms)));
}

/** Places that a part alone stands for: all its contacts, all its elements, itself. */
const WHOLE: readonly Place[] = ['contact', 'element', 'part', 'supply', 'wire', 'loop'];

const WHAT: Partial<Record<Place, UnknownName['what']>> = {
  contact: 'contact',
  element: 'contact',
  terminals: 'terminal',
  terminal: 'terminal',
  leg: 'terminal',
};

function standing(
  diagram: Diagram,
  mode: Mode,
  here: readonly Placed<Place>[],
  owner: string,
  inside: string | undefined,
  value: string | undefined,
): Result<Fault[], UnknownName> {
  const part = diagram.parts.find((each) => each.id === owner);
  const [first] = here;
  const usual = first && 'side' in first.at ? first.at.side : '';
  const stays = value ?? (part?.kind === 'switch' ? part.free : usual);
  const placed = here.find(({ at }) =>
    'stays' in at
      ? at.stays === stays
      : 'side' in at && at.side === stays && (inside ?? at.beyond) === at.beyond,
  );
  const known = here.flatMap(({ at }) =>
    'stays' in at ? [at.stays] : 'side' in at ? [`${at.beyond} ${at.side}`] : [],
  );
  return placed
    ? ok([faultOf(diagram, mode, placed)])
    : fail(unknownName('position', stays, known));
}

function knownOwners(diagram: Diagram, mode: Mode): { what: UnknownName['what']; ids: string[] } {
  const ids = (all: readonly { id: string }[]): string[] => all.map(({ id }) => id);
  switch (modeOf(mode).on) {
    case 'wire':
      return { what: 'wire', ids: ids(diagram.wires) };
    case 'quantity':
      return { what: 'actuator', ids: ids(diagram.actuators) };
    default:
      return { what: 'part', ids: ids(owners(diagram)) };
  }
}

const ownerIn = ({ at }: Placed<Place>): string =>
  'part' in at
    ? at.part
    : 'wire' in at
      ? at.wire
      : 'actuator' in at
        ? at.actuator
        : 'loop' in at
          ? at.loop
          : at.supply;

/** What may be written after the dot for a place. */
function namesIn({ at }: Placed<Place>): string[] {
  if ('contact' in at) return [at.contact];
  if ('element' in at) return [at.element];
  if ('terminal' in at) return [at.terminal];
  if ('between' in at) return [at.between.join('-'), [...at.between].reverse().join('-')];
  return [];
}

const unknownMode = (text: string): UnknownName => ({
  kind: 'unknown-name',
  what: 'contact',
  name: text,
  message: `"${text}" is not a fault; write part:mode with one of ${ALL_MODES.join(', ')}`,
});

/** "820k" in ohms; null for what is none. */
function ohmsFrom(text: string): OhmsRange | null {
  const match = /^(\d+(?:\.\d+)?)([kM]?)$/.exec(text.trim());
  const ohms = Number(match?.[1]) * (match?.[2] === 'k' ? 1e3 : match?.[2] === 'M' ? 1e6 : 1);
  return ohms > 0 ? exactly(ohms) : null;
}
