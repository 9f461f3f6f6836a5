import { linePaths, type LineWay } from '../behaviour/linePath';
import type { UseRuns } from '../behaviour/useRuns';
import type { Found } from '../call/decision';
import type { Diagram, TerminalRef, Wire } from '../diagram/diagram';
import { terminalRef, wiredContacts } from '../diagram/terminal';
import { sayPoint } from './point';
import { nameOf } from './unit';

/** One place of the branch that was found to be at fault, from line to neutral. */
export interface ReportedPlace {
  at: string;
  /** What lies between it and the next. */
  then: string | undefined;
  /** It is what was found. */
  marked: boolean;
}

/** The line that what was found lies on, from one side of its supply to the other; the shortest, where it lies on several. */
export function branchOf(
  diagram: Diagram,
  runs: UseRuns,
  found: Found | undefined,
): ReportedPlace[] {
  const part = found?.part;
  if (part === undefined) return [];
  const [line] = linePaths(diagram, runs.of([]))
    .filter(({ load, ways }) => load === part || ways.some(({ owner }) => owner === part))
    .sort((one, two) => one.ways.length - two.ways.length);
  if (!line) return besidePart(diagram, part);
  const [first] = line.ways;
  if (!first) return [];
  return [
    {
      at: sayPoint(diagram, first.from),
      then: nameOf(diagram, first.owner),
      marked: first.owner === part,
    },
    ...line.ways.map(({ to }, i) => {
      const next = line.ways[i + 1];
      return {
        at: sayPoint(diagram, to),
        then: next && between(diagram, next),
        marked: next?.owner === part,
      };
    }),
  ];
}

/** What feeds nothing by itself, such as a monitor switch: its first contact, with where its wires come from and go to. */
function besidePart(diagram: Diagram, id: string): ReportedPlace[] {
  const part = diagram.parts.find((each) => each.id === id);
  const wired = part?.kind === 'switch' ? wiredContacts(diagram, part)[0] : undefined;
  const ends = wired?.between ?? (part?.kind === 'protector' ? part.between : undefined);
  if (!part || !ends) return [];
  const [from, to] = ends.map((each) => terminalRef(id, each));
  if (!from || !to) return [];
  const wireAt = (ref: TerminalRef) =>
    diagram.wires.find((each) => each.from === ref || each.to === ref);
  const [before, after] = [wireAt(from), wireAt(to)];
  const far = (wire: Wire, ref: TerminalRef): string =>
    sayPoint(diagram, wire.from === ref ? wire.to : wire.from);
  return [
    ...(before ? [{ at: far(before, from), then: `wire ${before.colour}`, marked: false }] : []),
    { at: sayPoint(diagram, from), then: part.name, marked: true },
    { at: sayPoint(diagram, to), then: after && `wire ${after.colour}`, marked: false },
    ...(after ? [{ at: far(after, to), then: undefined, marked: false }] : []),
  ];
}

/** What lies between two places; of a wire its colour, as its ends stand beside it. */
const between = (diagram: Diagram, { owner }: LineWay): string => {
  const wire = diagram.wires.find(({ id }) => id === owner);
  return wire ? `wire ${wire.colour}` : nameOf(diagram, owner);
};
