import { ACCOUNT_HEADER, type Account } from '../../contract/account';
import type { CallDetail, CallPage } from '../../contract/call';
import type { DiagramBody, DiagramSummary } from '../../contract/diagram';
import type { EntryResult } from '../../contract/entry';
import type { ComparedDiagram } from '../../contract/libraryFile';
import { API_MARK, AT_HEADER, MARK_HEADER, STORED_HEADER } from '../../contract/headers';
import type { ShopMeter } from '../../contract/meter';
import type { PhotoSummary } from '../../contract/photo';
import type { PhotoTable, PhotoTables } from '../../contract/tablePhoto';
import type { Problem } from '../../contract/problem';
import type { NewReportLinkDto, ReportLink } from '../../contract/reportLink';
import type { KindMinutes, SeenBefore } from '../../contract/seen';
import type { CallReport } from '../../core/describe/report';
import type { Diagram } from '../../core/diagram/diagram';
import type { ModelSheet } from '../../core/diagram/modelPattern';
import { PAGE_HEADER } from '../../contract/change';
import { PAGE } from './changes';
import { keepAnswers, keptAnswer, keptAnswers } from './device';

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
/** Answers of "no" that may be "yes" later: not signed in, too many, not now. */
const LATER = [401, 408, 425, 429];

let skewMs = 0;
/** Milliseconds that this phone's clock lacks to the server's, by its last answer. */
export const clockSkewMs = (): number => skewMs;

let heardTurnedAway = (): void => undefined;
/** Calls back whenever the server says that nobody, or somebody else, is signed in. */
export const heedTurnedAway = (hear: () => void): void => {
  heardTurnedAway = hear;
};

/** Asks the server. @param who the id of who it is asked for; empty at the door */
export async function ask(
  who: string,
  path: string,
  init: RequestInit = {},
  patienceMs = PATIENCE_MS,
): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      ...init,
      headers: {
        ...init.headers,
        ...(who !== '' && { [ACCOUNT_HEADER]: who }),
        [PAGE_HEADER]: PAGE,
        'x-phone-at': new Date().toISOString(),
      },
      signal: AbortSignal.timeout(patienceMs),
    });
  } catch (error) {
    throw new Away(error instanceof Error ? error.message : String(error));
  }
  // A hotel's page to sign in answers everything, in good form: it does not have the server's mark.
  if (response.headers.get(MARK_HEADER) !== API_MARK)
    throw new Away('something else than the server answered');
  const at = Number(response.headers.get(AT_HEADER));
  if (Number.isFinite(at) && at > 0) skewMs = at - Date.now();
  if (response.ok) return response;
  // What was to be written stays on the device: it is not refused, its time is to come.
  if (response.status === 401 && who !== '') heardTurnedAway();
  if (response.status >= 500 || LATER.includes(response.status))
    throw new Away(`the server answered ${response.status}`);
  throw new Refusal(await problemIn(response));
}

const problemIn = async (response: Response): Promise<Problem> => {
  const { status } = response;
  const said = (await response.json().catch(() => ({}))) as Partial<Problem>;
  return { type: 'about:blank', title: `the server answered ${status}`, ...said, status };
};

/** The body of an answer; one that is cut off on its way is none. */
export async function bodyOf<T>(response: Response): Promise<T> {
  try {
    return (await response.json()) as T;
  } catch {
    throw new Away('the answer was cut off');
  }
}

const keyOf = (who: string, path: string): string => `${who} ${path}`;

/** Who the browser's session is of. @param who who it should be of; empty for whoever */
export const fetchAccount = async (who = ''): Promise<Account> =>
  bodyOf(await ask(who, '/session'));

/** The server's answer, or while it is away the last one that it gave. */
async function read<T>(who: string, path: string): Promise<ApiAnswer<T>> {
  try {
    const value = await bodyOf<T>(await ask(who, path));
    await keepAnswers({ [keyOf(who, path)]: value });
    return { value, stale: false };
  } catch (error) {
    const last = error instanceof Away ? await keptAnswer(keyOf(who, path)) : undefined;
    if (last === undefined) throw error;
    return { value: last as T, stale: true };
  }
}

/** Which calls are asked for. */
export interface CallsWanted {
  search?: string;
  /** What the page before gave as `next`. */
  after?: string;
}

