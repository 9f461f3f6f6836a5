import type { Diagram, Part, Supply, TerminalRef } from '../diagram/diagram';
import { terminalRef } from '../diagram/terminal';
import { harmonic } from './harmonic';

/** What a way through a box is drawn as. */
export type Symbol =
  | 'contact'
  | 'heater'
  | 'motor'
  | 'coil'
  | 'lamp'
  | 'winding'
  | 'fuse'
  | 'cut-off'
  | 'overload'
  | 'metal';

/** One way through a box, from a port on its left to one on its right. */
export interface BoxWay {
  /** Contact, element or join: what it is called in its part. */
  key: string;
  symbol: Symbol;
  left: TerminalRef;
  right: TerminalRef;
}

/**
 * A piece of a part that hangs together: terminals on its left side and on its right, in the order
 * from above, and the ways between. A rail is one terminal of a source; a post is a terminal that
 * nothing in its part leads on from.
 */
export interface Box {
  id: string;
  /** Part or supply that it is drawn for. */
  owner: string;
  kind: 'rail' | 'post' | 'way' | 'board';
  /** Of a rail: whether current comes from it or goes back to it; between the two for a neutral of two legs. */
  rail?: 'first' | 'middle' | 'last';
  name: string;
  left: TerminalRef[];
  right: TerminalRef[];
  ways: BoxWay[];
}

/** A line between two boxes: a wire, or the metal of one part that is drawn in two boxes. */
export interface LadderLine {
  id: string;
  wire: string | undefined;
  from: { box: string; ref: TerminalRef };
  to: { box: string; ref: TerminalRef };
}

export interface Ladder {
  boxes: Box[];
  lines: LadderLine[];
}

/** A ladder's boxes and lines from the data of a diagram; nothing has a place yet. */
export function ladderOf(diagram: Diagram): Ladder {
  const levels = harmonic(diagram);
  const level = (ref: TerminalRef): number => levels.get(ref) ?? 0.5;
  const boxes = [
    ...diagram.supplies.flatMap((supply) => supplyRails(diagram, supply)),
    ...diagram.parts.flatMap((part) => {
      const drawn = partBoxes(part, level);
      return [...drawn, ...posts(diagram, part, drawn)];
    }),
  ];
  const homes = new Map<TerminalRef, Box[]>();
  for (const box of boxes)
    for (const ref of [...box.left, ...box.right]) homes.set(ref, [...(homes.get(ref) ?? []), box]);
  const lines: LadderLine[] = [];
  for (const [ref, [first, ...others]] of homes)
    for (const box of others)
      if (first)
        lines.push({
          id: `${ref} ${box.id}`,
          wire: undefined,
          from: { box: first.id, ref },
          to: { box: box.id, ref },
        });
  for (const { id, from, to } of diagram.wires) {
    const [upper, lower] = level(from) >= level(to) ? [from, to] : [to, from];
    const one = homes.get(upper)?.[0];
    // Where a terminal is in two boxes, a wire comes to the one that it leads on into.
    const at = homes.get(lower);
    const two = at?.find((box) => box.left.includes(lower)) ?? at?.[0];
    if (one && two)
      lines.push({
        id,
        wire: id,
        from: { box: one.id, ref: upper },
        to: { box: two.id, ref: lower },
      });
  }
  return { boxes, lines };
}

/** Each terminal of a supply is a rail of its own; one that nothing is wired to is left out. */
function supplyRails({ wires }: Diagram, supply: Supply): Box[] {
  return supply.terminals.flatMap(({ id }, i): Box[] => {
    const ref = terminalRef(supply.id, id);
    if (!wires.some(({ from, to }) => from === ref || to === ref)) return [];
    const legs = supply.kind === 'split-phase' || supply.kind === 'wye-legs';
    const rail = i === 0 ? 'first' : legs && i === 2 ? 'middle' : 'last';
    return [railBox(ref, supply.id, `${id} · ${supply.name}`, rail)];
  });
}

const railBox = (
  ref: TerminalRef,
  owner: string,
  name: string,
  rail: NonNullable<Box['rail']>,
): Box => ({
  id: ref,
  owner,
  kind: 'rail',
  rail,
  name,
  left: rail === 'first' ? [] : [ref],
  right: rail === 'first' ? [ref] : [],
  ways: [],
});

