import type { Diagram, TerminalRef } from '../diagram/diagram';
import { isLifted, type Setup } from '../diagram/setup';
import { isWireEnd, owners, terminalAt, terminalRef } from '../diagram/terminal';

/** Numbers of the nodes of a diagram; no fault changes them, and a setup only by what it lifts. */
export interface Nodes {
  /** Node of each terminal, on the part's side. */
  of: ReadonlyMap<TerminalRef, number>;
  /** The same, by the id of the part or supply and then by the terminal's own. */
  inside: ReadonlyMap<string, ReadonlyMap<string, number>>;
  /** Where several wires share a terminal: their common end, which leaves the terminal with them. */
  crimpOf: ReadonlyMap<TerminalRef, number>;
  /** End of the wires at a terminal where it is a node of its own: a crimp, or a single wire that is lifted. */
  endOf: ReadonlyMap<TerminalRef, number>;
  count: number;
}

/** Nodes of diagrams that were asked for before, by what is lifted: behaviour asks thousands of times. */
const KNOWN = new WeakMap<Diagram, Map<string, Nodes>>();

export function nodesOf(diagram: Diagram, setup?: Setup): Nodes {
  const all = KNOWN.get(diagram) ?? new Map<string, Nodes>();
  KNOWN.set(diagram, all);
  const whole = all.get('') ?? numbered(diagram);
  all.set('', whole);
  if (!setup || (!setup.lifted.length && !setup.partsOut.length)) return whole;
  const lifted = JSON.stringify([setup.lifted, setup.partsOut]);
  const nodes = all.get(lifted) ?? withFreeEnds(diagram, whole, setup);
  all.set(lifted, nodes);
  return nodes;
}

/** The same with a node for the free end of every single wire that a setup lifts. */
function withFreeEnds(diagram: Diagram, nodes: Nodes, setup: Setup): Nodes {
  const endOf = new Map(nodes.endOf);
  for (const { from, to } of diagram.wires)
    for (const ref of [from, to])
      if (!endOf.has(ref) && isLifted(setup, ref)) endOf.set(ref, nodes.of.size + endOf.size);
  return { ...nodes, endOf, count: nodes.of.size + endOf.size };
}

function numbered(diagram: Diagram): Nodes {
  const of = new Map<TerminalRef, number>();
  const inside = new Map<string, Map<string, number>>();
  for (const owner of owners(diagram)) {
    const own = new Map<string, number>();
    for (const terminal of owner.terminals) {
      own.set(terminal.id, of.size);
      of.set(terminalRef(owner.id, terminal.id), of.size);
    }
    inside.set(owner.id, own);
  }
  const ends = new Map<TerminalRef, number>();
  for (const { from, to } of diagram.wires)
    for (const ref of [from, to]) ends.set(ref, (ends.get(ref) ?? 0) + 1);
  const crimpOf = new Map<TerminalRef, number>();
  for (const [ref, wires] of ends) if (wires > 1) crimpOf.set(ref, of.size + crimpOf.size);
  return { of, inside, crimpOf, endOf: crimpOf, count: of.size + crimpOf.size };
}

/**
 * The node of a terminal or of a free wire end. Throws for one that the diagram does not have, or
 * whose wire is on: lint and the check of entries find those.
 */
export function nodeOf(nodes: Nodes, ref: TerminalRef): number {
  const node = nodes.of.get(ref) ?? (isWireEnd(ref) ? nodes.endOf.get(terminalAt(ref)) : undefined);
  if (node === undefined) throw new Error(`diagram was not checked: no point ${ref}`);
  return node;
}