export function fetchCalls(who: string, wanted: CallsWanted = {}): Promise<ApiAnswer<CallPage>> {
  const query = new URLSearchParams();
  if (wanted.search) query.set('search', wanted.search);
  if (wanted.after) query.set('after', wanted.after);
  return read(who, query.size ? `/calls?${query.toString()}` : '/calls');
}
/** The first page of the calls as the server last gave it to this device; undefined where it never did. */
export const keptCalls = async (who: string): Promise<CallPage | undefined> =>
  (await keptAnswer(keyOf(who, '/calls'))) as CallPage | undefined;
export const fetchCall = (who: string, id: string): Promise<ApiAnswer<CallDetail>> =>
  read(who, `/calls/${id}`);
export const fetchPhotos = (who: string, id: string): Promise<ApiAnswer<PhotoSummary[]>> =>
  read(who, `/calls/${id}/photos`);
export const fetchPhoto = async (who: string, id: string): Promise<Blob> =>
  (await ask(who, `/photos/${id}`)).blob();
export const fetchSeen = (who: string, id: string): Promise<ApiAnswer<SeenBefore>> =>
  read(who, `/calls/${id}/seen`);
export const fetchMinutes = (who: string): Promise<ApiAnswer<KindMinutes[]>> =>
  read(who, '/minutes');
export const fetchReport = (who: string, id: string): Promise<ApiAnswer<CallReport>> =>
  read(who, `/calls/${id}/report`);
/** A file that the server makes of a call. @param file its path below the call, such as `report.pdf?for=trade` */
export const fetchCallFile = async (who: string, id: string, file: string): Promise<Blob> =>
  (await ask(who, `/calls/${id}/${file}`)).blob();
export const fetchReportLinks = async (who: string, id: string): Promise<ReportLink[]> =>
  bodyOf(await ask(who, `/calls/${id}/links`));
/** Makes a link to a call's report; what is in it is told this once. */
export const makeReportLink = async (
  who: string,
  id: string,
  said: NewReportLinkDto,
): Promise<{ link: string; expiresAt: string }> =>
  bodyOf(await ask(who, `/calls/${id}/links`, json('POST', said)));
export const withdrawReportLink = (who: string, id: string): Promise<Response> =>
  ask(who, `/links/${id}`, { method: 'DELETE' });
