import { useState } from 'react';
import { loadDiagrams } from '../../state/diagrams';
import { useAppDispatch, useWho } from '../../state/hooks';
import type { Diagram } from '../../../core/diagram/diagram';
import { diagramOnDevice, storeDiagram } from '../../sync/api';
import { sayWhyNot } from '../../ui/sayWhyNot';
import { withUses } from '../../workers/draft';
import type { Draft } from './useDraft';

export interface Storing {
  busy: boolean;
  ok: boolean;
  says: string | undefined;
  /** What somebody else has stored since this draft was begun; both are kept as versions. */
  meanwhile?: { version: number; theirs: Diagram };
}

/** Stores a draft as the next version. The same sending is tried again under the same id, so that it is stored once. */
export function useStoreDraft(draft: Draft): [() => void, Storing] {
  const dispatch = useAppDispatch();
  const who = useWho();
  const [sending, setSending] = useState<{ of: object; sentAs: string }>();
  const [storing, setStoring] = useState<Storing>({ busy: false, ok: true, says: undefined });
  const store = async (): Promise<void> => {
    setStoring({ busy: true, ok: true, says: undefined });
    // Without a use nothing can be told of it: it is stored with those that it is likely to have.
    const body = await withUses(draft.diagram);
    const guessed = body !== draft.diagram;
    if (guessed) draft.change(body);
    const sentAs = sending?.of === body ? sending.sentAs : crypto.randomUUID();
    setSending({ of: body, sentAs });
    try {
      const { version } = await storeDiagram(who, sentAs, JSON.stringify(body));
      const base = draft.stored?.version;
      draft.markStored(version, body);
      // Versions are counted: one in between came from another phone.
      const theirs =
        base !== undefined && version > base + 1
          ? await diagramOnDevice(who, body.id, version - 1).catch(() => undefined)
          : undefined;
      const uses = guessed ? ' How it is used was guessed: see Drawing.' : '';
      setStoring({
        busy: false,
        ok: true,
        says: `Stored as version ${version}.${uses}`,
        ...(theirs && { meanwhile: { version: version - 1, theirs } }),
      });
      void dispatch(loadDiagrams());
    } catch (error) {
      setStoring({ busy: false, ok: false, says: sayWhyNot(error, AWAY).join(' ') });
    }
  };
  return [() => void store(), storing];
}

const AWAY =
  'The server is away. The draft stays on this device: store it when the server is back.';
