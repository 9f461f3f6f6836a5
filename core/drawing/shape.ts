/** What a shape stands for, which says its colour. */
export type Role =
  | 'ink'
  | 'soft'
  | 'flow'
  | 'live'
  | 'ground'
  | 'rail'
  | 'on-rail'
  | 'run'
  | 'bad'
  | 'wire'
  | 'stripe';

/** A line or an area, as the path of an SVG. */
export interface Path {
  kind: 'path';
  d: string;
  role: Role;
  /** Colour code of a wire. */
  colour?: string;
  width: number;
  fill?: Role;
  dash?: boolean;
}
export interface Text {
  kind: 'text';
  x: number;
  y: number;
  text: string;
  role: Role;
  anchor: 'start' | 'middle' | 'end';
  mono: boolean;
}
export type DrawnShape = Path | Text;

export const rect = (x: number, y: number, width: number, height: number): string =>
  `M${x} ${y}h${width}v${height}h${-width}z`;
export const circle = (x: number, y: number, r: number): string =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;
