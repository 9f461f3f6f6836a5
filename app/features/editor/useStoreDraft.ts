import { useState } from 'react';
import { guessUses } from '../../../core/draft/guessUses';
import type { Diagram } from '../../../core/diagram/diagram';
import { loadDiagrams } from '../../state/diagrams';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { Refusal, storeDiagram } from '../../sync/api';
import type { Draft } from './useDraft';

export interface Storing {
  busy: boolean;
  ok: boolean;
  says: string | undefined;
}

/** Stores a draft as the next version. The same sending is tried again under the same id, so that it is stored once. */
export function useStoreDraft(draft: Draft): [() => void, Storing] {
  const dispatch = useAppDispatch();
  const { shop } = useAppSelector((state) => state.outbox);
  const [sending, setSending] = useState<{ of: object; sentAs: string }>();
  const [storing, setStoring] = useState<Storing>({ busy: false, ok: true, says: undefined });
  const store = (): void => {
    // Without a use nothing can be told of it: it is stored with those that it is likely to have.
    const body = withUses(draft.diagram);
    if (body !== draft.diagram) draft.change(body);
    const sentAs = sending?.of === body ? sending.sentAs : crypto.randomUUID();
    setSending({ of: body, sentAs });
    setStoring({ busy: true, ok: true, says: undefined });
    storeDiagram(shop, sentAs, JSON.stringify(body)).then(
      ({ version }) => {
        draft.markStored(version, body);
        const guessed = body === draft.diagram ? '' : ' How it is used was guessed: see Drawing.';
        setStoring({ busy: false, ok: true, says: `Stored as version ${version}.${guessed}` });
        void dispatch(loadDiagrams());
      },
      (error: unknown) => setStoring({ busy: false, ok: false, says: sayWhyNot(error) }),
    );
  };
  return [store, storing];
}

const withUses = (diagram: Diagram): Diagram =>
  diagram.uses?.length ? diagram : { ...diagram, uses: guessUses(diagram) };

function sayWhyNot(error: unknown): string {
  if (!(error instanceof Refusal))
    return 'The server is away. The draft stays on this device: store it when the server is back.';
  const [first, ...more] = error.problem.faults ?? [];
  const rest = more.length ? ` And ${more.length} more.` : '';
  return first
    ? `Not stored: ${first.message}.${rest} See under Check.`
    : `Not stored: ${error.problem.title}.`;
}
