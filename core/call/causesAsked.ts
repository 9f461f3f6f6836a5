import type { Diagram, Part } from '../diagram/diagram';
import { causesOf, demandsCause, type CauseLooked, type CauseOutcome } from './cause';
import { lastOf, takenBack } from './takenBack';
import type { LogEntry } from './record';

/** A part that does not fail by itself, and what may have made it fail. */
export interface CauseAsked {
  part: string;
  /** When it was reset or put in anew. */
  since: string;
  causes: (Pick<CauseLooked, 'cause' | 'words'> & { outcome?: CauseOutcome })[];
  /** One was found, or each was looked for or refused. */
  settled: boolean;
}

/**
 * Protectors and manual resets that were reset or put in anew in this call, with what was found of their causes.
 * A reset alone is no repair: common practice.
 */
export function causesAsked(diagram: Diagram, entries: readonly LogEntry[]): CauseAsked[] {
  const gone = takenBack(entries);
  const asked = new Map<string, string>();
  for (const { id, kind, body, phoneAt } of entries) {
    if (kind !== 'act' || gone.has(id) || !['reset', 'replace'].includes(body.act)) continue;
    const part = diagram.parts.find((each) => each.id === body.part);
    if (part && demandsCause(part) && !asked.has(part.id)) asked.set(part.id, phoneAt);
  }
  return [...asked].flatMap(([id, since]) => {
    const part = diagram.parts.find((each) => each.id === id);
    return part ? [{ part: id, since, ...causesLooked(part, entries) }] : [];
  });
}

/** The causes of a part, listed and told, with the last that was said of each. */
export function causesLooked(
  part: Part,
  entries: readonly LogEntry[],
): Pick<CauseAsked, 'causes' | 'settled'> {
  const gone = takenBack(entries);
  const found = lastOf(entries, 'found')?.body;
  const mode = found?.part === part.id ? found.mode : undefined;
  const said = new Map<string, CauseLooked>();
  for (const { id, kind, body } of entries)
    if (kind === 'cause' && body.part === part.id && !gone.has(id)) said.set(body.cause, body);
  const causes = [...new Set([...causesOf(part, mode), ...said.keys()])].map((cause) => {
    const { outcome, words } = said.get(cause) ?? {};
    return { cause, ...(outcome && { outcome }), ...(words !== undefined && { words }) };
  });
  const settled =
    causes.some(({ outcome }) => outcome === 'found') ||
    (causes.length > 0 && causes.every(({ outcome }) => outcome !== undefined));
  return { causes, settled };
}

/** Every part of which a cause is asked for, or was spoken of, with what was found. */
export function causesSaid(
  diagram: Diagram,
  entries: readonly LogEntry[],
): Pick<CauseAsked, 'part' | 'causes'>[] {
  const gone = takenBack(entries);
  const parts = new Set([
    ...causesAsked(diagram, entries).map(({ part }) => part),
    ...entries.flatMap(({ id, kind, body }) =>
      kind === 'cause' && !gone.has(id) ? [body.part] : [],
    ),
  ]);
  return diagram.parts.flatMap((part) =>
    parts.has(part.id) ? [{ part: part.id, causes: causesLooked(part, entries).causes }] : [],
  );
}

/** Protectors that were changed or reset in this call, where there is more than one: an alarm, common practice. */
export function protectorsTouched(diagram: Diagram, entries: readonly LogEntry[]): string[] {
  const touched = causesAsked(diagram, entries).map(({ part }) => part);
  return touched.length > 1 ? touched : [];
}
