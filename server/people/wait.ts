import { createHash } from 'node:crypto';
import type { Request } from 'express';
import type { Database } from '../db/database';
import { letIn, waitAtDoor } from '../db/people';
import { RefusedRequest } from '../problems';

/** Tries that wait for nothing: of one account, and of one address behind which a whole shop may be. */
const FREE = { account: 5, address: 60, founding: 20 };

type Door = keyof typeof FREE;
const keyOf = (door: Door, who: string): Buffer =>
  createHash('sha256').update(`${door} ${who}`).digest();

/** Where a request comes from, as far as the server can tell. */
export const addressOf = (request: Request): string => request.ip ?? 'unknown';

/** Counts a try at a door; who has tried too often is refused, with how long to wait. */
export async function knock(db: Database, door: Door, who: string): Promise<void> {
  const wait = await waitAtDoor(db, keyOf(door, who), FREE[door]);
  if (wait > 0) throw new RefusedRequest(429, `too many tries: wait ${sayWait(wait)}`, [], wait);
}

/** Who got in was not guessing: their account begins anew, their address has one try back. */
export const forgetKnocks = (db: Database, door: Door, who: string): Promise<void> =>
  letIn(db, keyOf(door, who), door === 'account');

const sayWait = (seconds: number): string =>
  seconds < 60 ? `${seconds} seconds` : `${Math.ceil(seconds / 60)} minutes`;
