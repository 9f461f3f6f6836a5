import { useEffect, useState } from 'react';
import type { AuditLine, Invitation, Person } from '../../../contract/people';
import { Refusal } from '../../sync/api';
import { fetchAudit, fetchInvitations, fetchPeople } from '../../sync/door';

interface People {
  state: 'loading' | 'failed' | 'not-a-lead' | 'ready';
  people: Person[];
  invitations: Invitation[];
  lines: AuditLine[];
}

const NONE: People = { state: 'loading', people: [], invitations: [], lines: [] };

/** Who is in the shop, who may come, and what happened at the door; read anew after each change. */
export function usePeople(who: string): People & { again: () => void } {
  const [read, setRead] = useState(NONE);
  const [round, setRound] = useState(0);
  useEffect(() => {
    let wanted = true;
    Promise.all([fetchPeople(who), fetchInvitations(who), fetchAudit(who)]).then(
      ([people, invitations, lines]) =>
        wanted && setRead({ state: 'ready', people, invitations, lines }),
      (error: unknown) => {
        if (!wanted) return;
        if (error instanceof Refusal) setRead({ ...NONE, state: 'not-a-lead' });
        else setRead((last) => (last.state === 'ready' ? last : { ...NONE, state: 'failed' }));
      },
    );
    return () => {
      wanted = false;
    };
  }, [who, round]);
  return { ...read, again: () => setRound(round + 1) };
}
