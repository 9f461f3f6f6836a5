import { createSelector } from '@reduxjs/toolkit';
import type { CallDetail, CallSummary, Stage } from '../../../contract/call';
import { displayOf, voltsOf, type Entry } from '../../../contract/entry';
import type { Outcome } from '../../../core/behaviour/statement';
import type { Evidence } from '../../../core/call/evidence';
import type { Reading } from '../../../core/call/reading';
import { diagramKey, freshSummary } from './callsSlice';
import type { OutboxItem } from '../../sync/outbox';
import type { RootState } from '../../state/store';

/** Calls as the technician sees them: what the server knows and what still waits to be sent. */

const outboxItems = (state: RootState): OutboxItem[] => state.outbox.items;

/** A call's log with the entries that wait, in the order of the phone's clock. */
const withWaiting = (entries: Entry[], items: OutboxItem[], callId: string): Entry[] => {
  const known = new Set(entries.map((each) => each.id));
  const waiting = items.flatMap((item): Entry[] =>
    item.to === 'entries' && item.body.callId === callId && !item.refused && !known.has(item.id)
      ? [{ ...item.body, id: item.id }]
      : [],
  );
  return [...entries, ...waiting].sort((a, b) => a.phoneAt.localeCompare(b.phoneAt));
};

const stageOf = (entries: Entry[], known: Stage): Stage => {
  const last = entries.findLast((each) => each.kind === 'stage');
  return last?.kind === 'stage' ? last.body.stage : known;
};

export const selectCall = createSelector(
  [(state: RootState) => state.calls, outboxItems, (_: RootState, id: string) => id],
  (calls, items, id): CallDetail | undefined => {
    const stored = calls.open[id] ?? newCall(calls, items, id);
    if (!stored) return undefined;
    const entries = withWaiting(stored.entries, items, id);
    return { ...stored, entries, stage: stageOf(entries, stored.stage) };
  },
);

/** A call that was opened without a signal and is only in the outbox so far. */
function newCall(
  calls: RootState['calls'],
  items: OutboxItem[],
  id: string,
): CallDetail | undefined {
  const item = items.find((each) => each.to === 'calls' && each.id === id);
  if (item?.to !== 'calls') return undefined;
  const { body } = item;
  const diagram = calls.bodies[diagramKey(body.diagramId, body.diagramVersion)];
  if (!diagram) return undefined;
  return { ...freshSummary(item.id, body, diagram.name), diagram, entries: [] };
}

/** The list of calls, the last worked first, with what waits counted in. */
export const selectCalls = createSelector(
  [(state: RootState) => state.calls, outboxItems],
  (calls, items): CallSummary[] => {
    const known = new Set(calls.list.map((each) => each.id));
    const fresh = items.flatMap((item): CallSummary[] => {
      if (item.to !== 'calls' || known.has(item.id) || item.refused) return [];
      const { diagramId, diagramVersion } = item.body;
      return [
        freshSummary(
          item.id,
          item.body,
          calls.bodies[diagramKey(diagramId, diagramVersion)]?.name ?? diagramId,
        ),
      ];
    });
    return [...fresh, ...calls.list]
      .map((call) => {
        const added = withWaiting([], items, call.id);
        if (added.length === 0) return call;
        const readings = call.readings + added.filter((each) => each.kind === 'reading').length;
        return {
          ...call,
          readings,
          stage: stageOf(added, call.stage),
          lastAt: added.at(-1)?.phoneAt ?? call.lastAt,
        };
      })
      .sort((a, b) => b.lastAt.localeCompare(a.lastAt));
  },
);

/** A reading of the log, as the core takes it, with what the screen needs to show it. */
export interface LoggedReading extends Reading {
  phoneAt: string;
  said: string;
  leadOhms: number;
  /** Taken back by a later entry: shown, but no evidence any more. */
  doubted: boolean;
}

/** Entries that a later one has taken back or taken the place of. */
function takenBack(entries: readonly Entry[]): Set<string> {
  const gone = new Set<string>();
  for (const entry of entries) {
    if (entry.kind === 'doubt') gone.add(entry.body.names);
    if (entry.kind === 'reading') entry.body.supersedes.forEach((id) => gone.add(id));
  }
  return gone;
}

/** What is known of the whole unit, oldest first, without what was taken back. */
export function evidenceOf(entries: readonly Entry[]): Evidence[] {
  const gone = takenBack(entries);
  return entries.flatMap((entry): Evidence[] => {
    const { id } = entry;
    if (gone.has(id)) return [];
    switch (entry.kind) {
      case 'statement':
        return [{ kind: 'statement', id, ...entry.body, outcome: entry.body.outcome as Outcome }];
      case 'look':
        return [{ kind: 'look', id, ...entry.body }];
      case 'reading': {
        const volts = voltsOf(entry.body);
        const shows =
          volts === undefined ? displayOf(entry.body) : { kind: 'volts' as const, volts };
        const { from, to, setup, wiggle, steps, of = 'unit' } = entry.body;
        if (!shows) return [];
        const live = steps === undefined ? {} : { steps };
        return [{ kind: 'reading', id, from, to, setup, ...live, shows, of, wiggle }];
      }
      case 'act':
        return [{ kind: 'act', id, ...entry.body }];
      default:
        return [];
    }
  });
}

/** The readings of one switch, oldest first. */
export function readingsOf(entries: readonly Entry[], part: string): LoggedReading[] {
  const gone = takenBack(entries);
  return entries.flatMap((entry): LoggedReading[] => {
    if (entry.kind !== 'reading' || entry.body.part !== part || entry.body.of === 'twin') return [];
    const display = displayOf(entry.body);
    if (!display) return [];
    const { from, to, setup, wiggle, lookedAgain, range, said, leadOhms } = entry.body;
    return [
      {
        id: entry.id,
        phoneAt: entry.phoneAt,
        part,
        from,
        to,
        setup,
        wiggle,
        lookedAgain,
        said,
        leadOhms,
        display,
        doubted: gone.has(entry.id),
        ...(range && { range }),
      },
    ];
  });
}

/**
 * What has been acknowledged in a call; the wires by switch. After power was on, for a live reading or
 * to see the unit run, it is unknown until it is proved dead again.
 */
export function acknowledgements(entries: readonly Entry[]): {
  safe: boolean;
  /** Whether it was made safe before, so that only proving it dead is left. */
  poweredSince: boolean;
  leadOhms?: number;
  wiresOff: Set<string>;
} {
  const state: ReturnType<typeof acknowledgements> = {
    safe: false,
    poweredSince: false,
    wiresOff: new Set(),
  };
  for (const entry of entries) {
    const live = entry.kind === 'reading' && entry.body.function === 'volt';
    const used = entry.kind === 'statement' && entry.body.source === 'seen';
    if ((live || used) && state.safe) {
      state.safe = false;
      state.poweredSince = true;
    }
    if (entry.kind !== 'acknowledged') continue;
    const { what, part, leadOhms } = entry.body;
    if (what === 'made-safe') state.safe = true;
    if (what === 'meter-proved') state.leadOhms = leadOhms ?? 0;
    if (what === 'wires-off' && part) state.wiresOff.add(part);
  }
  return state;
}
