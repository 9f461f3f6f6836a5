import type { Diagram, Part, Supply } from '../diagram/diagram';
import { feeds, type Setup } from '../diagram/setup';
import { switches, terminalRef } from '../diagram/terminal';
import { isHeld, ownerOf, type Fault } from '../fault/fault';
import { nodeOf, type Nodes } from './nodes';
import {
  partEdges,
  supplyEdges,
  switchesTouched,
  truePosition,
  type EdgeKind,
  type PartEdge,
  type WorkingState,
} from './partEdges';

/** One resistive way between two nodes. */
export interface Edge extends Pick<PartEdge, 'nominal' | 'low' | 'high' | 'unsure' | 'source'> {
  a: number;
  b: number;
  /** Id of the part, supply or wire that it belongs to. */
  owner: string;
  key: string;
  kind: EdgeKind;
  /** Secondary of a transformer, with the nodes of its primary. */
  coupled?: { primary: [number, number]; ratio: number };
}

/** The ways inside the parts and supplies of one diagram, each state of each of them built once. */
class Inside {
  private readonly sound = new Map<string, Edge[]>();
  private readonly faulty = new WeakMap<Fault, Map<string, Edge[]>>();
  private readonly touched = new WeakMap<Fault, ReadonlySet<string>>();
  private readonly owners: ReadonlyMap<string, Part | Supply>;

  constructor(private readonly diagram: Diagram) {
    this.owners = new Map([...diagram.parts, ...diagram.supplies].map((each) => [each.id, each]));
  }

  of(
    nodes: Nodes,
    id: string,
    setup: Setup,
    faults: readonly Fault[],
    working: WorkingState,
  ): readonly Edge[] {
    const owner = this.owners.get(id);
    const own = nodes.inside.get(id);
    if (!owner || !own) return [];
    const [fault, ...others] = faults.filter((each) => this.touchedBy(each).has(id));
    const build = (): Edge[] => {
      const all = fault ? [fault, ...others] : [];
      const inside =
        'role' in owner
          ? partEdges(this.diagram, owner, setup, all, working)
          : supplyEdges(owner, setup, all);
      return inside.map((each) => placed(each, id, own, nodes));
    };
    if (others.length) return build();
    const known = fault ? (this.faulty.get(fault) ?? new Map<string, Edge[]>()) : this.sound;
    if (fault) this.faulty.set(fault, known);
    const state = this.stateOf(owner, setup, fault ? [fault] : [], working);
    const edges = known.get(state) ?? build();
    known.set(state, edges);
    return edges;
  }

  /** All that the ways inside an owner depend on besides its faults. */
  private stateOf(
    owner: Part | Supply,
    setup: Setup,
    faults: readonly Fault[],
    { warm, stalled, positions, paused }: WorkingState,
  ): string {
    const { id } = owner;
    if (!('role' in owner)) return `${id} ${feeds(setup, owner)}`;
    const temper = warm ? 'warm' : 'cold';
    switch (owner.kind) {
      case 'switch': {
        const position = truePosition(this.diagram, owner, setup, faults, positions);
        return `${id} ${temper} ${position} ${paused?.has(id)}`;
      }
      case 'load':
        return `${id} ${temper} ${stalled?.has(id) === true}`;
      default:
        return `${id} ${temper}`;
    }
  }

  /** Parts and supplies whose own ways a fault changes. */
  private touchedBy(fault: Fault): ReadonlySet<string> {
    const known = this.touched.get(fault);
    if (known) return known;
    const { diagram } = this;
    const held = diagram.parts.filter(
      (part) => part.kind === 'load' && isHeld(diagram, fault, part.id),
    );
    const touched = new Set([
      ownerOf(fault),
      ...held.map(({ id }) => id),
      ...switchesTouched(diagram, fault, switches(diagram)),
    ]);
    this.touched.set(fault, touched);
    return touched;
  }
}

function placed(
  { from, to, key, kind, nominal, low, high, unsure, source, coupled }: PartEdge,
  owner: string,
  own: ReadonlyMap<string, number>,
  nodes: Nodes,
): Edge {
  // Written out field by field: this is built for every fault of a table.
  const built: Edge = {
    a: own.get(from) ?? nodeOf(nodes, terminalRef(owner, from)),
    b: own.get(to) ?? nodeOf(nodes, terminalRef(owner, to)),
    owner,
    key,
    kind,
    nominal,
    low,
    high,
  };
  if (unsure !== undefined) built.unsure = unsure;
  if (source) built.source = source;
  if (coupled) {
    const [p, q] = coupled.primary;
    built.coupled = { primary: [own.get(p) ?? -1, own.get(q) ?? -1], ratio: coupled.ratio };
  }
  return built;
}

const KNOWN = new WeakMap<Diagram, Inside>();

/** The ways inside one part or supply, with what its faults leave of them; they are shared, and not changed. */
export function ownEdges(
  diagram: Diagram,
  nodes: Nodes,
  id: string,
  setup: Setup,
  faults: readonly Fault[],
  working: WorkingState,
): readonly Edge[] {
  const known = KNOWN.get(diagram) ?? new Inside(diagram);
  KNOWN.set(diagram, known);
  return known.of(nodes, id, setup, faults, working);
}
