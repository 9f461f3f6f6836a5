import type { Diagram, TerminalRef } from '../diagram/diagram';
import { splitRef } from '../diagram/terminal';
import { ladderOf, type Box, type LadderLine } from './boxes';

/** Sizes in pixels at the zoom of a phone; no text is smaller than 14. */
export const SIZE = {
  text: 14,
  /** Width of a letter, at most, of the two faces. */
  letter: 8.6,
  lineHeight: 18,
  row: 36,
  symbol: 60,
  label: 30,
} as const;
const NAME_LETTERS = 20;
const RAIL_LETTERS = 11;
const RAIL_ROW = 30;

/** What a layout is asked and answers: boxes with ports, and edges between ports. */
export interface LayoutGraph {
  id: string;
  layoutOptions?: Record<string, string>;
  children?: LayoutNode[];
  edges?: LayoutEdge[];
  width?: number;
  height?: number;
}
interface Placed {
  id: string;
  x?: number;
  y?: number;
  width?: number;
  height?: number;
}
interface LayoutNode extends Placed {
  layoutOptions?: Record<string, string>;
  ports?: (Placed & { layoutOptions?: Record<string, string> })[];
}
interface LayoutPoint {
  x: number;
  y: number;
}
interface LayoutEdge {
  id: string;
  sources: string[];
  targets: string[];
  labels?: (Placed & { text?: string; layoutOptions?: Record<string, string> })[];
  sections?: {
    id: string;
    startPoint: LayoutPoint;
    endPoint: LayoutPoint;
    bendPoints?: LayoutPoint[];
  }[];
}

/** Gives every box a place and every edge a way. */
export type Layout = (graph: LayoutGraph) => Promise<LayoutGraph>;

export interface PlacedBox extends Box {
  x: number;
  y: number;
  width: number;
  height: number;
  lines: string[];
  /** Where each terminal's line meets the box. */
  ports: { ref: TerminalRef; x: number; y: number; side: 'left' | 'right' }[];
  labelWidth: number;
}
export interface PlacedLine extends LadderLine {
  points: LayoutPoint[];
  /** Colour code of the wire, with the box that it is written in. */
  label?: { text: string; x: number; y: number; width: number; height: number };
}
export interface Drawing {
  width: number;
  height: number;
  boxes: PlacedBox[];
  lines: PlacedLine[];
}

const OPTIONS = {
  'elk.algorithm': 'layered',
  'elk.direction': 'RIGHT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.layered.spacing.nodeNodeBetweenLayers': '34',
  'elk.layered.spacing.edgeNodeBetweenLayers': '14',
  'elk.layered.spacing.edgeEdgeBetweenLayers': '12',
  'elk.spacing.nodeNode': '18',
  'elk.spacing.edgeEdge': '14',
  'elk.spacing.edgeNode': '14',
  'elk.spacing.componentComponent': '40',
  'elk.spacing.labelNode': '4',
  'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
  'elk.layered.thoroughness': '30',
  'elk.padding': '[top=16,left=16,bottom=16,right=16]',
};

/** Draws a diagram as a ladder: rails at the sides, every part in its rung. */
export async function drawLadder(diagram: Diagram, layout: Layout): Promise<Drawing> {
  const { boxes, lines } = ladderOf(diagram);
  const sized = new Map(boxes.map((box) => [box.id, sizeOf(box, lines)]));
  const colours = new Map(diagram.wires.map((wire) => [wire.id, wire.colour]));
  const graph = await layout({
    id: diagram.id,
    layoutOptions: OPTIONS,
    children: [...sized.values()].map(nodeOf),
    edges: lines.map((line, i) => edgeOf(line, lines.slice(0, i), sized, colours)),
  });
  const nodes = new Map((graph.children ?? []).map((node) => [node.id, node]));
  const placed = [...sized.values()].map((box): PlacedBox => {
    const node = nodes.get(box.id);
    const [x, y] = [node?.x ?? 0, node?.y ?? 0];
    const ports = box.ports.map((port) => ({ ...port, x: x + port.x, y: y + port.y }));
    return { ...box, x, y, height: node?.height ?? box.height, ports };
  });
  const edges = new Map((graph.edges ?? []).map((edge) => [edge.id, edge]));
  const drawn = lines.map((line): PlacedLine => {
    const edge = edges.get(line.id);
    const points = (edge?.sections ?? []).flatMap(({ startPoint, bendPoints = [], endPoint }) => [
      startPoint,
      ...bendPoints,
      endPoint,
    ]);
    const [label] = edge?.labels ?? [];
    const { text, x = 0, y = 0, width = 0, height = 0 } = label ?? {};
    return { ...line, points, ...(text !== undefined && { label: { text, x, y, width, height } }) };
  });
  return { width: graph.width ?? 0, height: graph.height ?? 0, boxes: placed, lines: drawn };
}

