import { atRest, circuitOf } from '../behaviour/machine';
import type { Stand } from '../behaviour/run';
import type { Network } from '../circuit/network';
import { nodeOf } from '../circuit/nodes';
import { NodalAnalysis } from '../circuit/nodalAnalysis';
import type { CellState, Diagram, TerminalRef } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { owners, switches, terminalRef } from '../diagram/terminal';
import type { Fault } from '../fault/fault';

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

/** Below this no current is drawn, in ampere; from this share of its supply's volts on a point is live. */
const FLOWS = 0.5e-3;
const LIVE = 0.2;

/** A dead unit as its sheet draws it. */
export const drawnShowing = (diagram: Diagram): Showing =>
  showingOf(diagram, { machine: atRest(drawnSetup(diagram)), loads: {} });

/** What a drawing shows of a unit as it stands, with its faults. */
export function showingOf(
  diagram: Diagram,
  { machine, loads }: Pick<Stand, 'machine' | 'loads'>,
  faults: readonly Fault[] = [],
): Showing {
  const network = circuitOf(diagram, machine, faults);
  const ways = new Map(network.edges.map((edge) => [`${edge.owner}.${edge.key}`, edge]));
  const whole = new Set(network.edges.map((edge) => edge.owner));
  const flows = new Set<string>();
  const live = new Set<TerminalRef>();
  if (machine.setup.power === 'on') follow(diagram, network, flows, live);
  const contacts = new Map(
    switches(diagram).flatMap((part) =>
      part.contacts.map(({ id }): [string, CellState] => {
        const edge = ways.get(`${part.id}.${id}`);
        return [
          `${part.id}.${id}`,
          !edge ? 'open' : edge.unsure === undefined ? 'closed' : 'either',
        ];
      }),
    ),
  );
  const gone = new Set(diagram.wires.flatMap(({ id }) => (whole.has(id) ? [] : [id])));
  for (const part of diagram.parts) {
    const own =
      part.kind === 'protector'
        ? [part.id]
        : part.kind === 'load'
          ? part.elements.map((each) => each.id)
          : [];
    for (const key of own) if (!ways.has(`${part.id}.${key}`)) gone.add(`${part.id}.${key}`);
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
  const solved = new NodalAnalysis(
    network,
    (edge) => edge.nominal ?? (edge.kind === 'contact' ? edge.low : null),
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