/** Terminals of a part that are wired and in no way of it. */
function posts({ wires }: Diagram, part: Part, drawn: readonly Box[]): Box[] {
  return part.terminals.flatMap(({ id }): Box[] => {
    const ref = terminalRef(part.id, id);
    const inWay = drawn.some((box) => box.left.includes(ref) || box.right.includes(ref));
    if (inWay || !wires.some(({ from, to }) => from === ref || to === ref)) return [];
    const name = `${id} · ${part.name}`;
    return [{ id: ref, owner: part.id, kind: 'post', name, left: [ref], right: [], ways: [] }];
  });
}

/** How far from the hot rail a terminal lies, 1 at the rail and 0 at the way back. */
type Level = (ref: TerminalRef) => number;

function partBoxes(part: Part, level: Level): Box[] {
  const ref = (id: string): TerminalRef => terminalRef(part.id, id);
  const joined = (
    key: string,
    symbol: Symbol,
    [a, b]: [string, string],
  ): Pick<BoxWay, 'key' | 'symbol'> & { ends: [TerminalRef, TerminalRef] } => ({
    key,
    symbol,
    ends: [ref(a), ref(b)],
  });
  switch (part.kind) {
    case 'switch':
      return stars(
        part,
        part.contacts.map((each) => joined(each.id, 'contact', each.between)),
        level,
      );
    case 'protector':
      return stars(part, [joined(part.id, SYMBOLS[part.protector], part.between)], level);
    case 'connection':
      return stars(
        part,
        part.joins.map((join) => joined(join.join('-'), 'metal', join)),
        level,
      );
    case 'load': {
      const secondary = part.elements.find((each) => each.id === part.windings?.secondary);
      const rails = secondary
        ? secondary.between.map((id, i) =>
            railBox(ref(id), part.id, `${id} · ${part.name}`, i ? 'last' : 'first'),
          )
        : [];
      const ways = part.elements
        .filter((each) => each !== secondary)
        .map((each) => joined(each.id, SYMBOLS[part.load], each.between));
      return [...stars(part, ways, level), ...rails];
    }
    case 'board': {
      const all = part.terminals.map(({ id }) => ref(id)).sort((a, b) => level(b) - level(a));
      const half = Math.ceil(all.length / 2);
      return [
        {
          id: part.id,
          owner: part.id,
          kind: 'board',
          name: part.name,
          left: all.slice(0, half),
          right: all.slice(half),
          ways: [],
        },
      ];
    }
    case 'hardware':
      return [];
  }
}

const SYMBOLS = {
  heater: 'heater',
  motor: 'motor',
  coil: 'coil',
  transformer: 'winding',
  lamp: 'lamp',
  fuse: 'fuse',
  'thermal-cut-off': 'cut-off',
  overload: 'overload',
} as const;

/**
 * Ways of a part in boxes of one common terminal each: the terminal with the most ways takes them,
 * and so on. A ladder draws the contacts of one switch in as many rungs as they are in.
 */
function stars(
  part: Part,
  ways: (Pick<BoxWay, 'key' | 'symbol'> & { ends: [TerminalRef, TerminalRef] })[],
  level: Level,
): Box[] {
  const boxes: Box[] = [];
  let left = ways;
  while (left.length) {
    const counts = new Map<TerminalRef, number>();
    for (const { ends } of left)
      for (const ref of ends) counts.set(ref, (counts.get(ref) ?? 0) + 1);
    const common = [...counts].reduce((best, each) => (each[1] > best[1] ? each : best))[0];
    const own = left.filter(({ ends }) => ends.includes(common));
    left = left.filter((each) => !own.includes(each));
    const far = own.map(({ ends: [a, b] }) => (a === common ? b : a));
    const mean = far.reduce((sum, each) => sum + level(each), 0) / far.length;
    const first = level(common) >= mean;
    boxes.push({
      id: boxes.length ? `${part.id}#${boxes.length}` : part.id,
      owner: part.id,
      kind: 'way',
      name: part.name,
      left: first ? [common] : far,
      right: first ? far : [common],
      ways: own.map(({ key, symbol, ends: [a, b] }) => {
        const other = a === common ? b : a;
        return { key, symbol, left: first ? common : other, right: first ? other : common };
      }),
    });
  }
  return boxes;
}
