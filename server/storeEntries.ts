import { LRUCache } from 'lru-cache';
import type { NewEntry } from '../contract/entry';
import type { InputFault } from '../contract/problem';
import { findingsInEntry } from '../core/call/entryFindings';
import { openLines } from '../core/call/ledger';
import { sayLedgerLine } from '../core/describe/ledger';
import { diagramOfCall } from './db/calls';
import type { ShopRows } from './db/database';
import { findDiagram } from './db/diagrams';
import { listEntries, namedBy, type Added } from './db/entries';
import type { EntryWriter } from './db/entryWriter';
import { otherContent } from './conflict';
import { notFound, RefusedRequest, unusable } from './problems';

/** Which diagram calls were worked with when they were last heard of; the write itself looks again. */
type Worked = NonNullable<Added['worked']>;
const WORKED = new LRUCache<string, Worked>({ max: 20_000 });
/** A call's diagram changes now and then, not between one try and the next. */
const MOST_TRIES = 5;

/** An entry as it was sent, its shape checked. */
export interface SentShape {
  id: string;
  entry: NewEntry;
}

/** What became of an entry: a refusal, or undefined for one that is stored. */
export type Outcome = RefusedRequest | undefined;

/**
 * Stores the entries of one request, each that can be.
 * @returns what became of each, in their order
 */
export async function storeEntries(
  rows: ShopRows,
  writer: EntryWriter,
  person: string | undefined,
  sent: readonly SentShape[],
  skewMs: number,
): Promise<Outcome[]> {
  const outcomes: Outcome[] = sent.map(misnamed);
  let open = sent
    .map((each, place) => ({ ...each, place }))
    .filter(({ place }) => !outcomes[place]);
  for (let tries = 0; open.length && tries < MOST_TRIES; tries++) {
    const checked = [];
    const [now, later] = untilOneWaits(open);
    for (const each of now) {
      const found = await check(rows, each.entry);
      if (!found) outcomes[each.place] = notFound('such call');
      // What cannot be stored now may have been, by an earlier sending, with the diagram as it was.
      else
        checked.push({
          ...each,
          ...found,
          skewMs,
          person,
          diagramId: found.against.diagramId,
          version: found.faults.length ? 0 : found.against.version,
        });
    }
    const added = checked.length ? await writer.add(rows.shop, checked) : [];
    const again = checked.filter((each, at) => {
      const became = added[at];
      if (!became) throw new Error('an entry was sent to the database and nothing is told of it');
      if (became.worked) WORKED.set(keyOf(rows.shop, each.entry), became.worked);
      const outcome = outcomeOf(each, became);
      if (outcome === 'again') return true;
      outcomes[each.place] = outcome;
      return false;
    });
    open = [...again, ...later].sort((one, two) => one.place - two.place);
  }
  for (const { place } of open)
    outcomes[place] = new RefusedRequest(503, 'the call’s diagram changes just now; send it again');
  return outcomes;
}

/** How a line that keeps a call from being finished is closed. */
const WAY_OUT = {
  line: 'put it right and tick it, or say why it stays',
  cause: 'say what was found of each cause, or refuse to look in words',
};

interface Checked {
  /** The diagram that the entry was checked against. */
  against: Worked;
  faults: InputFault[];
  /** Lines of its call's log, where it was checked against all of them. */
  known?: number;
}

/** Checks an entry against the diagram of its call; undefined where there is no such call. */
async function check(rows: ShopRows, entry: NewEntry): Promise<Checked | undefined> {
  const worked = WORKED.get(keyOf(rows.shop, entry)) ?? (await diagramOfCall(rows, entry.callId));
  if (!worked) return undefined;
  const diagram = await findDiagram(rows, worked.diagramId, worked.version);
  if (!diagram) throw new Error(`call ${entry.callId} names a diagram version that is not stored`);
  const faults = findingsInEntry(diagram, entry).map(({ path, message }) => ({ path, message }));
  if (entry.kind === 'correction' && entry.body.diagramId !== undefined) {
    const { diagramId, diagramVersion = 0 } = entry.body;
    if (!(await findDiagram(rows, diagramId, diagramVersion)))
      faults.push({
        path: '/body/diagramId',
        message: `there is no diagram "${diagramId}" version ${diagramVersion}`,
      });
  }
  let known: number | undefined;
  if (entry.kind === 'stage' && entry.body.stage === 'done') {
    const log = await listEntries(rows, entry.callId);
    known = log.length;
    faults.push(
      ...openLines(diagram, log).map((line) => ({
        path: '/body/stage',
        message: `${sayLedgerLine(diagram, line)}: ${WAY_OUT[line.what === 'cause' ? 'cause' : 'line']} ("${line.key}")`,
      })),
    );
  }
  return { against: worked, faults, known };
}

/**
 * Entries up to the first of each call that changes its diagram, and those that are checked against the new one after.
 * What finishes a call is asked for what came before it, too.
 */
function untilOneWaits<T extends Pick<SentShape, 'entry'>>(entries: readonly T[]): [T[], T[]] {
  const changed = new Set<string>();
  const begun = new Set<string>();
  const [now, later]: [T[], T[]] = [[], []];
  for (const each of entries) {
    const { callId, kind, body } = each.entry;
    if (kind === 'stage' && body.stage === 'done' && begun.has(callId)) changed.add(callId);
    begun.add(callId);
    (changed.has(callId) ? later : now).push(each);
    if (kind === 'correction' && body.diagramId !== undefined) changed.add(callId);
  }
  return [now, later];
}

/** Refuses what is no business of a phone, whatever its call is. */
function misnamed({ id, entry }: SentShape): Outcome {
  // A change of diagram is written by the server itself, when a table comes in.
  if (entry.kind === 'diagram')
    return unusable([{ path: '/kind', message: 'is written by the server when a table comes in' }]);
  if (namedBy(entry).includes(id))
    return unusable([{ path: placeOfNames(entry), message: 'an entry does not name itself' }]);
  return undefined;
}

/** What is answered to an entry, or that it has to be checked against another version. */
function outcomeOf(
  { entry, against, faults }: SentShape & Checked,
  { added, stored, worked, named }: Added,
): Outcome | 'again' {
  if (added) return undefined;
  if (stored) return otherContent('entry', entry, stored);
  if (!worked) return notFound('such call');
  if (worked.diagramId !== against.diagramId || worked.version !== against.version) return 'again';
  if (faults.length) return unusable(faults);
  if (named < namedBy(entry).length) {
    const message = 'names an entry that is not in the log of this call';
    return unusable([{ path: placeOfNames(entry), message }]);
  }
  return 'again';
}

const keyOf = (shop: string, { callId }: NewEntry): string => `${shop} ${callId}`;

const placeOfNames = ({ kind }: NewEntry): string =>
  kind === 'doubt' ? '/body/names' : '/body/supersedes';
