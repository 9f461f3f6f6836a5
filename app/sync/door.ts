import type { Account, Door, Role } from '../../contract/account';
import type { CallSummary } from '../../contract/call';
import type { AuditLine, Invitation, LinkSaid, Person } from '../../contract/people';
import { ask, bodyOf, json } from './api';

/** What is asked at the door, before somebody is signed in and about who comes in. */

const NOBODY = '';

export const fetchDoor = async (): Promise<Door> => bodyOf(await ask(NOBODY, '/door'));

/** A way in, by what it is sent to; the answer is who is signed in now. */
type WayIn = 'session' | 'session/demo' | 'shops' | 'links/join' | 'links/reset';

export const comeIn = async (way: WayIn, said: object): Promise<Account> =>
  bodyOf(await ask(NOBODY, `/${way}`, json('POST', said)));

export const lookAtLink = async (link: string): Promise<LinkSaid> =>
  bodyOf(await ask(NOBODY, '/links/look', json('POST', { link })));

/** Ends this session, or all of theirs everywhere. */
export const signOut = (who: string, everywhere = false): Promise<Response> =>
  ask(who, everywhere ? '/sessions' : '/session', { method: 'DELETE' });

export const changePassword = (who: string, now: string, next: string): Promise<Response> =>
  ask(who, '/password', json('PUT', { now, next }));

export const fetchPeople = async (who: string): Promise<Person[]> =>
  bodyOf(await ask(who, '/people'));
export const fetchInvitations = async (who: string): Promise<Invitation[]> =>
  bodyOf(await ask(who, '/invitations'));
export const fetchAudit = async (who: string): Promise<AuditLine[]> =>
  bodyOf(await ask(who, '/audit'));

/** The calls of a customer, by the name at their units. */
export const findCustomer = async (who: string, name: string): Promise<CallSummary[]> =>
  bodyOf(await ask(who, '/customers/find', json('POST', { name })));
/** All that the shop has of a customer, as a file. */
export const exportCustomer = async (who: string, name: string): Promise<string> =>
  (await ask(who, '/customers/export', json('POST', { name }))).text();
/** @param calls as many as were shown: nothing is erased unseen */
export const eraseCustomer = (who: string, name: string, calls: number): Promise<Response> =>
  ask(who, '/customers/erase', json('POST', { name, calls }));

/** What is in a new link: it is told this once. */
export interface NewInvitation {
  id: string;
  link: string;
  expiresAt: string;
}
export const invite = async (
  who: string,
  said: { role: Role } | { person: string },
): Promise<NewInvitation> => bodyOf(await ask(who, '/invitations', json('POST', said)));
export const withdrawInvitation = (who: string, id: string): Promise<Response> =>
  ask(who, `/invitations/${id}`, { method: 'DELETE' });
export const setRole = (who: string, id: string, role: Role): Promise<Response> =>
  ask(who, `/people/${id}/role`, json('PUT', { role }));
export const takeOut = (who: string, id: string): Promise<Response> =>
  ask(who, `/people/${id}`, { method: 'DELETE' });
