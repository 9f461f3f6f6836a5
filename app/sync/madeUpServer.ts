import { configureStore } from '@reduxjs/toolkit';
import { ACCOUNT_HEADER, type Account } from '../../contract/account';
import type { NewCallDto } from '../../contract/call';
import type { NewEntry } from '../../contract/entry';
import { API_MARK, AT_HEADER, MARK_HEADER, STORED_HEADER } from '../../contract/headers';
import { account } from './account';
import { database } from './device';
import { enqueue, outbox } from './outbox';
import type { OutboxItem } from './outboxItem';

/** A server for tests of the outbox: what it is asked is kept, what it answers is said. */

/** What the server was asked, and what it answers: a status and a body, or no answer at all. */
export const asked: { method: string; path: string; body: unknown; who: string }[] = [];
export type Answer = { status: number; body?: unknown; headers?: Record<string, string> } | 'away';
let answer: (path: string, body: unknown) => Answer;

/** A server that stores what it is sent. */
export const storing = (path: string, body: unknown): Answer =>
  path === '/api/entries'
    ? {
        status: 200,
        body: {
          results: (body as { entries: { id: string }[] }).entries.map(({ id }) => ({
            id,
            status: 204,
          })),
        },
      }
    : { status: 204, headers: { [STORED_HEADER]: path.split('/').at(-1) ?? '' } };

/** What it answers from now on. */
export const answerWith = (how: typeof answer): void => {
  answer = how;
};

/** Before each test: a server that stores, and a device that keeps nothing yet. */
export async function begin(): Promise<void> {
  asked.length = 0;
  answer = storing;
  globalThis.fetch = (async (input: RequestInfo | URL, init: RequestInit = {}) => {
    const path = String(input);
    const body = typeof init.body === 'string' ? JSON.parse(init.body) : undefined;
    const who = new Headers(init.headers).get(ACCOUNT_HEADER) ?? '';
    asked.push({ method: init.method ?? 'GET', path, body, who });
    const said = answer(path, body);
    if (said === 'away') throw new TypeError('fetch failed');
    const text = typeof said.body === 'string' ? said.body : JSON.stringify(said.body ?? null);
    const marked = { [MARK_HEADER]: API_MARK, [AT_HEADER]: String(Date.now()), ...said.headers };
    const headers = Object.fromEntries(Object.entries(marked).filter(([, value]) => value));
    return new Response(said.status === 204 ? null : text, {
      status: said.status,
      headers,
    });
  }) as typeof fetch;
  const db = await database();
  await Promise.all([db.clear('waiting'), db.clear('answers')]);
}

/** Somebody of the demo shop, and somebody of another one. */
export const KIM: Account = {
  shop: 'demo',
  shopName: 'Demo',
  person: 'kim',
  name: 'Kim Example',
  email: 'kim@shop.example',
  role: 'technician',
};
export const LOU: Account = { ...KIM, shop: 'own', person: 'lou', name: 'Lou Example' };

/** A page in which somebody works. */
export const newStore = (who: Account = KIM) =>
  configureStore({
    reducer: { account, outbox },
    preloadedState: { account: { account: who, heard: true, signedOut: false } },
  });
export const entry = (reason: string): NewEntry => ({
  callId: 'c',
  kind: 'doubt',
  phoneAt: '2026-11-26T08:00:00.000Z',
  body: { names: 'x', reason },
});
export const put = (id: string) => enqueue({ to: 'entries', id, body: entry(id) });
export const ids = (items: readonly OutboxItem[]): string[] => items.map((each) => each.id);
export const until = async (holds: () => boolean): Promise<void> => {
  for (let i = 0; i < 200 && !holds(); i++) await new Promise((resolve) => setTimeout(resolve, 10));
  expect(holds()).toBe(true);
};

export const call: NewCallDto = {
  appliance: { id: 'm', make: 'Marrowby', model: 'W-44', place: 'Cellar' },
  diagramId: 'top-load-washer',
  diagramVersion: 1,
  complaint: 'does not spin',
  phoneAt: '2026-11-26T08:00:00.000Z',
};
