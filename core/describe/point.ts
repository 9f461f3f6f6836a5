import type { TerminalRef } from '../diagram/diagram';
import { isWireEnd, terminalAt } from '../diagram/terminal';

/** Two points that are read against each other: "start.2 to the wire off door.1". */
export const sayPoints = (from: TerminalRef, to: TerminalRef): string =>
  `${sayPoint(from)} to ${sayPoint(to)}`;

const sayPoint = (ref: TerminalRef): string =>
  isWireEnd(ref) ? `the wire off ${terminalAt(ref)}` : ref;
