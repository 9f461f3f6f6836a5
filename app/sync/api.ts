import type { CallDetail, CallSummary, DiagramSummary } from '../../contract/call';
import type { Problem } from '../../contract/problem';
import type { Diagram } from '../../core/diagram/diagram';
import { database } from './database';

/** The one place that talks to the server. */

/** The server was not reached or could not answer; trying again later may help. */
export class Away extends Error {}

/** The server said no; sending the same again will not help. */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.title);
  }
}

export interface ApiAnswer<T> {
  value: T;
  /** From the last time that the server answered, because it does not now. */
  stale: boolean;
}

/** Longer than a slow phone network needs, shorter than a person waits. */
const PATIENCE_MS = 8000;

async function ask(path: string, init: RequestInit = {}): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, { ...init, signal: AbortSignal.timeout(PATIENCE_MS) });
  } catch (error) {
    throw new Away(error instanceof Error ? error.message : String(error));
  }
  if (response.ok) return response;
  if (response.status >= 500) throw new Away(`the server answered ${response.status}`);
  throw new Refusal((await response.json()) as Problem);
}

/** The server's answer, or while it is away the last one that it gave. */
async function read<T>(path: string): Promise<ApiAnswer<T>> {
  const db = await database();
  try {
    const value = (await (await ask(path)).json()) as T;
    await db.put('answers', value, path);
    return { value, stale: false };
  } catch (error) {
    const last = error instanceof Away ? await db.get('answers', path) : undefined;
    if (last === undefined) throw error;
    return { value: last as T, stale: true };
  }
}

export const fetchCalls = (): Promise<ApiAnswer<CallSummary[]>> => read('/calls');
export const fetchCall = (id: string): Promise<ApiAnswer<CallDetail>> => read(`/calls/${id}`);
export const fetchDiagrams = (): Promise<ApiAnswer<DiagramSummary[]>> => read('/diagrams');
export const fetchDiagram = (id: string, version: number): Promise<ApiAnswer<Diagram>> =>
  read(`/diagrams/${id}/${version}`);

/** Sends one write. It carries its own id, so that sending it twice stores it once. */
export async function write(path: string, body: unknown): Promise<void> {
  await ask(path, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
}
