import type { CellState, Diagram } from '../diagram/diagram';
import { splitRef } from '../diagram/terminal';
import type { BoxWay } from './boxes';
import { SIZE, type Drawing, type PlacedBox, type PlacedLine } from './place';
import { circle, rect, type Role, type DrawnShape, type Text } from './shape';
import type { Showing } from './showing';
import { contactMarks, symbolMarks } from './symbols';

const text = (
  x: number,
  y: number,
  words: string,
  anchor: Text['anchor'],
  role: Role = 'ink',
  mono = false,
): Text => ({ kind: 'text', x, y, text: words, anchor, role, mono });

/** A wire with its colour, its code, and a halo where current flows. */
export function lineShapes(
  { id, wire, points, label }: PlacedLine,
  showing: Showing,
  colour: string,
): DrawnShape[] {
  const d = points.map(({ x, y }, i) => `${i ? 'L' : 'M'}${x} ${y}`).join('');
  if (wire === undefined) return [{ kind: 'path', d, role: 'soft', width: 2, dash: true }];
  const [base = '', stripe] = colour.split('-');
  const flows = showing.flows.has(id);
  const gone = showing.gone.has(id);
  return [
    ...(flows ? [{ kind: 'path', d, role: 'flow', width: 11 } as const] : []),
    { kind: 'path', d, role: gone ? 'bad' : 'ink', width: 5, dash: gone },
    ...(gone ? [] : [{ kind: 'path', d, role: 'wire', colour: base, width: 3 } as const]),
    ...(stripe && !gone
      ? [{ kind: 'path', d, role: 'stripe', colour: stripe, width: 3, dash: true } as const]
      : []),
    ...(label ? [text(label.x + 2, label.y + 14, label.text, 'start', 'ink', true)] : []),
  ];
}

/** A part with its name, its terminals and what is between them, as it stands. */
export function boxShapes(box: PlacedBox, showing: Showing): DrawnShape[] {
  const { x, y, width, height, lines } = box;
  if (box.kind === 'rail' || box.kind === 'post') {
    const [edge, fill, words] =
      box.kind === 'rail'
        ? (['rail', 'rail', 'on-rail'] as const)
        : (['ink', 'ground', 'ink'] as const);
    const first = y + (height - lines.length * SIZE.lineHeight) / 2 + 14;
    return [
      { kind: 'path', d: rect(x, y, width, height), role: edge, fill, width: 1.5 },
      ...lines.map((line, i) =>
        text(x + width / 2, first + i * SIZE.lineHeight, line, 'middle', words),
      ),
    ];
  }
  const runs = showing.running.get(box.owner);
  const shapes: DrawnShape[] = [
    {
      kind: 'path',
      d: rect(x, y, width, height),
      role: runs ? 'run' : 'soft',
      fill: 'ground',
      width: runs ? 4 : 1,
    },
    ...lines.map((line, i) =>
      text(x + width / 2, y + 14 + i * SIZE.lineHeight, line, 'middle', runs ? 'run' : 'ink'),
    ),
  ];
  for (const { ref, x: px, y: py, side } of box.ports) {
    const { terminal } = splitRef(ref);
    const inward = side === 'left' ? 1 : -1;
    shapes.push(
      text(px + inward * 7, py - 6, terminal, side === 'left' ? 'start' : 'end', 'ink', true),
      {
        kind: 'path',
        d: circle(px, py, 4),
        role: 'ink',
        fill: showing.live.has(ref) ? 'live' : 'ground',
        width: 2,
      },
    );
    if (box.kind === 'board')
      shapes.push({ kind: 'path', d: `M${px} ${py}h${inward * 16}`, role: 'ink', width: 3 });
  }
  return [...shapes, ...box.ways.flatMap((way) => wayShapes(box, way, showing))];
}

/** One way through a box: its leads, and the symbol between them. */
function wayShapes(box: PlacedBox, way: BoxWay, showing: Showing): DrawnShape[] {
  const left = box.ports.find((port) => port.ref === way.left);
  const right = box.ports.find((port) => port.ref === way.right);
  if (!left || !right) return [];
  // The way runs in the row of its own terminal; a common one is reached by a bar beside it.
  const row = box.left.length > 1 ? left.y : right.y;
  const from = box.x + box.labelWidth;
  const to = box.x + box.width - box.labelWidth;
  const key = `${box.owner}.${way.key}`;
  const flows = showing.flows.has(key);
  const leads = `M${left.x} ${left.y}H${from}V${row}M${right.x} ${right.y}H${to}V${row}`;
  return [
    ...(flows
      ? [
          { kind: 'path', d: leads, role: 'flow', width: 9 } as const,
          { kind: 'path', d: `M${from} ${row}H${to}`, role: 'flow', width: 9 } as const,
        ]
      : []),
    { kind: 'path', d: leads, role: 'ink', width: 2.5 },
    ...(way.symbol === 'contact'
      ? contactMarks(from, to, row, stateOf(showing, key))
      : symbolMarks(way.symbol, from, to, row, showing.gone.has(key))),
  ];
}

const stateOf = ({ contacts }: Showing, key: string): CellState => contacts.get(key) ?? 'open';

/** All of a drawing, wires below parts. */
export function shapesOf(diagram: Diagram, drawing: Drawing, showing: Showing): DrawnShape[] {
  const colours = new Map(diagram.wires.map((wire) => [wire.id, wire.colour]));
  return [
    ...drawing.lines.flatMap((line) => lineShapes(line, showing, colours.get(line.id) ?? '')),
    ...drawing.boxes.flatMap((box) => boxShapes(box, showing)),
  ];
}
