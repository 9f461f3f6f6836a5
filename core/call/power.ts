import type { LogEntry } from './record';

/** Whether the unit is known to be dead, what the leads have, and which wires are off. */
export interface PowerAndIsolation {
  safe: boolean;
  /** Whether it was made safe before, so that only proving it dead is left. */
  poweredSince: boolean;
  /** The leads as they were last noted. */
  leadOhms?: number;
  /** Switches whose wires are off. */
  wiresOff: Set<string>;
}

/**
 * What has been acknowledged in a call. After power was on, for a live reading or to see the unit run,
 * it is unknown until it is proved dead again.
 */
export function powerAndIsolation(entries: readonly LogEntry[]): PowerAndIsolation {
  const state: PowerAndIsolation = { safe: false, poweredSince: false, wiresOff: new Set() };
  for (const entry of entries) {
    const live = entry.kind === 'reading' && entry.body.function === 'volt';
    const used =
      (entry.kind === 'statement' && entry.body.source === 'seen') ||
      (entry.kind === 'measurement' && entry.body.steps !== undefined);
    if ((live || used) && state.safe) {
      state.safe = false;
      state.poweredSince = true;
    }
    if (entry.kind !== 'acknowledged') continue;
    const { what, part, leadOhms } = entry.body;
    if (what === 'made-safe') state.safe = true;
    if (what === 'meter-proved') state.leadOhms = leadOhms ?? 0;
    if (what === 'wires-off' && part !== undefined) state.wiresOff.add(part);
  }
  return state;
}
