import type { Diagram, TerminalRef, Wire } from '../diagram/diagram';
import { terminalRef } from '../diagram/terminal';
import { fail, ok, type Result } from '../result';
import { findPlace, type NoPlace, type Way } from './findPlace';
import {
  isPlace,
  type Link,
  type PathItem,
  type PathLine,
  type Place,
  type TextFault,
} from './pathLine';

/** Who makes what a line names and the diagram has not: a part of the trade's kinds, a supply, a contact more. */
export type MakePlace = (
  diagram: Diagram,
  place: Place,
  missing: NoPlace,
) => Result<Diagram, string>;

/** Of a wire whose id is counted when all lines are read. */
const UNNUMBERED = '';

interface Ends {
  enters: TerminalRef[];
  leaves: TerminalRef[];
}

/**
 * A diagram with the wires of some lines, each with its number in its text. What is not there is made by `make`, or
 * refused without it.
 */
export function addPaths(
  diagram: Diagram,
  lines: readonly { path: PathLine; line: number }[],
  make?: MakePlace,
): Result<Diagram, TextFault[]> {
  const adding = new Adding(diagram, make);
  for (const { path, line } of lines) adding.add(path, line);
  return adding.faults.length ? fail(adding.faults) : ok(adding.done());
}

class Adding {
  readonly faults: TextFault[] = [];
  private readonly wires: Wire[] = [];
  private line = 1;

  constructor(
    private diagram: Diagram,
    private readonly make: MakePlace | undefined,
  ) {}

  add(path: PathLine, line: number): void {
    this.line = line;
    this.run(path);
  }

  done(): Diagram {
    const wires = [...this.diagram.wires, ...this.wires];
    return { ...this.diagram, wires: numbered(wires) };
  }

  private run({ first, rest }: PathLine): Ends {
    const start = this.visit(first);
    let here = start;
    for (const { link, item } of rest) {
      const next = this.visit(item);
      this.join(here.leaves, next.enters, link, item);
      here = next;
    }
    return { enters: start.enters, leaves: here.leaves };
  }

  private visit(item: PathItem): Ends {
    if (!isPlace(item)) {
      const ways = item.beside.map((each) => this.run(each));
      return {
        enters: ways.flatMap(({ enters }) => enters),
        leaves: ways.flatMap(({ leaves }) => leaves),
      };
    }
    const way = this.find(item);
    if (!way) return { enters: [], leaves: [] };
    return {
      enters: [terminalRef(way.owner, way.enter)],
      leaves: [terminalRef(way.owner, way.leave)],
    };
  }

  private find(place: Place): Way | undefined {
    let found = findPlace(this.diagram, place.text);
    const unknown = found.ok ? undefined : found.error;
    // What is said in brackets makes a part: of one that is there it would be lost without a word.
    if (!unknown && place.facts)
      return this.refuse(
        place,
        `"${place.text}" is there already: leave [${place.facts}] away, and change it where it is`,
      );
    if (unknown && this.make) {
      const made = this.make(this.diagram, place, unknown);
      if (!made.ok) return this.refuse(place, made.error);
      this.diagram = made.value;
      found = findPlace(this.diagram, place.text);
    }
    return found.ok ? found.value : this.refuse(place, found.error.message);
  }

  private refuse({ at }: Place, message: string): undefined {
    this.faults.push({ line: this.line, column: at + 1, message });
    return undefined;
  }

  /** All of one side are one point with all of the other: as few wires as that takes. */
  private join(
    from: TerminalRef[],
    to: TerminalRef[],
    { colour = 'NA', wire }: Link,
    at: PathItem,
  ) {
    const [out, into] = [from[0], to[0]];
    if (out === undefined || into === undefined) return;
    const pairs: [TerminalRef, TerminalRef][] = [
      ...from.map((each): [TerminalRef, TerminalRef] => [each, into]),
      ...to.slice(1).map((each): [TerminalRef, TerminalRef] => [out, each]),
    ];
    const column = isPlace(at) ? at.at + 1 : 1;
    if (wire && pairs.length > 1)
      this.faults.push({
        line: this.line,
        column,
        message: `"${wire}" would be ${pairs.length} wires: leave its name away, or write a line for each`,
      });
    for (const [a, b] of pairs) this.wires.push({ id: wire ?? UNNUMBERED, colour, from: a, to: b });
  }
}

/** Wires without an id get the next free one that begins with a `w`. */
function numbered(wires: readonly Wire[]): Wire[] {
  const taken = new Set(wires.map(({ id }) => id));
  let count = 0;
  return wires.map((wire) => {
    if (wire.id !== UNNUMBERED) return wire;
    do count++;
    while (taken.has(`w${count}`));
    return { ...wire, id: `w${count}` };
  });
}

/** Wires read anew keep the ids of those between the same two points before. */
export function keepWireIds(before: readonly Wire[], after: readonly Wire[]): Wire[] {
  const left = [...before];
  const kept = after.map((wire) => {
    const i = left.findIndex(
      ({ from, to }) =>
        (from === wire.from && to === wire.to) || (from === wire.to && to === wire.from),
    );
    const same = i < 0 ? undefined : left.splice(i, 1)[0];
    return same
      ? { ...wire, id: same.id, ...(same.ohms && { ohms: same.ohms }) }
      : { ...wire, id: UNNUMBERED };
  });
  return numbered(kept);
}
