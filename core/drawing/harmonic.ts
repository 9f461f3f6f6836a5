import type { Diagram, TerminalRef } from '../diagram/diagram';
import { owners, terminalRef } from '../diagram/terminal';

/** How well each kind of way conducts here: wires hold their ends together, loads let them part. */
const WAY = { wire: 30, metal: 30, contact: 3, load: 1, board: 0.2 };
/** Rounds of averaging; the drawing needs the order alone. */
const ROUNDS = 400;
/** Where a neutral between two legs lies, and where it starts when nothing is known. */
const NEUTRAL = 0.4;
const MIDDLE = 0.5;

/**
 * How far from the hot rail (1) towards the return (0) each terminal lies, with every contact closed:
 * the harmonic function on the circuit (Doyle and Snell, Random Walks and Electric Networks, 1984,
 * chapter 1), by repeated averaging. It tells a drawing what comes left and what right.
 */
export function harmonic(diagram: Diagram): Map<TerminalRef, number> {
  const level = new Map<TerminalRef, number>();
  const fixed = new Set<TerminalRef>();
  for (const owner of owners(diagram))
    for (const { id } of owner.terminals) level.set(terminalRef(owner.id, id), MIDDLE);
  const fix = (ref: TerminalRef, at: number): void => {
    level.set(ref, at);
    fixed.add(ref);
  };
  for (const { id, kind, terminals } of diagram.supplies)
    terminals.forEach((terminal, i) => {
      const legs = kind === 'split-phase' || kind === 'wye-legs';
      fix(terminalRef(id, terminal.id), i === 0 ? 1 : legs && i >= 2 ? NEUTRAL : 0);
    });
  const near = new Map<TerminalRef, [TerminalRef, number][]>();
  const join = (a: TerminalRef, b: TerminalRef, how: number): void => {
    near.set(a, [...(near.get(a) ?? []), [b, how]]);
    near.set(b, [...(near.get(b) ?? []), [a, how]]);
  };
  for (const { from, to } of diagram.wires) join(from, to, WAY.wire);
  for (const part of diagram.parts) {
    const inside = ([a, b]: [string, string], how: number): void =>
      join(terminalRef(part.id, a), terminalRef(part.id, b), how);
    switch (part.kind) {
      case 'switch':
        for (const { between } of part.contacts) inside(between, WAY.contact);
        break;
      case 'protector':
        inside(part.between, WAY.contact);
        break;
      case 'connection':
        for (const pair of part.joins) inside(pair, WAY.metal);
        break;
      case 'board':
        for (const { between } of part.inputs) inside(between, WAY.board);
        break;
      case 'load':
        for (const { id, between } of part.elements)
          if (id === part.windings?.secondary)
            between.forEach((terminal, i) => fix(terminalRef(part.id, terminal), 1 - i));
          else inside(between, WAY.load);
    }
  }
  for (let round = 0; round < ROUNDS; round++)
    for (const [ref, neighbours] of near) {
      if (fixed.has(ref)) continue;
      let [sum, weight] = [0, 0];
      for (const [other, how] of neighbours) {
        sum += how * (level.get(other) ?? MIDDLE);
        weight += how;
      }
      level.set(ref, sum / weight);
    }
  return level;
}
