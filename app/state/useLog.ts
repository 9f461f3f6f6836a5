import { useRef } from 'react';
import type { EntryKind, NewEntry } from '../../contract/entry';
import type { Records } from '../../core/call/record';
import { useAppDispatch } from './hooks';
import { enqueue } from '../sync/outbox';

/** Adds lines to a call's log, through the outbox, in the order in which they are made. */
export function useLog(callId: string): <K extends EntryKind>(kind: K, body: Records[K]) => void {
  const dispatch = useAppDispatch();
  const told = useRef(0);
  return (kind, body) => {
    // Two entries of one millisecond would lose their order.
    told.current = Math.max(Date.now(), told.current + 1);
    const entry = { callId, kind, phoneAt: new Date(told.current).toISOString(), body } as NewEntry;
    void dispatch(enqueue({ to: 'entries', id: crypto.randomUUID(), body: entry }));
  };
}
