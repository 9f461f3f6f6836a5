import type { Diagram, TerminalRef } from '../diagram/diagram';
import { wiresAt } from '../diagram/terminal';

/** Which wire sat where, written before the first one comes off: by terminal, never by colour alone. */
export interface WireMap {
  part: string;
  wires: MappedWire[];
  /** One plug that fits one way: it needs no map. */
  keyed?: boolean;
}

export interface MappedWire {
  at: TerminalRef;
  /** Two-letter code, with a stripe after a dash; as it is found, whatever the sheet says. */
  colour: string;
}

/** A colour of a wire as it is written: `BK`, `WH-RD`; plain words where no code fits. */
export const MOST_COLOUR = 20;

/** What the sheet says sits on some terminals: a wire a line, to be compared with what is there. */
export const mapOnSheet = (diagram: Diagram, at: readonly TerminalRef[]): MappedWire[] =>
  at.flatMap((ref) => wiresAt(diagram, ref).map(({ colour }) => ({ at: ref, colour })));

/** Colours that sit on more than one terminal: the colour does not tell where such a wire belongs. */
export function sharedColours(
  wires: readonly MappedWire[],
): { colour: string; at: TerminalRef[] }[] {
  const places = new Map<string, Set<TerminalRef>>();
  for (const { at, colour } of wires) {
    const key = colour.trim().toUpperCase();
    places.set(key, (places.get(key) ?? new Set()).add(at));
  }
  return [...places].flatMap(([colour, at]) => (at.size > 1 ? [{ colour, at: [...at] }] : []));
}
