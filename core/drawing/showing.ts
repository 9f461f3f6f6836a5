import { atRest, circuitOf, type Machine } from '../behaviour/machine';
import type { Stand } from '../behaviour/run';
import { nodeOf, type Network } from '../circuit/network';
import { CLOSED_CONTACT } from '../circuit/ohms';
import { truePosition } from '../circuit/partEdges';
import { Potentials } from '../circuit/potentials';
import type { CellState, Diagram, TerminalRef } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { owners, switches, terminalRef } from '../diagram/terminal';
import type { Fault } from '../fault/modes';

/** How a drawing stands: its contacts, where current flows, what is live and what runs. */
export interface Showing {
  /** By `part.contact`. */
  contacts: ReadonlyMap<string, CellState>;
  /** Wires by their id, ways of parts by `part.key`. */
  flows: ReadonlySet<string>;
  live: ReadonlySet<TerminalRef>;
  running: ReadonlyMap<string, 'runs' | 'weak' | 'hums'>;
  /** Wires and ways that are broken, blown or off. */
  gone: ReadonlySet<string>;
}

/** Below this no current is drawn, in ampere; from this share of the weakest supply on a point is live. */
const FLOWS = 0.5e-3;
const LIVE = 0.2;

/** A dead unit as its sheet draws it. */
export const drawnShowing = (diagram: Diagram): Showing =>
  showingOf(diagram, {
    at: 0,
    loads: {},
    machine: atRest(drawnSetup(diagram)),
  });

/** What a drawing shows of a unit as it stands, with its faults. */
export function showingOf(
  diagram: Diagram,
  { machine, loads }: Pick<Stand, 'machine' | 'loads' | 'at'>,
  faults: readonly Fault[] = [],
): Showing {
  const network = circuitOf(diagram, machine, faults);
  const there = new Set(network.edges.map((edge) => `${edge.owner}.${edge.key}`));
  const flows = new Set<string>();
  const live = new Set<TerminalRef>();
  if (machine.setup.power === 'on') follow(diagram, network, flows, live);
  const contacts = contactsOf(diagram, machine, faults, network);
  const gone = new Set(
    diagram.wires
      .filter(({ id }) => !network.edges.some((edge) => edge.owner === id))
      .map((wire) => wire.id),
  );
  for (const part of diagram.parts) {
    if (part.kind === 'protector' && !network.edges.some((edge) => edge.owner === part.id))
      gone.add(`${part.id}.${part.id}`);
    if (part.kind === 'load')
      for (const { id } of part.elements)
        if (!there.has(`${part.id}.${id}`)) gone.add(`${part.id}.${id}`);
  }
  const running = new Map(
    Object.entries(loads).flatMap(([id, doing]) => (doing === 'off' ? [] : [[id, doing] as const])),
  );
  return { contacts, flows, live, running, gone };
}

function follow(
  diagram: Diagram,
  network: Network,
  flows: Set<string>,
  live: Set<TerminalRef>,
): void {
  const solved = new Potentials(
    network,
    (edge) => edge.nominal ?? (edge.kind === 'contact' ? CLOSED_CONTACT.nominal : null),
  );
  network.edges.forEach((edge, i) => {
    const [ac, dc] = [solved.current(i, 'ac'), solved.current(i, 'dc')];
    if (Math.hypot(ac.re, ac.im, dc.re) < FLOWS) return;
    const { owner, key } = edge;
    flows.add(owner);
    flows.add(`${owner}.${key}`);
  });
  // Live is what has volts against the way back of the supply that feeds it.
  const returns = diagram.supplies.map(({ terminals, id, volts }) => {
    const back = terminals[2] ?? terminals[1];
    return { node: back ? nodeOf(network.nodes, terminalRef(id, back.id)) : -1, volts };
  });
  for (const owner of owners(diagram))
    for (const { id } of owner.terminals) {
      const ref = terminalRef(owner.id, id);
      const node = nodeOf(network.nodes, ref);
      const against = returns.find(
        (each) => each.node >= 0 && solved.islandOf[each.node] === solved.islandOf[node],
      );
      if (!against) continue;
      const over = (values: Float64Array): number =>
        (values[node] ?? 0) - (values[against.node] ?? 0);
      const volts = Math.hypot(over(solved.ac.re), over(solved.ac.im), over(solved.dc.re));
      if (volts > LIVE * against.volts) live.add(ref);
    }
}

/** Every contact as it really stands, stuck ones and those that nothing moves included. */
function contactsOf(
  diagram: Diagram,
  { setup, positions }: Machine,
  faults: readonly Fault[],
  network: Network,
): Map<string, CellState> {
  const states = new Map<string, CellState>();
  for (const part of switches(diagram)) {
    const position = truePosition(diagram, part, setup, faults, positions);
    const row = part.table.rows.find((each) => each.position === position);
    for (const { id } of part.contacts) {
      const edge = network.edges.find((each) => each.owner === part.id && each.key === id);
      const either = row?.either?.includes(id) || edge?.unsure !== undefined;
      states.set(`${part.id}.${id}`, either ? 'either' : edge ? 'closed' : 'open');
    }
  }
  return states;
}
