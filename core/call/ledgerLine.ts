import type { TerminalRef } from '../diagram/diagram';

/** What is taken off, opened, moved or put on during a call, and has to be put right before it is finished. */
export const DISTURBANCES = [
  'jumper',
  'wire',
  'plug',
  'part',
  'strap',
  'tube',
  'control',
  'valve',
  'cause',
  'panel',
  'supply',
] as const;
export type Disturbance = (typeof DISTURBANCES)[number];

/** What a person opens by a tap; a cause is asked for by what was reset or put in anew. */
export const OPENED_BY_HAND = DISTURBANCES.filter((each) => each !== 'cause');

/** A line of the ledger: it is closed by what puts it right, or by words that say why it stays. */
export interface LedgerLine {
  key: string;
  what: Disturbance;
  /** A name of the diagram (terminal, two terminals, part, panel, supply, actuator), or plain words. */
  of: string;
  /** When it was last opened, by the phone's clock. */
  since: string;
  closed?: Closing;
}

export interface Closing {
  how: 'back' | 'left';
  /** Why it stays as it is. */
  words?: string;
}

/** The same line for the same thing, whoever opens or closes it. */
export const lineKey = (what: Disturbance, of: string): string => `${what} ${of}`;

/** What a key of a line names; undefined for what is no key. */
export function lineNamed(key: string): { what: Disturbance; of: string } | undefined {
  const space = key.indexOf(' ');
  const what = DISTURBANCES.find((each) => each === key.slice(0, space));
  const of = key.slice(space + 1);
  return what && of ? { what, of } : undefined;
}

/** The two terminals of a jumper's line. */
export const bridged = (of: string): TerminalRef[] => of.split(' ') as TerminalRef[];
