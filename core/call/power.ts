import type { Diagram, TerminalRef } from '../diagram/diagram';
import { splitRef } from '../diagram/terminal';
import { lineNamed } from './ledgerLine';
import type { LogEntry } from './record';

/** Whether the unit is known to be dead, what the leads have, and what is off or on it. */
export interface PowerAndIsolation {
  safe: boolean;
  /** Whether it was made safe before, so that only proving it dead is left. */
  poweredSince: boolean;
  /** The leads as they were last noted. */
  leadOhms?: number;
  /** Switches whose wires are off. */
  wiresOff: Set<string>;
  /** A jumper that was clipped on and has not come off, and whether it has had its one try. */
  jumper?: { between: [TerminalRef, TerminalRef]; tried: boolean };
}

/** After so long without an entry somebody may have been at the plug: an hour, from memory. */
const LAPSES_MS = 3_600_000;
/** After so long without an entry it is another visit: eight hours, from memory. */
export const VISIT_MS = 8 * LAPSES_MS;

/** When and by whom it is asked; without it no time counts. */
export interface AskedAt {
  /** In milliseconds. */
  now?: number;
  /** Since when who asks has been at the unit; what was acknowledged before does not count. */
  since?: number;
}

/**
 * What has been acknowledged in a call. After power was on, for a live reading, to see the unit run or
 * for a look that needs it, it is unknown until it is proved dead again; and so it is when time has gone by, or somebody was
 * away. The leads are read anew on another visit.
 */
export function powerAndIsolation(
  entries: readonly LogEntry[],
  { looks = [] }: Pick<Diagram, 'looks'> = {},
  { now, since }: AskedAt = {},
): PowerAndIsolation {
  const state: PowerAndIsolation = { safe: false, poweredSince: false, wiresOff: new Set() };
  const unknown = (): void => {
    if (!state.safe) return;
    state.safe = false;
    state.poweredSince = true;
  };
  let last: number | undefined;
  const passes = (at: number): void => {
    if (last !== undefined && at - last > LAPSES_MS) unknown();
    if (last !== undefined && at - last > VISIT_MS) delete state.leadOhms;
    last = at;
  };
  const putRight = (line: string): void => {
    const { what, of = '' } = lineNamed(line) ?? {};
    if (what === 'supply') unknown();
    if (what === 'jumper') delete state.jumper;
    // One wire back makes a way round the switch again.
    if (what === 'wire') state.wiresOff.delete(splitRef(of as TerminalRef).part);
  };
  for (const entry of entries) {
    passes(Date.parse(entry.phoneAt));
    const used = isUse(entry, looks);
    // Volts on a good twin as well: it stands beside this one, and nobody knows which was unplugged after.
    if (used || isLive(entry)) {
      unknown();
      if (state.jumper) state.jumper.tried = true;
      // Wires were put back before it was used.
      if (used) state.wiresOff.clear();
    }
    if (entry.kind === 'closed' && entry.body.how === 'back') putRight(entry.body.line);
    if (entry.kind !== 'acknowledged') continue;
    const { what, part, leadOhms, jumper } = entry.body;
    if (what === 'made-safe') {
      state.safe = true;
      if (since !== undefined && Date.parse(entry.phoneAt) < since) unknown();
    }
    if (what === 'meter-proved') state.leadOhms = leadOhms ?? 0;
    if (what === 'wires-off' && part !== undefined) state.wiresOff.add(part);
    if (what === 'jumper-on' && jumper) state.jumper = { between: jumper, tried: false };
    if (what === 'jumper-off') delete state.jumper;
  }
  if (now !== undefined) passes(now);
  return state;
}

const isLive = (entry: LogEntry): boolean =>
  entry.kind === 'reading' && entry.body.function === 'volt';

/** Whether the unit was run, or switched on to be looked at. */
const isUse = (entry: LogEntry, looks: NonNullable<Diagram['looks']>): boolean =>
  (entry.kind === 'statement' && entry.body.source === 'seen') ||
  (entry.kind === 'measurement' && entry.body.steps !== undefined) ||
  (entry.kind === 'look' && looks.some(({ id, powered }) => powered && id === entry.body.look));

/** Whether this unit, and no twin of it, was fed for an entry. */
export const feedsUnit = (entry: LogEntry, { looks = [] }: Pick<Diagram, 'looks'>): boolean =>
  isUse(entry, looks) || (entry.kind === 'reading' && isLive(entry) && entry.body.of === undefined);
