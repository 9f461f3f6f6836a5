import type { Diagram } from '../../core/diagram/diagram';
import { keepSetting, keptSetting } from './device';

/** A draft as the device keeps it, with the version that it began from where there is one. */
export interface KeptDraft {
  diagram: Diagram;
  stored: { version: number; body: Diagram } | undefined;
  /** What it was before its last changes, the oldest first. */
  past?: Diagram[];
}

const keyOf = (shop: string): string => `drafts ${shop}`;

/** Drafts of a shop that are on this device alone, by the id of their diagram. */
export const keptDrafts = async (shop: string): Promise<Record<string, KeptDraft>> =>
  ((await keptSetting(keyOf(shop))) as Record<string, KeptDraft> | undefined) ?? {};

/** One after the other: two at once would each put back what the other has not. */
let last: Promise<void> = Promise.resolve();

/** Keeps a draft on the device, or lets go of it once it is stored. */
export function keepDraft(shop: string, id: string, draft: KeptDraft | undefined): Promise<void> {
  last = last.then(async () => {
    const { [id]: _old, ...others } = await keptDrafts(shop);
    await keepSetting(keyOf(shop), draft ? { ...others, [id]: draft } : others);
  });
  return last;
}
