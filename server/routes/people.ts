import { randomUUID } from 'node:crypto';
import { Router, type Request, type Response } from 'express';
import { NewInvitationDto, PasswordDto, RoleDto } from '../../contract/people';
import { readDto } from '../../contract/readDto';
import { audit, listAudit, type Audited } from '../db/audit';
import type { Database, ShopQueries } from '../db/database';
import {
  addInvitation,
  countLeads,
  findPerson,
  listInvitations,
  listPeople,
  setPassword,
  setRole,
  takeOut,
  withdrawInvitation,
  type PersonInShop,
} from '../db/people';
import { endSessionsOf } from '../db/sessions';
import { onlyJson, uuidOf, valid } from '../input';
import { accountOf, onlyLeads, rowsOf } from '../people/asker';
import { newLink } from '../people/link';
import { hashPassword, isPassword, tooEasy } from '../people/passwords';
import { beginSession, endThisSession } from '../people/sessions';
import { addressOf, forgetKnocks, knock } from '../people/wait';
import { notFound, RefusedRequest, unusable } from '../problems';

/** An invitation waits a week, a way to a new password a day. */
const LASTS_MS = { invitation: 7 * 24 * 3_600_000, reset: 24 * 3_600_000 };

/** The people of a shop: what anybody does with the own account, and what leads do. */
export function peopleRoutes(db: Database): Router {
  const router = Router();

  router.put('/password', onlyJson, async (request, response) => {
    const account = accountOf(response);
    const { person, shopName, name, email } = account;
    const { now, next } = valid(readDto(PasswordDto, request.body));
    const rows = rowsOf(response);
    await knock(db, 'account', email);
    if (!(await isPassword((await findPerson(rows, person))?.password, now)))
      throw unusable([{ path: '/now', message: 'is not your password' }]);
    await forgetKnocks(db, 'account', email);
    const easy = await tooEasy(next, [shopName, name, email], '/next');
    if (easy) throw easy;
    const hashed = await hashPassword(next);
    await rows.transaction(async (queries) => {
      await setPassword(queries, person, hashed);
      await endSessionsOf(queries, person);
      await audit(queries, { what: 'changed the password', person, address: addressOf(request) });
    });
    // Whoever else had the old one is out; this one goes on under a new session.
    await beginSession(request, response, account);
    response.status(204).end();
  });

  router.delete('/sessions', async (request, response) => {
    const { person } = accountOf(response);
    await rowsOf(response).transaction(async (queries) => {
      await endSessionsOf(queries, person);
      await audit(queries, { what: 'signed out everywhere', person, address: addressOf(request) });
    });
    await endThisSession(request, response);
    response.status(204).end();
  });

  router.get('/people', onlyLeads, async (_request, response) => {
    response.json(await listPeople(rowsOf(response)));
  });

  router.put('/people/:id/role', onlyLeads, onlyJson, async (request, response) => {
    const { role } = valid(readDto(RoleDto, request.body));
    await withPerson(request, response, async (queries, id, found) => {
      if (found.role === 'lead' && role !== 'lead') await keepALead(queries);
      await setRole(queries, id, role);
      return { what: 'changed a role', about: `${found.name}: ${role}` };
    });
    response.status(204).end();
  });

  router.delete('/people/:id', onlyLeads, async (request, response) => {
    await withPerson(request, response, async (queries, id, found) => {
      if (found.role === 'lead') await keepALead(queries);
      await takeOut(queries, id);
      await endSessionsOf(queries, id);
      return { what: 'took somebody out', about: found.name };
    });
    response.status(204).end();
  });

  router.get('/invitations', onlyLeads, async (_request, response) => {
    response.json(await listInvitations(rowsOf(response)));
  });

  // The link is in this answer and nowhere else: what is kept of it opens nothing.
  router.post('/invitations', onlyLeads, onlyJson, async (request, response) => {
    const { role, person } = valid(readDto(NewInvitationDto, request.body));
    if ((role === undefined) === (person === undefined))
      throw unusable([
        { path: '', message: 'say either the role of somebody new, or who gets a new password' },
      ]);
    const rows = rowsOf(response);
    const found = person === undefined ? undefined : await findPerson(rows, person);
    if (person !== undefined && !found) throw notFound('such person in this shop');
    const { text, token } = newLink(rows.shop);
    const id = randomUUID();
    const expiresAt = new Date(
      Date.now() + LASTS_MS[person === undefined ? 'invitation' : 'reset'],
    );
    const { person: madeBy } = accountOf(response);
    await rows.transaction(async (queries) => {
      await addInvitation(queries, {
        id,
        token,
        role: found?.role ?? role ?? 'technician',
        person: person ?? null,
        madeBy,
        expiresAt,
      });
      await audit(queries, {
        what: found ? 'made a link for a new password' : 'invited somebody',
        about: found?.name ?? role,
        person: madeBy,
        address: addressOf(request),
      });
    });
    response.status(201).json({ id, link: text, expiresAt });
  });

  router.delete('/invitations/:id', onlyLeads, async (request, response) => {
    const id = uuidOf(request.params.id);
    const { person } = accountOf(response);
    await rowsOf(response).transaction(async (queries) => {
      if (!(await withdrawInvitation(queries, id)))
        throw notFound('such invitation that still works');
      await audit(queries, { what: 'withdrew an invitation', person, address: addressOf(request) });
    });
    response.status(204).end();
  });

  router.get('/audit', onlyLeads, async (_request, response) => {
    response.json(await listAudit(rowsOf(response)));
  });

  return router;
}

/** Changes somebody of the shop, and writes it down: both, or neither. */
async function withPerson(
  request: Request,
  response: Response,
  change: (
    queries: ShopQueries,
    id: string,
    found: PersonInShop,
  ) => Promise<{ what: Audited; about: string }>,
): Promise<void> {
  const id = uuidOf(request.params.id);
  const { person } = accountOf(response);
  await rowsOf(response).transaction(async (queries) => {
    const found = await findPerson(queries, id);
    if (!found) throw notFound('such person in this shop');
    const done = await change(queries, id, found);
    await audit(queries, { ...done, person, address: addressOf(request) });
  });
}

/** A shop without a lead could let nobody in any more. */
async function keepALead(queries: ShopQueries): Promise<void> {
  if ((await countLeads(queries)) < 2)
    throw new RefusedRequest(
      409,
      'this is the only lead of the shop: make somebody else one first',
    );
}
