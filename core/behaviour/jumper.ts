import { everySetup, shortsIn } from '../circuit/short';
import { nodesOf, nodeOf } from '../circuit/nodes';
import type { Diagram, Part, TerminalRef } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';
import { terminalRef } from '../diagram/terminal';
import { run } from './run';

export interface JumperFinding {
  kind: 'short' | 'safety' | 'starts';
  /** What would happen, and by which way. */
  says: string;
  /** Parts on the way, or the loads that would start. */
  parts: string[];
}

/** Refused: never. Warned: only attended, for one try, and taken off before anything else. */
export interface JumperCheck {
  verdict: 'refused' | 'warned' | 'allowed';
  findings: JumperFinding[];
}

/**
 * What a jumper would do before it is placed: short a supply in any position of the controls, defeat
 * a safety, or let something start by itself when power returns.
 */
export function checkJumper(
  diagram: Diagram,
  setup: Setup,
  from: TerminalRef,
  to: TerminalRef,
): JumperCheck {
  const bridged: Setup = { ...setup, jumpers: [...setup.jumpers, [from, to]] };
  const name = (id: string): string => diagram.parts.find((each) => each.id === id)?.name ?? id;
  const findings: JumperFinding[] = [];

  const short = shortOf(diagram, setup, bridged);
  if (short) {
    const way = short.through.map(name).join(', ') || 'the jumper alone';
    const says = `shorts ${short.supply.name} through ${way}`;
    findings.push({ kind: 'short', says, parts: short.through });
  }
  for (const part of defeated(diagram, from, to)) {
    findings.push({
      kind: 'safety',
      says: `${part.name} no longer cuts anything`,
      parts: [part.id],
    });
  }
  if (!short) {
    const starts = startsBySelf(diagram, setup, bridged);
    if (starts.length) {
      const says = `${starts.map(name).join(', ')} would start as soon as power returns`;
      findings.push({ kind: 'starts', says, parts: starts });
    }
  }
  const verdict = short ? 'refused' : findings.length ? 'warned' : 'allowed';
  return { verdict, findings };
}

function shortOf(diagram: Diagram, setup: Setup, bridged: Setup) {
  for (const each of everySetup(diagram, bridged)) {
    const [short] = shortsIn(diagram, each);
    // A position that shorts the supply anyway is the diagram's own mistake, and lint tells it.
    if (short && shortsIn(diagram, { ...each, jumpers: setup.jumpers }).length === 0) return short;
  }
  return undefined;
}

/** Safeties that would be open to no effect: without a load between, the jumper joins their sides. */
function defeated(diagram: Diagram, from: TerminalRef, to: TerminalRef): Part[] {
  const nodes = nodesOf(diagram);
  return diagram.parts.filter((part) => {
    const guards = (part.kind === 'switch' && part.safety) || part.kind === 'protector';
    if (!guards) return false;
    const pairs =
      part.kind === 'switch' ? part.contacts.map((each) => each.between) : [part.between];
    const group = metalWithout(diagram, part.id);
    const at = (ref: TerminalRef): number => group[nodeOf(nodes, ref)] ?? -1;
    return pairs.some(([a, b]) => {
      const [x, y] = [at(terminalRef(part.id, a)), at(terminalRef(part.id, b))];
      const [u, v] = [at(from), at(to)];
      return x !== y && ((x === u && y === v) || (x === v && y === u));
    });
  });
}

/** Groups of nodes that wires, joins and closed contacts of other parts make one piece. */
function metalWithout(diagram: Diagram, part: string): number[] {
  const nodes = nodesOf(diagram);
  const group = Array.from({ length: nodes.count }, (_, node) => node);
  const join = (one: TerminalRef, two: TerminalRef): void => {
    const ends = [one, two].map((ref) => group[nodes.crimpOf.get(ref) ?? nodeOf(nodes, ref)] ?? 0);
    const [kept = 0, gone = 0] = ends;
    group.forEach((each, i) => {
      if (each === gone) group[i] = kept;
    });
  };
  for (const [ref, crimp] of nodes.crimpOf) {
    const [kept, gone] = [group[nodeOf(nodes, ref)] ?? 0, group[crimp] ?? 0];
    group.forEach((each, i) => {
      if (each === gone) group[i] = kept;
    });
  }
  for (const wire of diagram.wires) join(wire.from, wire.to);
  for (const each of diagram.parts) {
    if (each.id === part) continue;
    const pairs =
      each.kind === 'switch'
        ? each.contacts.map((contact) => contact.between)
        : each.kind === 'protector'
          ? [each.between]
          : each.kind === 'connection'
            ? each.joins
            : [];
    for (const [a, b] of pairs) join(terminalRef(each.id, a), terminalRef(each.id, b));
  }
  return group;
}

/** Loads that run at plug-in, nobody touching anything, because of the jumper. */
function startsBySelf(diagram: Diagram, setup: Setup, bridged: Setup): string[] {
  const running = (from: Setup): Set<string> => {
    const moments = run(diagram, [], [], from).flatMap((result) => result.moments);
    return new Set(
      moments.flatMap((moment) =>
        Object.entries(moment.loads).flatMap(([id, doing]) => (doing === 'off' ? [] : [id])),
      ),
    );
  };
  const before = running(setup);
  const works = (id: string): boolean => {
    const part = diagram.parts.find((each) => each.id === id);
    return part?.kind === 'load' && part.load !== 'lamp' && part.load !== 'transformer';
  };
  return [...running(bridged)].filter((id) => works(id) && !before.has(id));
}
