import type { Diagram } from '../diagram/diagram';
import type { Drawing } from './place';
import type { Role, DrawnShape } from './shape';
import { shapesOf } from './shapes';
import { WIRE_COLOURS } from './wireColours';
import type { Showing } from './showing';

/** Colours of a drawing: of what shapes stand for, and of wires by their code. */
export interface Inks {
  roles: Record<Exclude<Role, 'wire' | 'stripe'>, string>;
  wires: Record<string, string>;
}

/** On paper: black on white, whatever the screen's theme. */
export const PAPER: Inks = {
  roles: {
    ink: '#191C1A',
    soft: '#53574F',
    flow: '#F2C063',
    live: '#9E1F14',
    ground: '#FFFFFF',
    rail: '#191C1A',
    'on-rail': '#FFFFFF',
    run: '#14603A',
    bad: '#9E1F14',
  },
  wires: WIRE_COLOURS,
};

/** Colour of a shape's line. */
export const inkOf = ({ roles, wires }: Inks, role: Role, colour?: string): string =>
  role === 'wire' || role === 'stripe' ? (wires[colour ?? ''] ?? roles.soft) : roles[role];

const escaped = (words: string): string =>
  words.replace(/[&<>"]/g, (each) => `&#${each.charCodeAt(0)};`);

function element(shape: DrawnShape, inks: Inks): string {
  if (shape.kind === 'text') {
    const { x, y, anchor, mono, role } = shape;
    const face = mono ? 'monospace' : 'sans-serif';
    return `<text x="${x}" y="${y}" text-anchor="${anchor}" font-family="${face}" font-weight="700" font-size="14" fill="${inkOf(inks, role)}">${escaped(shape.text)}</text>`;
  }
  const { d, role, colour, width, fill, dash } = shape;
  const dashes = dash ? ` stroke-dasharray="${DASH}"` : '';
  return `<path d="${d}" fill="${fill ? inkOf(inks, fill) : 'none'}" stroke="${inkOf(inks, role, colour)}" stroke-width="${width}"${dashes}/>`;
}

export const DASH = '5 5';

/** A drawing as an SVG file. */
export function toSvg(diagram: Diagram, drawing: Drawing, showing: Showing, inks = PAPER): string {
  const shapes = shapesOf(diagram, drawing, showing);
  const [width, height] = [Math.ceil(drawing.width), Math.ceil(drawing.height)];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" stroke-linejoin="round" stroke-linecap="round">`,
    `<title>${escaped(diagram.name)}</title>`,
    `<rect width="${width}" height="${height}" fill="${inks.roles.ground}"/>`,
    ...shapes.map((shape) => element(shape, inks)),
    '</svg>\n',
  ].join('\n');
}
