import { isolate } from '../circuit/isolation';
import type { Diagram, SwitchPart, TerminalRef } from '../diagram/diagram';
import { pairKey } from '../diagram/setupKey';
import { findSwitch, partAt, wiresAt } from '../diagram/terminal';
import { causesAsked } from './causesAsked';
import {
  DISTURBANCES,
  lineKey,
  type Closing,
  type Disturbance,
  type LedgerLine,
} from './ledgerLine';
import { feedsUnit } from './power';
import { takenBack } from './takenBack';
import type { LogEntry } from './record';
import type { WireMap } from './wireMap';

/**
 * Every line of a call's ledger in the order in which things are put right: what is clipped on first, the supply
 * last. Tests, scripts, acts and taps open lines; nothing but a tick, a script or words closes one.
 */
export function ledgerOf(diagram: Diagram, entries: readonly LogEntry[]): LedgerLine[] {
  const lines = new Map<string, LedgerLine>();
  const gone = takenBack(entries);
  const open = (since: string, what: Disturbance, of: string): void => {
    const key = lineKey(what, of);
    const before = lines.get(key);
    // What is open already was opened then.
    if (!before || before.closed) lines.set(key, { key, what, of, since });
  };
  const close = (key: string, closed: Closing): void => {
    const line = lines.get(key);
    if (line) lines.set(key, { ...line, closed });
  };
  for (const entry of entries) {
    const { phoneAt } = entry;
    const doubted = gone.has(entry.id);
    for (const { what, of } of disturbedBy(diagram, entry, doubted)) open(phoneAt, what, of);
    if (feedsUnit(entry, diagram))
      for (const { id } of diagram.supplies) close(lineKey('supply', id), BACK);
    if (entry.kind === 'acknowledged' && entry.body.what === 'jumper-off' && entry.body.jumper)
      close(lineKey('jumper', pairKey(...entry.body.jumper)), BACK);
    if (entry.kind === 'act' && entry.body.act === 'put-back' && !doubted)
      close(lineKey('part', entry.body.part), BACK);
    if (entry.kind === 'closed' && !doubted) {
      const { line, how, words } = entry.body;
      close(line, { how, ...(words !== undefined && { words }) });
    }
  }
  for (const { part, since, settled } of causesAsked(diagram, entries)) {
    const key = lineKey('cause', part);
    lines.set(key, { key, what: 'cause', of: part, since, ...(settled && { closed: BACK }) });
  }
  return [...lines.values()].sort(
    (one, two) => DISTURBANCES.indexOf(one.what) - DISTURBANCES.indexOf(two.what),
  );
}

const BACK: Closing = { how: 'back' };

/** What has to be put right, or spoken for, before a call can be finished. */
export const openLines = (diagram: Diagram, entries: readonly LogEntry[]): LedgerLine[] =>
  ledgerOf(diagram, entries).filter((each) => !each.closed);

type Disturbed = Pick<LedgerLine, 'what' | 'of'>;

/** @param doubted taken back: what was read does not count then, its wires came off all the same */
function disturbedBy(diagram: Diagram, entry: LogEntry, doubted: boolean): Disturbed[] {
  switch (entry.kind) {
    case 'opened':
      return doubted ? [] : [entry.body];
    case 'acknowledged': {
      const { what, part, jumper } = entry.body;
      if (what === 'made-safe')
        return diagram.supplies.map(({ id }) => ({ what: 'supply', of: id }));
      if (what === 'jumper-on' && jumper) return [{ what: 'jumper', of: pairKey(...jumper) }];
      if (what !== 'wires-off' || part === undefined) return [];
      const found = findSwitch(diagram, part);
      return [...wires(found.ok ? liftFor(diagram, found.value) : []), ...panels(diagram, [part])];
    }
    case 'reading': {
      const { from, to, setup, of } = entry.body;
      if (of !== undefined) return [];
      const parts = [from, to].flatMap((ref) => partAt(ref) ?? []);
      return [
        ...setup.jumpers.map((pair): Disturbed => ({ what: 'jumper', of: pairKey(...pair) })),
        ...wires(setup.lifted),
        ...setup.partsOut.map((of): Disturbed => ({ what: 'part', of })),
        ...panels(diagram, parts),
      ];
    }
    default:
      return [];
  }
}

/** Networks are built to find it: once for each switch of a diagram. */
const lifts = new WeakMap<Diagram, Map<string, readonly TerminalRef[]>>();

function liftFor(diagram: Diagram, part: SwitchPart): readonly TerminalRef[] {
  const known = lifts.get(diagram) ?? new Map<string, readonly TerminalRef[]>();
  lifts.set(diagram, known);
  const lift = known.get(part.id) ?? isolate(diagram, part).lift;
  known.set(part.id, lift);
  return lift;
}

const wires = (lift: readonly TerminalRef[]): Disturbed[] =>
  lift.map((of) => ({ what: 'wire', of }));

const panels = (diagram: Diagram, parts: readonly string[]): Disturbed[] =>
  [
    ...new Set(
      diagram.parts.filter(({ id }) => parts.includes(id)).flatMap(({ panel }) => panel ?? []),
    ),
  ].map((of) => ({ what: 'panel', of }));

/** The last map of a part that was written and not taken back. */
export function wireMapOf(entries: readonly LogEntry[], part: string): WireMap | undefined {
  const gone = takenBack(entries);
  const last = entries.findLast(
    ({ id, kind, body }) => kind === 'wire-map' && body.part === part && !gone.has(id),
  );
  return last?.kind === 'wire-map' ? last.body : undefined;
}

/** Terminals that wires come off for a reading and that no map has yet, by their part; a keyed plug needs none. */
export function notMapped(
  diagram: Diagram,
  entries: readonly LogEntry[],
  lifted: readonly TerminalRef[],
): { part: string; lift: TerminalRef[] }[] {
  const byPart = new Map<string, TerminalRef[]>();
  for (const ref of lifted) {
    const part = partAt(ref);
    const map = part === undefined ? undefined : wireMapOf(entries, part);
    if (part === undefined || map?.keyed || map?.wires.some(({ at }) => at === ref)) continue;
    if (wiresAt(diagram, ref).length) byPart.set(part, [...(byPart.get(part) ?? []), ref]);
  }
  return [...byPart].map(([part, lift]) => ({ part, lift }));
}