export const fetchMeters = (who: string): Promise<ApiAnswer<ShopMeter[]>> => read(who, '/meters');
export const putMeter = (who: string, { id, ...body }: ShopMeter): Promise<Response> =>
  ask(who, `/meters/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
export const deleteMeter = (who: string, id: string): Promise<Response> =>
  ask(who, `/meters/${id}`, { method: 'DELETE' });
export const fetchDiagrams = (who: string): Promise<ApiAnswer<DiagramSummary[]>> =>
  read(who, '/diagrams');

const diagramPath = (id: string, version: number): string => `/diagrams/${id}/${version}`;

/** A version of a diagram as pages for the truck, a PDF; drawn on the server, which takes its time. */
export const fetchDiagramPage = async (who: string, id: string, version: number): Promise<Blob> =>
  (await ask(who, `${diagramPath(id, version)}/page.pdf`, {}, PAGE_PATIENCE_MS)).blob();

/** One version of a diagram: versions never change, so what is on the device is as good as the server's. */
export async function diagramOnDevice(who: string, id: string, version: number): Promise<Diagram> {
  const path = diagramPath(id, version);
  const kept = await keptAnswer(keyOf(who, path));
  return kept === undefined ? (await read<Diagram>(who, path)).value : (kept as Diagram);
}

/** Stores the next version of a diagram, from a file's text: once for each `sentAs`. */
export async function storeDiagram(
  who: string,
  sentAs: string,
  file: string,
): Promise<{ id: string; version: number }> {
  return bodyOf(await ask(who, `/diagrams/${sentAs}`, asFile('PUT', file)));
}

/** Which sheets the models of the shop use. */
export const fetchModelSheets = (who: string): Promise<ApiAnswer<ModelSheet[]>> =>
  read(who, '/models');
/** Says which sheet a model uses from now on; null for none. */
export const sayModelSheet = (
  who: string,
  sentAs: string,
  said: Omit<ModelSheet, 'diagram'> & { diagram: string | null },
): Promise<Response> => ask(who, `/models/${sentAs}`, json('PUT', said));

/** A whole library is checked before it is compared or stored, which takes its time. */
const LIBRARY_PATIENCE_MS = 90_000;
const asFile = (method: 'POST' | 'PUT', body: string): RequestInit => ({
  method,
  headers: { 'content-type': 'text/plain' },
  body,
});

const PAGE_PATIENCE_MS = 25_000;
/** A photo is read cell by cell, after those that came before it. */
const READING_PATIENCE_MS = 70_000;

/** The tables that the server finds in a photo of a sheet. */
export async function readTablePhoto(who: string, jpeg: string): Promise<PhotoTable[]> {
  const init = {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ jpeg }),
  };
  const answer = await ask(who, '/table-photos', init, READING_PATIENCE_MS);
  return (await bodyOf<PhotoTables>(answer)).tables;
}

/** The shop's library as one file. */
export const fetchLibrary = async (who: string): Promise<string> =>
  (await ask(who, '/library', {}, LIBRARY_PATIENCE_MS)).text();

/** What a library file has beside what the shop has. */
export async function compareLibrary(who: string, file: string): Promise<ComparedDiagram[]> {
  const answer = await ask(who, '/library', asFile('POST', file), LIBRARY_PATIENCE_MS);
  return (await bodyOf<{ diagrams: ComparedDiagram[] }>(answer)).diagrams;
}

/** Stores what is new or different in a library file, all of it or nothing. @returns how many diagrams */
export async function storeLibrary(who: string, sentAs: string, file: string): Promise<number> {
  const answer = await ask(who, `/library/${sentAs}`, asFile('PUT', file), LIBRARY_PATIENCE_MS);
  return (await bodyOf<{ stored: string[] }>(answer)).stored.length;
}

/** Takes a diagram from the shop's list, by its newest version. */
export const withdrawDiagram = (
  who: string,
  sentAs: string,
  withdrawn: { diagram: string; version: number },
): Promise<Response> => ask(who, `/withdrawals/${sentAs}`, json('PUT', withdrawn));

/** Requests for bodies at one start, at most; what is left comes with the next. */
const MOST_ROUNDS = 3;

/** Brings the bodies of a list onto the device, many with one request. */
export async function keepDiagrams(who: string, list: readonly DiagramSummary[]): Promise<void> {
  const pathOf = ({ id, version }: DiagramSummary): string => keyOf(who, diagramPath(id, version));
  const kept = new Set(await keptAnswers());
  let missing = list.filter((each) => !kept.has(pathOf(each)));
  for (let round = 0; round < MOST_ROUNDS && missing.length; round++) {
    const wanted = new Set(missing.map(({ id, version }) => `${id}/${version}`));
    const have = list
      .map(({ id, version }) => `${id}/${version}`)
      .filter((key) => !wanted.has(key));
    const response = await ask(who, '/diagrams/bodies', json('POST', { have }));
    const bodies = await bodyOf<DiagramBody[]>(response);
    await keepAnswers(
      Object.fromEntries(
        bodies.map(({ id, version, body }) => [keyOf(who, diagramPath(id, version)), body]),
      ),
    );
    const came = new Set(bodies.map(({ id, version }) => `${id}/${version}`));
    const left = missing.filter(({ id, version }) => !came.has(`${id}/${version}`));
    if (left.length === missing.length) return;
    missing = left;
  }
}

export const json = (method: 'POST' | 'PUT', body: unknown): RequestInit => ({
  method,
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});

/** Sends one write. It carries its own id, so that sending it twice stores it once. */
export async function write(who: string, to: string, id: string, body: unknown): Promise<void> {
  const response = await ask(who, `/${to}/${id}`, json('PUT', body));
  if (response.headers.get(STORED_HEADER) !== id)
    throw new Away('the server did not say that it has stored this');
}

/** Sends entries together; the answers are in their order, one for each. */
export async function writeEntries(
  who: string,
  entries: readonly { id: string; entry: unknown }[],
): Promise<EntryResult[]> {
  const response = await ask(who, '/entries', json('POST', { entries }));
  const { results } = await bodyOf<{ results?: EntryResult[] }>(response);
  const answered = entries.every(({ id }, i) => results?.[i]?.id === id);
  if (!results || !answered) throw new Away('the server did not answer for every entry');
  return results;
}
