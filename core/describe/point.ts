import type { Diagram, TerminalRef, WireEnd } from '../diagram/diagram';
import { isWireEnd, owners, splitRef, terminalAt } from '../diagram/terminal';

type Point = TerminalRef | WireEnd;

/** Two points that are read against each other: "A1 to A2 of Lid switch", "SP of Timer to the wire off A1 of Lid switch". */
export function sayPoints(diagram: Diagram, from: Point, to: Point): string {
  const within = splitRef(from).part === splitRef(to).part && !isWireEnd(from) && !isWireEnd(to);
  return `${within ? marked(diagram, from) : sayPoint(diagram, from)} to ${sayPoint(diagram, to)}`;
}

/** One point by what is stamped beside it and the name of its part; one that the diagram has not as it is written. */
export function sayPoint(diagram: Diagram, ref: Point): string {
  const name = ownerOf(diagram, ref)?.name;
  const said = name === undefined ? terminalAt(ref) : `${marked(diagram, ref)} of ${name}`;
  return isWireEnd(ref) ? `the wire off ${said}` : said;
}

/** Terminals that wires are off, part by part: "L2 and H2 of Infinite switch". @param shown part that stands beside it anyway */
export function sayTerminals(diagram: Diagram, refs: readonly Point[], shown?: string): string {
  const parts = new Map<string, Point[]>();
  for (const ref of refs) {
    const { part } = splitRef(ref);
    parts.set(part, [...(parts.get(part) ?? []), ref]);
  }
  return [...parts.values()]
    .map((each) =>
      each
        .map((ref, i) =>
          i < each.length - 1 || splitRef(ref).part === shown
            ? marked(diagram, ref)
            : sayPoint(diagram, terminalAt(ref)),
        )
        .join(' and '),
    )
    .join(', ');
}

const ownerOf = (diagram: Diagram, ref: Point) =>
  owners(diagram).find(({ id }) => id === splitRef(ref).part);

/** What is stamped beside a terminal. */
export function marked(diagram: Diagram, ref: Point): string {
  const { terminal } = splitRef(ref);
  return ownerOf(diagram, ref)?.terminals.find(({ id }) => id === terminal)?.label ?? terminal;
}
