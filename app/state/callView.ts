import { createSelector } from '@reduxjs/toolkit';
import type { CallDetail, CallSummary, Stage } from '../../contract/call';
import type { Entry } from '../../contract/entry';
import { lastOf } from '../../core/call/takenBack';
import { freshSummary } from './calls';
import { diagramKey } from './diagrams';
import { lineOf, type OutboxItem } from '../sync/outboxItem';
import type { RootState } from './store';

/** Calls as the technician sees them: what the server knows and what still waits to be sent. */

const outboxItems = (state: RootState): OutboxItem[] => state.outbox.items;

/** A call's log as the server has it, and behind it the entries that wait. */
const withWaiting = (entries: Entry[], items: OutboxItem[], callId: string): Entry[] => {
  const known = new Set(entries.map((each) => each.id));
  const waiting = items.flatMap((item): Entry[] =>
    item.to === 'entries' && item.body.callId === callId && !item.refused && !known.has(item.id)
      ? [lineOf(item)]
      : [],
  );
  return [...entries, ...waiting];
};

/** The stage after some entries: what comes after a call was finished opens it again, but for what it was in the end. */
const stageAfter = (entries: Entry[], known: Stage): Stage =>
  entries.reduce<Stage>(
    (before, each) =>
      each.kind === 'stage' ? each.body.stage : each.kind === 'put-right' ? before : 'open',
    known,
  );

/** A call as it is written now: what was put right takes the place of what was said first. */
function corrected<C extends CallSummary>(call: C, entries: Entry[]): C {
  let { appliance, complaint } = call;
  for (const { kind, body } of entries) {
    if (kind !== 'correction') continue;
    const { complaint: better, diagramId: _, diagramVersion: __, ...unit } = body;
    appliance = { ...appliance, ...unit };
    complaint = better ?? complaint;
  }
  return { ...call, appliance, complaint };
}

export const selectCall = createSelector(
  [
    (state: RootState) => state.calls,
    (state: RootState) => state.diagrams.bodies,
    outboxItems,
    (_: RootState, id: string) => id,
  ],
  (calls, bodies, items, id): CallDetail | undefined => {
    const stored = calls.open[id];
    if (!stored) return undefined;
    const entries = withWaiting(stored.entries, items, id);
    const found = lastOf(entries, 'found')?.body ?? null;
    const stage = stageAfter(entries, 'open');
    const call = corrected({ ...stored, entries, stage, found }, entries);
    return withDiagram(call, bodies, entries.slice(stored.entries.length));
  },
);

/** A call with the diagram that a correction names which the server has not heard of; it was chosen among those at hand. */
function withDiagram(
  call: CallDetail,
  bodies: RootState['diagrams']['bodies'],
  waiting: Entry[],
): CallDetail {
  const last = waiting.findLast(
    (each) => each.kind === 'correction' && each.body.diagramId !== undefined,
  );
  if (last?.kind !== 'correction') return call;
  const { diagramId, diagramVersion } = last.body;
  if (diagramId === undefined || diagramVersion === undefined) return call;
  const diagram = bodies[diagramKey(diagramId, diagramVersion)];
  return diagram
    ? { ...call, diagramId, diagramVersion, diagram, diagramName: diagram.name }
    : call;
}

/** The list of calls, the last worked first, with what waits counted in. */
export const selectCalls = createSelector(
  [(state: RootState) => state.calls, (state: RootState) => state.diagrams.list, outboxItems],
  (calls, diagrams, items): CallSummary[] => {
    const known = new Set(calls.list.map((each) => each.id));
    const fresh = items.flatMap((item): CallSummary[] => {
      if (item.to !== 'calls' || known.has(item.id) || item.refused) return [];
      const { diagramId } = item.body;
      const name = diagrams.find((each) => each.id === diagramId)?.name ?? diagramId;
      return [freshSummary(item.id, item.body, name)];
    });
    return [...fresh, ...calls.list]
      .map((call) => {
        const added = withWaiting([], items, call.id);
        if (added.length === 0) return call;
        const readings = call.readings + added.filter((each) => each.kind === 'reading').length;
        return corrected(
          {
            ...call,
            readings,
            stage: stageAfter(added, call.stage),
            found: lastOf(added, 'found')?.body ?? call.found,
            lastAt: added.at(-1)?.phoneAt ?? call.lastAt,
          },
          added,
        );
      })
      .sort((a, b) => Number(a.lastAt < b.lastAt) - Number(a.lastAt > b.lastAt));
  },
);
