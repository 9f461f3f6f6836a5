import type { Diagram, SwitchPart, TerminalRef } from '../diagram/diagram';
import { cellState, neverPairs, pairState } from '../diagram/contactTable';
import { drawnSetup, positionsOf, switchPosition, type Setup } from '../diagram/setup';
import { terminalRef } from '../diagram/terminal';
import { isolate } from '../circuit/isolation';
import type { ProofStep } from '../call/reading';
import { subsets } from '../subsets';
import { fewestMoves } from './route';

/** Quick: every contact seen closed and open. Full: every cell, and pairs that never connect. */
export type Depth = 'quick' | 'full';

interface Cell {
  pair: [string, string];
  position: string;
  shows: ProofStep['shows'];
}

/**
 * Positions in which a switch can be read with everything dead: those that a hand brings it to, by its
 * control or alone, and the one that it stands in. A relay that no hand moves pulls in under power only.
 */
export function coldPositions(diagram: Diagram, part: SwitchPart): string[] {
  const positions = positionsOf(diagram, part);
  return part.handless && !byControl(diagram, part)
    ? positions.filter((each) => each === standsIn(diagram, part))
    : positions;
}

/** Whether a control of the unit brings the switch to its positions: a door, a knob, a button. */
export function byControl(diagram: Diagram, part: SwitchPart): boolean {
  const kind = diagram.actuators.find((each) => each.id === part.actuator)?.kind;
  return kind === 'hand' || kind === 'momentary';
}

/** Where a switch stands when nobody has touched anything. */
export const standsIn = (diagram: Diagram, part: SwitchPart): string =>
  switchPosition(drawnSetup(diagram), part) ?? part.free;

/**
 * The setup in which a switch is read in a position: dead, isolated, all else as drawn. What only power,
 * heat or pressure would bring about is done to the switch alone, by hand.
 */
export function proofSetup(
  diagram: Diagram,
  part: SwitchPart,
  position: string,
  lift: TerminalRef[],
): Setup {
  const drawn = { ...drawnSetup(diagram), lifted: lift };
  if (byControl(diagram, part))
    return { ...drawn, actuators: { ...drawn.actuators, [part.actuator]: position } };
  return position === standsIn(diagram, part)
    ? drawn
    : { ...drawn, byHand: { [part.id]: position } };
}

/**
 * The readings that prove a switch in its whole table, in the order with the fewest probe and
 * actuator moves. Cells that may rightly be either are not evidence and are left out.
 */
export function proofOf(diagram: Diagram, part: SwitchPart, depth: Depth): ProofStep[] {
  const { lift } = isolate(diagram, part);
  const cells = depth === 'quick' ? quickCells(diagram, part) : fullCells(diagram, part);
  return fewestMoves(cells).map(({ pair: [a, b], position, shows }) => ({
    part: part.id,
    from: terminalRef(part.id, a),
    to: terminalRef(part.id, b),
    setup: proofSetup(diagram, part, position, lift),
    position,
    // A steady reading passes an intermittent contact; only the full proof promises to find it.
    wiggle: depth === 'full' && shows.kind === 'cell' && shows.state === 'closed',
    lookedAgain: false,
    shows,
  }));
}

/** Cells whose own contact decides what the pair shows, with no other way round inside. */
function readableCells(diagram: Diagram, part: SwitchPart): Cell[] {
  const cells: Cell[] = [];
  for (const position of coldPositions(diagram, part)) {
    for (const contact of part.contacts) {
      const state = cellState(part, contact.id, position);
      const [a, b] = contact.between;
      if (state === 'either' || pairState(part, a, b, position).state !== state) continue;
      cells.push({ pair: [a, b], position, shows: { kind: 'cell', contact: contact.id, state } });
    }
  }
  return cells;
}

function fullCells(diagram: Diagram, part: SwitchPart): Cell[] {
  const cells = readableCells(diagram, part);
  const position = cells[0]?.position ?? part.free;
  return [
    ...cells,
    ...neverPairs(part).map((pair): Cell => ({ pair, position, shows: { kind: 'never' } })),
  ];
}

/**
 * One closed and one open cell for every contact that has both, from the fewest positions; among
 * as many positions the ends of the actuator's travel.
 */
function quickCells(diagram: Diagram, part: SwitchPart): Cell[] {
  const cells = readableCells(diagram, part);
  const wanted = new Map<string, Cell[]>();
  for (const cell of cells) {
    const key = JSON.stringify(cell.shows);
    wanted.set(key, [...(wanted.get(key) ?? []), cell]);
  }
  const [first, ...others] = coldPositions(diagram, part);
  // The ends of the travel come first: a door is easily held open or closed, not ajar.
  const positions = [first, ...others.reverse()].filter((each) => each !== undefined);
  const choices = [...wanted.values()];
  const some = fewestPositions(
    positions,
    choices.map((cells) => cells.map((cell) => cell.position)),
  );
  return choices.flatMap((cells) => cells.find((cell) => some.includes(cell.position)) ?? []);
}

/** Positions up to which the fewest are found exactly. */
const EXACT_POSITIONS = 12;

/**
 * The fewest positions in which every one of some cells can be read; on long tables those that cells
 * leave no choice of, then whichever shows the most of what is left.
 */
function fewestPositions(positions: readonly string[], cells: readonly string[][]): string[] {
  const seen = (some: readonly string[]): boolean =>
    cells.every((choices) => choices.some((each) => some.includes(each)));
  if (positions.length <= EXACT_POSITIONS) {
    for (let size = 1; size <= positions.length; size++)
      for (const some of subsets(positions, size)) if (seen(some)) return some;
    return [];
  }
  const some = [...new Set(cells.flatMap(([only, more]) => (only && !more ? [only] : [])))];
  while (!seen(some)) {
    const left = cells.filter((choices) => !choices.some((each) => some.includes(each)));
    const shows = (position: string): number =>
      left.filter((choices) => choices.includes(position)).length;
    some.push(positions.reduce((best, each) => (shows(each) > shows(best) ? each : best)));
  }
  // What the later ones have made needless goes again.
  return some.reduce((kept, each) => {
    const others = kept.filter((other) => other !== each);
    return seen(others) ? others : kept;
  }, some);
}
