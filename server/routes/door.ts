import { randomUUID } from 'node:crypto';
import { json, Router, type Request, type RequestHandler, type Response } from 'express';
import {
  DEMO_PERSON,
  DEMO_SHOP,
  FIRST_SHOP,
  type Account,
  type Door,
} from '../../contract/account';
import {
  JoinDto,
  LinkDto,
  NewShopDto,
  ResetDto,
  SignInDto,
  type LinkSaid,
} from '../../contract/people';
import { readDto } from '../../contract/readDto';
import { audit } from '../db/audit';
import type { Database, ShopQueries } from '../db/database';
import {
  accountAtDoor,
  addPerson,
  findInvitation,
  findPerson,
  setPassword,
  useInvitation,
} from '../db/people';
import { endSessionsOf } from '../db/sessions';
import { hasShop, isClaimed, makeShop, renameShop } from '../db/shops';
import { onlyJson, valid } from '../input';
import { accountOf, onlySignedIn, rowsOf } from '../people/asker';
import { readLink, type Link } from '../people/link';
import { hashPassword, isPassword, tooEasy } from '../people/passwords';
import { beginSession, endThisSession } from '../people/sessions';
import { addressOf, forgetKnocks, knock } from '../people/wait';
import { notFound, RefusedRequest, unusable } from '../problems';

export interface DoorOptions {
  /** Whether there is a demo that anybody may look around in. */
  demo: boolean;
  /** Whether anybody may found another shop here. */
  founding: boolean;
}

