import { useEffect, useState } from 'react';
import { router, useLocalSearchParams } from 'expo-router';
import { blankDiagram, derive } from '../../../core/draft/derive';
import { ofDiagramKey } from '../../state/diagrams';
import { useWho } from '../../state/hooks';
import { diagramOnDevice, fetchDiagrams } from '../../sync/api';
import { keepDraft, keptDrafts, type KeptDraft } from '../../sync/keptDrafts';

export type OpenedDraft =
  { state: 'loading' } | { state: 'failed' } | { state: 'ready'; kept: KeptDraft };

/** Under this id a draft is begun that has none yet. */
const NEW = 'new';

/**
 * The draft of a diagram: as this device keeps it, else its newest version; under `new` one that is begun, `from=ID/VERSION`
 * or with nothing in it, which has an address of its own from then on.
 */
export function useOpenedDraft(id: string): OpenedDraft {
  const who = useWho();
  const { from } = useLocalSearchParams<{ from?: string }>();
  const [opened, setOpened] = useState<{ of: string; draft: OpenedDraft }>();
  const of = `${who} ${id}`;
  useEffect(() => {
    let wanted = true;
    const open = async (): Promise<OpenedDraft> => {
      if (id === NEW) {
        const kept = { diagram: await begun(who, from), stored: undefined };
        // A device that keeps nothing: it is worked on as long as the page is there.
        if (!(await keepDraft(who, kept.diagram.id, kept))) return { state: 'ready', kept };
        router.replace(`/edit/${kept.diagram.id}`);
        return { state: 'loading' };
      }
      const kept = (await keptDrafts(who))[id];
      if (kept) return { state: 'ready', kept };
      const { value } = await fetchDiagrams(who);
      const newest = value.find((each) => each.id === id);
      if (!newest) return { state: 'failed' };
      const body = await diagramOnDevice(who, id, newest.version);
      return { state: 'ready', kept: { diagram: body, stored: { version: newest.version, body } } };
    };
    open().then(
      (draft) => wanted && setOpened({ of, draft }),
      () => wanted && setOpened({ of, draft: { state: 'failed' } }),
    );
    return () => {
      wanted = false;
    };
  }, [who, id, from, of]);
  return opened?.of === of ? opened.draft : { state: 'loading' };
}

async function begun(who: string, from: string | undefined) {
  const id = `own-${crypto.randomUUID().slice(0, 8)}`;
  const origin = from === undefined ? undefined : ofDiagramKey(from);
  if (!origin) return blankDiagram(id);
  return derive(await diagramOnDevice(who, origin.id, origin.version), origin.version, id);
}
