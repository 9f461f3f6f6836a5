import { Agent, request } from 'node:http';
import { setTimeout as sleep } from 'node:timers/promises';
import type { SignedIn } from '../../e2e/signIn';

/** How long a side is asked in a turn. */
const TURN_MS = 2000;

export interface Load {
  perSecond: number;
  p50Ms: number;
  p99Ms: number;
}

/** Milliseconds of every request that some phones make in one turn, each waiting for its answer. */
export async function load(
  phones: number,
  ask: (phone: number) => () => Promise<boolean>,
  turnMs = TURN_MS,
): Promise<number[]> {
  const until = performance.now() + turnMs;
  const took: number[] = [];
  await Promise.all(
    Array.from({ length: phones }, async (_, phone) => {
      const one = ask(phone);
      while (performance.now() < until) {
        const began = performance.now();
        if (await one()) took.push(performance.now() - began);
        // Told to come again, as a phone is: it does, a little later.
        else await sleep(200 + 200 * Math.random());
      }
    }),
  );
  return took;
}

/** What a load came to. @param turns how many turns it took */
export function summary(took: number[], turns: number, turnMs = TURN_MS): Load {
  const inOrder = took.toSorted((a, b) => a - b);
  const at = (share: number): number => inOrder[Math.floor(share * (inOrder.length - 1))] ?? 0;
  return { perSecond: took.length / ((turnMs / 1000) * turns), p50Ms: at(0.5), p99Ms: at(0.99) };
}

const agent = new Agent({ keepAlive: true, maxSockets: 500 });

/** One request as a phone sends it. @returns false where it was told to come again */
export function send(
  session: SignedIn,
  port: number,
  method: string,
  path: string,
  body?: object,
): Promise<boolean> {
  const text = body === undefined ? undefined : JSON.stringify(body);
  const headers = {
    ...session,
    ...(text !== undefined && {
      'content-type': 'application/json',
      'content-length': String(Buffer.byteLength(text)),
    }),
  };
  return new Promise((resolve, reject) => {
    const asked = request({ host: '127.0.0.1', port, method, path, headers, agent }, (answer) => {
      answer.resume();
      answer.on('end', () =>
        (answer.statusCode ?? 500) < 300 || answer.statusCode === 503
          ? resolve(answer.statusCode !== 503)
          : reject(new Error(`${answer.statusCode} to ${path}`)),
      );
    });
    asked.on('error', reject);
    asked.end(text);
  });
}