/** What is asked before somebody is signed in. */
export function doorRoutes(db: Database, options: DoorOptions): Router {
  const router = Router();
  const small: RequestHandler[] = [onlyJson, json({ limit: '4kb' })];

  router.get('/door', async (_request, response) => {
    const first = await db.of(FIRST_SHOP).transaction(isFree);
    response.json({ ...options, first } satisfies Door);
  });

  router.get('/session', onlySignedIn, (_request, response) => {
    response.json(accountOf(response));
  });

  router.post('/session', small, async (request: Request, response: Response) => {
    const { email, password } = valid(readDto(SignInDto, request.body));
    const address = addressOf(request);
    await knock(db, 'address', address);
    await knock(db, 'account', email);
    const known = await accountAtDoor(db, email);
    const right = await isPassword(known?.password, password);
    if (!known || !right) {
      if (known)
        await audit(db.of(known.shop), { what: 'gave a wrong password', about: email, address });
      throw new RefusedRequest(403, 'this address and this password do not go together');
    }
    await forgetKnocks(db, 'account', email);
    await forgetKnocks(db, 'address', address);
    const account = await accountIn(db.of(known.shop), known.person);
    await audit(db.of(known.shop), { what: 'signed in', person: known.person, address });
    await beginSession(request, response, account);
    response.json(account);
  });

  router.post('/session/demo', async (request, response) => {
    if (!options.demo) throw notFound('demo here');
    const account = await accountIn(db.of(DEMO_SHOP), DEMO_PERSON);
    await beginSession(request, response, account);
    response.json(account);
  });

  router.delete('/session', onlySignedIn, async (request, response) => {
    const { person } = accountOf(response);
    await audit(rowsOf(response), { what: 'signed out', person, address: addressOf(request) });
    await endThisSession(request, response);
    response.status(204).end();
  });

  // The first one to found has the shop that is there from the start, with all that was entered in it before there were people.
  router.post('/shops', small, async (request: Request, response: Response) => {
    const founder = valid(readDto(NewShopDto, request.body));
    const { shopName, name, email, password } = founder;
    await refuseEasy(password, [shopName, name, email]);
    const address = addressOf(request);
    await knock(db, 'founding', address);
    const hashed = await hashPassword(password);
    const person = randomUUID();
    const found = async (rows: ShopQueries): Promise<void> => {
      if (!(await addPerson(rows, { id: person, name, email, role: 'lead', password: hashed })))
        throw addressTaken();
      await audit(rows, { what: 'founded the shop', person, about: shopName, address });
    };
    let shop = FIRST_SHOP;
    const first = await db.of(FIRST_SHOP).transaction(async (rows) => {
      if (!(await isFree(rows))) return false;
      await renameShop(rows, shopName);
      await found(rows);
      return true;
    });
    if (!first) {
      if (!options.founding)
        throw new RefusedRequest(403, 'no more shops are founded on this server');
      shop = randomUUID();
      await db.of(shop).transaction(async (rows) => {
        await makeShop(rows, shopName);
        await found(rows);
      });
    }
    const account = await accountIn(db.of(shop), person);
    await beginSession(request, response, account);
    response.status(201).json(account);
  });

  // What a link is for. It comes in the body: addresses are written into logs.
  router.post('/links/look', small, async (request: Request, response: Response) => {
    const { said } = await invitationOf(valid(readDto(LinkDto, request.body)).link, request.ip);
    response.json({ shopName: said.shopName, role: said.role, name: said.name } satisfies LinkSaid);
  });

  router.post('/links/join', small, async (request: Request, response: Response) => {
    const { link: text, name, email, password } = valid(readDto(JoinDto, request.body));
    const { link, said } = await invitationOf(text, request.ip);
    if (said.person !== null) throw noSuchLink();
    await refuseEasy(password, [said.shopName, name, email]);
    const hashed = await hashPassword(password);
    const person = randomUUID();
    await db.of(link.shop).transaction(async (rows) => {
      if (!(await useInvitation(rows, link.token))) throw noSuchLink();
      if (!(await addPerson(rows, { id: person, name, email, role: said.role, password: hashed })))
        throw addressTaken();
      await audit(rows, { what: 'joined', person, about: said.role, address: addressOf(request) });
    });
    const account = await accountIn(db.of(link.shop), person);
    await beginSession(request, response, account);
    response.status(201).json(account);
  });

  router.post('/links/reset', small, async (request: Request, response: Response) => {
    const { link: text, password } = valid(readDto(ResetDto, request.body));
    const { link, said } = await invitationOf(text, request.ip);
    const { person } = said;
    if (person === null) throw noSuchLink();
    const { name, email } = await accountIn(db.of(link.shop), person);
    await refuseEasy(password, [said.shopName, name, email]);
    const hashed = await hashPassword(password);
    await db.of(link.shop).transaction(async (rows) => {
      if (!(await useInvitation(rows, link.token))) throw noSuchLink();
      await setPassword(rows, person, hashed);
      await endSessionsOf(rows, person);
      await audit(rows, {
        what: 'set a new password by a link',
        person,
        address: addressOf(request),
      });
    });
    await forgetKnocks(db, 'account', email);
    const account = await accountIn(db.of(link.shop), person);
    await beginSession(request, response, account);
    response.json(account);
  });

  async function invitationOf(text: string, address = 'unknown') {
    await knock(db, 'address', address);
    const link: Link | undefined = readLink(text);
    const said = link && (await findInvitation(db.of(link.shop), link.token));
    if (!link || !said) throw noSuchLink();
    await forgetKnocks(db, 'address', address);
    return { link, said };
  }

  return router;
}

/** Whether the first shop waits for its first lead. */
const isFree = async (rows: ShopQueries): Promise<boolean> =>
  (await hasShop(rows)) && !(await isClaimed(rows));

async function accountIn(rows: ShopQueries, person: string): Promise<Account> {
  const found = await findPerson(rows, person);
  if (!found) throw new RefusedRequest(403, 'this account is no longer in the shop');
  const { shopName, name, email, role } = found;
  return { shop: rows.shop, shopName, person, name, email, role };
}

async function refuseEasy(password: string, about: readonly string[]): Promise<void> {
  const refusal = await tooEasy(password, about);
  if (refusal) throw refusal;
}

const noSuchLink = (): RefusedRequest =>
  new RefusedRequest(
    404,
    'this link does not work: it was used, withdrawn or is too old. Ask a lead of the shop for another',
  );

const addressTaken = (): RefusedRequest =>
  unusable([
    { path: '/email', message: 'has an account already: sign in with it, or take another address' },
  ]);
