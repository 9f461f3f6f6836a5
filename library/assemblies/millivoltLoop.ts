import type { Part, TerminalRef, Wire } from '../../core/diagram/diagram';
import { inSeries, wired, type Assembly } from '../shelf/unit';

interface Loop {
  /** The hot side of the thermocouple or thermopile, and its other side. */
  source: [hot: TerminalRef, back: TerminalRef];
  /** Contacts, cut-offs and joints one after the other, up to the coil. */
  contacts: Part[];
  coil: [hot: TerminalRef, back: TerminalRef];
  /** Colours of the wires along the loop, and of the one back from the coil. */
  colours: string[];
  back: string;
  /** Ohms of each wire, where hundredths count. */
  wire?: Wire['ohms'];
}

/** A loop of millivolts: every contact in series from the source to the coil, and one way back. */
export const millivoltLoop = ({ source, contacts, coil, colours, back, wire }: Loop): Assembly => ({
  parts: contacts,
  wires: wired(
    'w',
    [...colours, back],
    [...inSeries(source[0], contacts, coil[0]), [coil[1], source[1]]],
    wire,
  ),
});
