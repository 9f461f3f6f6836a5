import type { Diagram, TerminalRef } from '../diagram/diagram';
import { splitRef, terminalRef } from '../diagram/terminal';

/**
 * How many parts and wires away each part, wire and supply is from the first terminal of a supply,
 * by the shortest way: the order in which somebody follows the line.
 */
export function alongTheLine(diagram: Diagram): Map<string, number> {
  const ways = new Map<TerminalRef, { to: TerminalRef; over: string }[]>();
  const join = (one: TerminalRef, two: TerminalRef, over: string): void => {
    ways.set(one, [...(ways.get(one) ?? []), { to: two, over }]);
    ways.set(two, [...(ways.get(two) ?? []), { to: one, over }]);
  };
  for (const wire of diagram.wires) join(wire.from, wire.to, wire.id);
  for (const part of diagram.parts)
    part.terminals.forEach(({ id }, i) =>
      part.terminals
        .slice(i + 1)
        .forEach((other) =>
          join(terminalRef(part.id, id), terminalRef(part.id, other.id), part.id),
        ),
    );
  const found = new Map<string, number>();
  const reached = new Map<TerminalRef, number>();
  let queue: TerminalRef[] = diagram.supplies.flatMap((supply) => {
    const [first] = supply.terminals;
    return first ? [terminalRef(supply.id, first.id)] : [];
  });
  for (const ref of queue) {
    reached.set(ref, 0);
    found.set(splitRef(ref).part, 0);
  }
  while (queue.length) {
    const next: TerminalRef[] = [];
    for (const ref of queue) {
      const here = (reached.get(ref) ?? 0) + 1;
      for (const { to, over } of ways.get(ref) ?? []) {
        if (!found.has(over)) found.set(over, here);
        if (reached.has(to)) continue;
        reached.set(to, here);
        next.push(to);
      }
    }
    queue = next;
  }
  // A bracket is met where its first switch is.
  for (const part of diagram.parts)
    if (part.kind === 'hardware')
      found.set(part.id, Math.min(...part.serves.map((id) => found.get(id) ?? Infinity)));
  return found;
}
