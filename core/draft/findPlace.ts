import type { Diagram, Part, Supply } from '../diagram/diagram';
import { owners } from '../diagram/terminal';
import { fail, ok, type Result } from '../result';

/** A way through a part or a supply, by its terminals; a point of it enters and leaves by the same one. */
export interface Way {
  owner: string;
  enter: string;
  leave: string;
}

/** Why a place is not in a diagram, with what of it was understood. */
export interface NoPlace {
  message: string;
  /** The part that is meant, where only what follows its name is not known. */
  owner?: Part | Supply;
  /** What follows the name. */
  tail?: string;
}

/** A text as an id: small letters, digits and hyphens. */
export const idOf = (words: string): string =>
  words
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);

/**
 * Finds a place as it is typed: `timer A-C` by id, name or alias of its part, `L1` by the terminal of a supply.
 * Two terminals, an element or a contact are a way through it, one terminal is a point of it.
 */
export function findPlace(diagram: Diagram, text: string): Result<Way, NoPlace> {
  const all = owners(diagram);
  const words = text.split(' ');
  const tail = words.at(-1) ?? '';
  const head = words.slice(0, -1).join(' ');
  const exact = all.find(({ id }) => id === head);
  if (exact) return through(exact, tail);
  const whole = all.find(({ id }) => id === text);
  if (whole) return through(whole, undefined);
  const rails = railsOf(diagram, text);
  if (rails.length === 1 && rails[0]) return ok(rails[0]);
  if (rails.length > 1)
    return fail({
      message: `several supplies have a terminal "${text}": write ${rails.map(({ owner, enter }) => `"${owner} ${enter}"`).join(' or ')}`,
    });
  return (
    byName(all, text, undefined) ??
    byName(all, head, tail) ??
    ofInside(byName(all, words.slice(0, -2).join(' '), words.at(-2)), tail, all) ??
    fail({ message: unknown(all, text) })
  );
}

/** "motor run 4-5": a winding or a contact by its name, and which way round it is gone through. */
function ofInside(
  inside: Result<Way, NoPlace> | undefined,
  tail: string,
  all: readonly (Part | Supply)[],
): Result<Way, NoPlace> | undefined {
  if (!inside?.ok || inside.value.enter === inside.value.leave) return undefined;
  const { owner, enter, leave } = inside.value;
  const found = all.find(({ id }) => id === owner);
  const way = found && wayNamed(found, tail);
  const same = way?.every((each) => each === enter || each === leave);
  return way && same ? ok({ owner, enter: way[0], leave: way[1] }) : undefined;
}

function railsOf({ supplies }: Diagram, text: string): Way[] {
  const named = supplies.flatMap(({ id: owner, terminals }) =>
    terminals.map(({ id }): Way => ({ owner, enter: id, leave: id })),
  );
  const same = named.filter(({ enter }) => enter === text);
  return same.length
    ? same
    : named.filter(({ enter }) => enter.toLowerCase() === text.toLowerCase());
}

function byName(
  all: readonly (Part | Supply)[],
  words: string,
  tail: string | undefined,
): Result<Way, NoPlace> | undefined {
  if (!words) return undefined;
  const id = idOf(words);
  const named = (each: Part | Supply): boolean =>
    idOf(each.id) === id ||
    idOf(each.name) === id ||
    ('aliases' in each && (each.aliases ?? []).some(({ word }) => idOf(word) === id));
  const found = id ? all.filter(named) : [];
  const [only, other] = found;
  if (!only) return undefined;
  if (!other) return through(only, tail);
  return fail({
    message: `"${words}" may be ${found.map((each) => each.id).join(' or ')}: write which`,
  });
}

function through(owner: Part | Supply, tail: string | undefined): Result<Way, NoPlace> {
  const way = tail === undefined ? onlyWay(owner) : wayNamed(owner, tail);
  if (way) return ok({ owner: owner.id, enter: way[0], leave: way[1] });
  const known = owner.terminals.map(({ id }) => id).join(', ') || 'none';
  const message =
    tail === undefined
      ? `say by which terminals of ${owner.name} it goes; it has ${known}`
      : `${owner.name} has no "${tail}"; its terminals are ${known}`;
  return fail({ message, owner, ...(tail !== undefined && { tail }) });
}

/** The way through what has only one. */
function onlyWay({ terminals }: Part | Supply): [string, string] | undefined {
  const [a, b, c] = terminals.map(({ id }) => id);
  if (a === undefined || c !== undefined) return undefined;
  return [a, b ?? a];
}

function wayNamed(owner: Part | Supply, tail: string): [string, string] | undefined {
  const point = terminalOf(owner, tail);
  if (point !== undefined) return [point, point];
  for (const [one, two] of pairsIn(tail)) {
    const [a, b] = [terminalOf(owner, one), terminalOf(owner, two)];
    if (a !== undefined && b !== undefined) return [a, b];
  }
  const inside = 'elements' in owner ? owner.elements : 'contacts' in owner ? owner.contacts : [];
  return inside.find(({ id }) => id.toLowerCase() === tail.toLowerCase())?.between;
}

/** The ways in which a text may be two terminals: `A-C`, or `A/C` where one has a hyphen itself. */
export const pairsIn = (text: string): [string, string][] =>
  [...text.matchAll(/[-/–]/g)]
    .map(({ index }): [string, string] => [text.slice(0, index), text.slice(index + 1)])
    .filter(([a, b]) => a !== '' && b !== '');

/** A terminal by its id, or by what is stamped beside it; capitals count only where they must. */
function terminalOf({ terminals }: Part | Supply, text: string): string | undefined {
  const same = (of: (text: string) => string) =>
    terminals.find(({ id, label }) => of(id) === of(text) || (label && of(label) === of(text)));
  return (same((each) => each) ?? same((each) => each.toLowerCase()))?.id;
}

const unknown = (all: readonly (Part | Supply)[], text: string): string =>
  `there is no part or supply "${text}"; known: ${all.map(({ id }) => id).join(', ') || 'none'}`;

/** A pair of terminals as it is written, so that it is read again as these two. */
export const writePair = (a: string, b: string): string =>
  a.includes('-') || b.includes('-') ? `${a}/${b}` : `${a}-${b}`;
