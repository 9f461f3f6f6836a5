import type { CallDetail, CallSummary } from '../../contract/call';
import type { DiagramBody, DiagramSummary } from '../../contract/diagram';
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

const diagramPath = (id: string, version: number): string => `/diagrams/${id}/${version}`;

/** One version of a diagram: versions never change, so what is on the device is as good as the server's. */
export async function diagramOnDevice(id: string, version: number): Promise<Diagram> {
  const path = diagramPath(id, version);
  const kept = await (await database()).get('answers', path);
  return kept === undefined ? (await read<Diagram>(path)).value : (kept as Diagram);
}

/** Requests for bodies at one start, at most; what is left comes with the next. */
const MOST_ROUNDS = 3;

/** Brings the bodies of a list onto the device, many with one request. */
export async function keepDiagrams(list: readonly DiagramSummary[]): Promise<void> {
  const db = await database();
  const kept = new Set(await db.getAllKeys('answers'));
  let missing = list.filter(({ id, version }) => !kept.has(diagramPath(id, version)));
  for (let round = 0; round < MOST_ROUNDS && missing.length; round++) {
    const wanted = new Set(missing.map(({ id, version }) => `${id}/${version}`));
    const have = list
      .map(({ id, version }) => `${id}/${version}`)
      .filter((key) => !wanted.has(key));
    const bodies = await post<DiagramBody[]>('/diagrams/bodies', { have });
    for (const { id, version, body } of bodies)
      await db.put('answers', body, diagramPath(id, version));
    const came = new Set(bodies.map(({ id, version }) => `${id}/${version}`));
    const left = missing.filter(({ id, version }) => !came.has(`${id}/${version}`));
    if (left.length === missing.length) return;
    missing = left;
  }
}

/** Asks for something that takes more than a path to say. */
async function post<T>(path: string, body: unknown): Promise<T> {
  const response = await ask(path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  return (await response.json()) as T;
}

/** Sends one write. It carries its own id, so that sending it twice stores it once. */
export async function write(path: string, body: unknown): Promise<void> {
  await ask(path, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
}
