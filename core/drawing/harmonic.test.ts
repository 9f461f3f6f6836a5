import { LIBRARY } from '../../library/library';
import type { TerminalRef } from '../diagram/diagram';
import { terminalRef } from '../diagram/terminal';
import { ladderOf } from './boxes';
import { harmonic } from './harmonic';

const EACH = LIBRARY.map((diagram) => [diagram.id, diagram] as const);

describe.each(EACH)('the order of %s from the hot rail on', (_id, diagram) => {
  const levels = harmonic(diagram);
  const at = (ref: TerminalRef): number => levels.get(ref) ?? NaN;

  it('has its highest and lowest points at sources alone (maximum principle; Doyle and Snell 1984)', () => {
    const sources = new Set(
      diagram.supplies.flatMap(({ id, terminals }) =>
        terminals.map((each) => terminalRef(id, each.id)),
      ),
    );
    const near = new Map<TerminalRef, TerminalRef[]>();
    const join = (a: TerminalRef, b: TerminalRef): void => {
      near.set(a, [...(near.get(a) ?? []), b]);
      near.set(b, [...(near.get(b) ?? []), a]);
    };
    for (const { from, to } of diagram.wires) join(from, to);
    for (const part of diagram.parts) {
      const inside = ([a, b]: [string, string]): void =>
        join(terminalRef(part.id, a), terminalRef(part.id, b));
      if (part.kind === 'switch') part.contacts.forEach((each) => inside(each.between));
      if (part.kind === 'protector') inside(part.between);
      if (part.kind === 'connection') part.joins.forEach(inside);
      if (part.kind === 'board') part.inputs.forEach((each) => inside(each.between));
      if (part.kind === 'load')
        for (const { id, between } of part.elements)
          if (id !== part.windings?.secondary) inside(between);
          else for (const terminal of between) sources.add(terminalRef(part.id, terminal));
    }
    for (const [ref, neighbours] of near) {
      if (sources.has(ref)) continue;
      const around = neighbours.map(at);
      expect(at(ref)).toBeGreaterThanOrEqual(Math.min(...around) - 0.02);
      expect(at(ref)).toBeLessThanOrEqual(Math.max(...around) + 0.02);
    }
    for (const level of levels.values()) expect(level >= 0 && level <= 1).toBe(true);
  });

  it('falls along every way that current takes, so that a ladder is read from left to right', () => {
    const { boxes, lines } = ladderOf(diagram);
    for (const box of boxes)
      for (const way of box.ways)
        // Of a star the mean of the far ends counts, so a single one may lie level with the common.
        if (box.ways.length === 1)
          expect(at(way.left)).toBeGreaterThanOrEqual(at(way.right) - 1e-9);
    for (const { wire, from, to } of lines)
      if (wire !== undefined) expect(at(from.ref)).toBeGreaterThanOrEqual(at(to.ref) - 1e-9);
  });

  it('puts every terminal that is wired into a box, and none of them on both sides of one', () => {
    const { boxes } = ladderOf(diagram);
    const drawn = new Set(boxes.flatMap((box) => [...box.left, ...box.right]));
    for (const { from, to } of diagram.wires)
      for (const ref of [from, to]) expect([ref, drawn.has(ref)]).toEqual([ref, true]);
    for (const box of boxes) expect(box.left.filter((ref) => box.right.includes(ref))).toEqual([]);
  });
});