/** Words in lines of at most so many letters. */
export function wrap(text: string, letters: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= letters)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

const widest = (lines: readonly string[]): number =>
  Math.max(0, ...lines.map((line) => line.length)) * SIZE.letter;

/** A box with its size and ports, before it has a place. */
function sizeOf(box: Box, lines: readonly LadderLine[]): PlacedBox {
  if (isPost(box)) {
    const name = wrap(box.name, RAIL_LETTERS);
    const wires = lines.filter(({ from, to }) => from.box === box.id || to.box === box.id).length;
    return {
      ...box,
      x: 0,
      y: 0,
      width: widest(name) + 16,
      height: Math.max(name.length * SIZE.lineHeight + 12, wires * RAIL_ROW),
      lines: name,
      ports: [],
      labelWidth: 0,
    };
  }
  const letters = [...box.left, ...box.right].map((ref) => splitRef(ref).terminal.length);
  const labelWidth = Math.max(SIZE.label, Math.max(...letters) * SIZE.letter + 12);
  const inner = 2 * labelWidth + (box.kind === 'board' ? 20 : SIZE.symbol);
  const name = wrap(box.name, Math.max(NAME_LETTERS, Math.floor(inner / SIZE.letter)));
  const width = Math.max(inner, widest(name) + 12);
  const rows = Math.max(box.left.length, box.right.length);
  const head = name.length * SIZE.lineHeight + 6;
  const ports = (['left', 'right'] as const).flatMap((side) => {
    const refs = box[side];
    // A common terminal stands beside the middle of its ways.
    const shift = (rows - refs.length) / 2;
    return refs.map((ref, i) => ({
      ref,
      side,
      x: side === 'left' ? 0 : width,
      y: head + (i + shift + 0.6) * SIZE.row,
    }));
  });
  return {
    ...box,
    x: 0,
    y: 0,
    width,
    height: head + rows * SIZE.row + 4,
    lines: name,
    ports,
    labelWidth,
  };
}

/** A rail or a post takes a wire anywhere along itself. */
const isPost = (box: Box | undefined): boolean => box?.kind === 'rail' || box?.kind === 'post';

const portId = (box: string, ref: TerminalRef): string => `${box}|${ref}`;

const LAYER = { first: 'FIRST', middle: 'NONE', last: 'LAST' } as const;

function nodeOf(box: PlacedBox): LayoutNode {
  const { id, width, height } = box;
  if (isPost(box))
    return {
      id,
      width,
      height,
      layoutOptions: {
        'elk.portConstraints': 'FREE',
        'elk.layered.layering.layerConstraint': LAYER[box.rail ?? 'middle'],
      },
    };
  return {
    id,
    width,
    height,
    layoutOptions: { 'elk.portConstraints': 'FIXED_POS' },
    ports: box.ports.map(({ ref, x, y, side }) => ({
      id: portId(id, ref),
      x,
      y,
      width: 0,
      height: 0,
      layoutOptions: { 'elk.port.side': side === 'left' ? 'WEST' : 'EAST' },
    })),
  };
}

/**
 * An edge with its wire's colour code beside the terminal that it leaves: of several wires there, the
 * first; one of another colour has its code at its far end, one of the same none.
 */
function edgeOf(
  { id, wire, from, to }: LadderLine,
  before: readonly LadderLine[],
  boxes: ReadonlyMap<string, PlacedBox>,
  colours: ReadonlyMap<string, string>,
): LayoutEdge {
  const end = ({ box, ref }: LadderLine['from']): string =>
    isPost(boxes.get(box)) ? box : portId(box, ref);
  const colour = wire === undefined ? undefined : colours.get(wire);
  const beside = before
    .filter((line) => line.wire !== undefined && end(line.from) === end(from))
    .map((line) => colours.get(line.wire ?? ''));
  const text = beside.includes(colour) && !isPost(boxes.get(from.box)) ? undefined : colour;
  const placement = beside.length ? 'HEAD' : 'TAIL';
  return {
    id,
    sources: [end(from)],
    targets: [end(to)],
    ...(text !== undefined && {
      labels: [
        {
          id: `${id} label`,
          text,
          width: text.length * SIZE.letter + 4,
          height: SIZE.lineHeight,
          layoutOptions: { 'elk.edgeLabels.placement': placement },
        },
      ],
    }),
  };
}
