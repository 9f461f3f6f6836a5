import type { LinePath, LineWay } from '../behaviour/linePath';
import type { Evidence } from '../call/evidence';
import type { CellState, Diagram, TerminalRef } from '../diagram/diagram';
import { pointsOf } from '../plan/lineInHand';
import { sayPoint } from './point';
import { saySetup } from './test';
import { nameOf, sayEvidence } from './unit';
import { sayLast } from './use';

/** How a contact stands, in words. */
export const STANDS_WORDS: Record<CellState, string> = {
  closed: 'stands closed',
  open: 'stands open',
  either: 'stands open or closed',
};

/** A line by what it feeds, and when, where the same is fed by several. */
export function sayLine(diagram: Diagram, lines: readonly LinePath[], line: LinePath): string {
  const name = nameOf(diagram, line.load);
  if (line.source === line.load) {
    const through = line.ways.flatMap(({ kind, owner }) =>
      kind === 'wire' || kind === 'plug' ? [] : [nameOf(diagram, owner)],
    );
    return `${name} asks: ${[...new Set(through)].join(', ')}`;
  }
  const same = lines.filter(({ load, source }) => load === line.load && source !== load);
  const [first] = line.moments;
  if (same.length < 2 || first === undefined) return name;
  const when = sayLast(diagram, first);
  const twins = same.filter(({ moments: [steps = ''] }) => sayLast(diagram, steps) === when);
  const place = twins.length > 1 ? `, way ${twins.indexOf(line) + 1}` : '';
  return `${name}: ${when}${place}`;
}

/** What was read along a line, at the way that it was read over or at the point that it was read from. */
export interface ReadOnLine {
  /** By the place of the way. */
  over: string[][];
  /** By the place of the point. */
  at: string[][];
}

/** Where each reading of this unit lies on a line, the last one last. */
export function readOnLine(
  diagram: Diagram,
  ways: readonly LineWay[],
  entries: readonly Evidence[],
): ReadOnLine {
  const points = pointsOf(ways);
  const over = ways.map((): string[] => []);
  const at = points.map((): string[] => []);
  for (const entry of entries) {
    if (entry.kind !== 'reading' || entry.of !== 'unit') continue;
    const { shown } = sayEvidence(diagram, entry);
    // Which wires were off is in the log; where the controls stood is what tells two readings apart.
    const stood =
      entry.steps === undefined
        ? saySetup(diagram, entry.setup).filter((each) => !each.startsWith('wires off'))
        : [sayLast(diagram, entry.steps)];
    const says = [shown, ...stood].join(', ');
    const way = ways.findIndex(
      ({ from, to }) =>
        (from === entry.from && to === entry.to) || (from === entry.to && to === entry.from),
    );
    if (way >= 0) {
      over[way]?.push(says);
      continue;
    }
    const to = (ref: TerminalRef): string => `${says} to ${sayPoint(diagram, ref)}`;
    const [one, two] = [points.indexOf(entry.from), points.indexOf(entry.to)];
    if (one >= 0) at[one]?.push(to(entry.to));
    else if (two >= 0) at[two]?.push(to(entry.from));
  }
  return { over, at };
}

/** Where else a point of a line leads: wires and ways of its part that the line does not take. */
export function branchesAt(
  diagram: Diagram,
  ways: readonly LineWay[],
  ref: TerminalRef,
): { to: TerminalRef; colour: string }[] {
  const taken = new Set(ways.map(({ key }) => key));
  return diagram.wires.flatMap(({ id, colour, from, to }) => {
    if (taken.has(id) || (from !== ref && to !== ref)) return [];
    return [{ colour, to: from === ref ? to : from }];
  });
}
