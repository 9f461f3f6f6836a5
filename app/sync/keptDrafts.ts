import type { Diagram } from '../../core/diagram/diagram';
import { changeSetting, keepSetting, keptSetting } from './device';

/** A draft as the device keeps it, with the version that it began from where there is one. */
export interface KeptDraft {
  diagram: Diagram;
  stored: { version: number; body: Diagram } | undefined;
  /** What it was before its last changes, the oldest first. */
  past?: Diagram[];
  /** What was taken back of it, the next first. */
  future?: Diagram[];
}

type Drafts = Record<string, KeptDraft>;

/** Where somebody's drafts are. */
export const draftsKey = (who: string): string => `drafts ${who}`;
/** What is kept beside a draft by its diagram: the photo of its sheet, and what was traced of it. */
export const sheetKey = (id: string): string => `sheet ${id}`;
export const traceKey = (id: string): string => `trace ${id}`;

/** Somebody's drafts that are on this device alone, by the id of their diagram. */
export const keptDrafts = async (who: string): Promise<Drafts> =>
  ((await keptSetting(draftsKey(who))) as Drafts | undefined) ?? {};

/** Keeps a draft on the device, or lets go of it once it is stored. @returns whether the device did so: a full one does not */
export const keepDraft = (
  who: string,
  id: string,
  draft: KeptDraft | undefined,
): Promise<boolean> =>
  changeSetting(draftsKey(who), (kept) => {
    const { [id]: _old, ...others } = (kept as Drafts | undefined) ?? {};
    return draft ? { ...others, [id]: draft } : others;
  });

/** Throws a draft away, and what was kept beside it. */
export async function throwDraftAway(who: string, id: string): Promise<void> {
  await keepDraft(who, id, undefined);
  for (const key of [sheetKey(id), traceKey(id)]) await keepSetting(key, undefined);
}
