import { bridged, lineNamed, type Disturbance, type LedgerLine } from '../call/ledgerLine';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import { findTerminal } from '../diagram/terminal';
import { nameOfOwner } from './fault';
import { sayPoint, sayPoints } from './point';

/** What is said of each kind of line: as it stands, and the tick that puts it right. */
const WORDS: Record<Disturbance, { open: string; back: string }> = {
  jumper: { open: 'on', back: 'Taken off' },
  wire: { open: 'off', back: 'Back on' },
  plug: { open: 'pulled', back: 'Pushed home' },
  part: { open: 'out', back: 'Back in' },
  strap: { open: 'cut', back: 'Made good' },
  tube: { open: 'off', back: 'Back on, tight' },
  control: { open: 'moved', back: 'Back as it was' },
  valve: { open: 'moved', back: 'Back as it was' },
  cause: { open: 'not looked for', back: 'Settled' },
  panel: { open: 'open', back: 'On, screws in' },
  supply: { open: 'off', back: 'On again' },
};

/** What a line is about: "Wires on A1 of Lid switch", "Jumper A1 to A2 of Lid switch", "Back cover". */
export function nameLine(diagram: Diagram, { what, of }: Pick<LedgerLine, 'what' | 'of'>): string {
  switch (what) {
    case 'wire':
      return findTerminal(diagram, of).ok
        ? `Wires on ${sayPoint(diagram, of as TerminalRef)}`
        : `Wires: ${of}`;
    case 'jumper': {
      const [from, to] = bridged(of);
      const known = [from, to].every((ref) => ref !== undefined && findTerminal(diagram, ref).ok);
      return known && from && to ? `Jumper ${sayPoints(diagram, from, to)}` : `Jumper: ${of}`;
    }
    case 'cause':
      return `What made it fail: ${nameOfOwner(diagram, of) ?? of}`;
    case 'panel':
      return diagram.panels.find(({ id }) => id === of)?.name ?? of;
    case 'control':
    case 'valve':
      return diagram.actuators.find(({ id }) => id === of)?.name ?? of;
    default:
      return nameOfOwner(diagram, of) ?? of;
  }
}

/** A line as it stands: "Wires on A1 of Lid switch: off". */
export const sayLedgerLine = (diagram: Diagram, line: Pick<LedgerLine, 'what' | 'of'>): string =>
  `${nameLine(diagram, line)}: ${WORDS[line.what].open}`;

export const sayOpen = (what: Disturbance): string => WORDS[what].open;
export const sayPutBack = (what: Disturbance): string => WORDS[what].back;

/** What a key of a line says; the key as it is where it is none. */
export function sayLineKey(diagram: Diagram, key: string): string {
  const line = lineNamed(key);
  return line ? nameLine(diagram, line) : key;
}

/** What a person may have opened, by its name in the list. */
export const DISTURBANCE_NAMES: Record<Exclude<Disturbance, 'cause'>, string> = {
  jumper: 'Jumper clipped on',
  wire: 'Wire pulled off',
  plug: 'Plug pulled',
  part: 'Part taken out',
  strap: 'Strap cut',
  tube: 'Tube pulled',
  control: 'Knob or setting moved',
  valve: 'Valve or cock moved',
  panel: 'Panel opened',
  supply: 'Breaker or supply off',
};

/** Why a call cannot be finished, and the way out. */
export const sayNotFinished = (diagram: Diagram, lines: readonly LedgerLine[]): string =>
  lines.length === 1 && lines[0]
    ? `${sayLedgerLine(diagram, lines[0])}. Put it right and tick it, or say why it stays.`
    : `${lines.length} things are not put back. Put each right and tick it, or say why it stays.`;
