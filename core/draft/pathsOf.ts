import type { Diagram, Part, Supply, TerminalRef, Wire } from '../diagram/diagram';
import { owners, splitRef } from '../diagram/terminal';
import { findPlace, writePair } from './findPlace';
import type { PathLine } from './pathLine';

/**
 * The wiring as lines, each wire in one of them: from a supply on, through contacts, windings, elements and joints, until
 * nothing is left to follow. @param by whether parts are written by their ids, or by their names where these are understood
 */
export function pathsOf(diagram: Diagram, by: 'id' | 'name'): PathLine[] {
  const left = new Set(diagram.wires);
  const byId = new Map(owners(diagram).map((each) => [each.id, each]));
  const at = new Map<TerminalRef, Wire[]>();
  for (const wire of diagram.wires)
    for (const end of [wire.from, wire.to]) at.set(end, [...(at.get(end) ?? []), wire]);
  const next = (ref: TerminalRef): Wire | undefined => at.get(ref)?.find((wire) => left.has(wire));

  const follow = (start: TerminalRef): PathLine | undefined => {
    let wire = next(start);
    if (!wire) return undefined;
    const rest: PathLine['rest'] = [];
    let here = start;
    while (wire) {
      left.delete(wire);
      const arrives: TerminalRef = wire.from === here ? wire.to : wire.from;
      const { part } = splitRef(arrives);
      const owner = byId.get(part);
      const link = { colour: wire.colour, wire: wire.id };
      const ways = owner ? waysOn(owner, arrives) : [];
      const leaves: TerminalRef = [...ways, arrives].find((each) => next(each)) ?? arrives;
      rest.push({ link, item: { text: write(diagram, by, owner, arrives, leaves), at: 0 } });
      here = leaves;
      // A rail ends a line.
      wire = owner && 'volts' in owner ? undefined : next(here);
    }
    return {
      first: { text: write(diagram, by, byId.get(splitRef(start).part), start, start), at: 0 },
      rest,
    };
  };

  const starts = owners(diagram).flatMap(({ id, terminals }) =>
    terminals.map((terminal): TerminalRef => `${id}.${terminal.id}`),
  );
  return starts.flatMap((start) => {
    const lines: PathLine[] = [];
    for (let line = follow(start); line; line = follow(start)) lines.push(line);
    return lines;
  });
}

/** Where the current may leave a part that it has entered by a terminal. */
function waysOn(owner: Part | Supply, arrives: TerminalRef): TerminalRef[] {
  const { terminal } = splitRef(arrives);
  return insideOf(owner).flatMap(([a, b]): TerminalRef[] =>
    a === terminal ? [`${owner.id}.${b}`] : b === terminal ? [`${owner.id}.${a}`] : [],
  );
}

function insideOf(owner: Part | Supply): readonly [string, string][] {
  if (!('role' in owner)) return [];
  switch (owner.kind) {
    case 'switch':
      return owner.contacts.map(({ between }) => between);
    case 'load':
      return owner.elements.map(({ between }) => between);
    case 'protector':
      return [owner.between];
    case 'connection':
      return owner.joins;
    case 'board':
    case 'hardware':
      return [];
  }
}

/** The shortest text that is read as this way again. */
function write(
  diagram: Diagram,
  by: 'id' | 'name',
  owner: Part | Supply | undefined,
  enter: TerminalRef,
  leave: TerminalRef,
): string {
  const [a, b] = [splitRef(enter).terminal, splitRef(leave).terminal];
  const tail = a === b ? a : writePair(a, b);
  const id = owner?.id ?? splitRef(enter).part;
  const rail = owner && !('role' in owner) ? findPlace(diagram, tail) : undefined;
  if (rail?.ok && rail.value.owner === id && rail.value.enter === a) return tail;
  const named = `${owner?.name ?? id} ${tail}`;
  return by === 'name' && isUnderstood(diagram, named, id, a, b) ? named : `${id} ${tail}`;
}

/** Whether a text is read as this way again: a name may have signs in it that lines are made of, or be another's too. */
function isUnderstood(
  diagram: Diagram,
  text: string,
  owner: string,
  a: string,
  b: string,
): boolean {
  if (/[>→()|[\]]|\s-/.test(text) || text !== text.trim().replace(/\s+/g, ' ')) return false;
  const found = findPlace(diagram, text);
  return (
    found.ok && found.value.owner === owner && found.value.enter === a && found.value.leave === b
  );
}
