import 'reflect-metadata/lite';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsObject,
  IsUUID,
  ValidateNested,
} from 'class-validator';
import type { Records } from '../core/call/record';
import { fail, ok, type Result } from '../core/result';
import { AcknowledgementBody } from './entries/acknowledgement';
import { ActBody } from './entries/act';
import { CauseBody } from './entries/cause';
import { CheckedBody } from './entries/checked';
import { ClosedBody } from './entries/closed';
import { CorrectionBody } from './entries/correction';
import { DecisionBody } from './entries/decision';
import { DiagramVersionBody } from './entries/diagramVersion';
import { FitBody } from './entries/fit';
import { FoundBody } from './entries/found';
import { LookBody } from './entries/look';
import { MeasurementBody } from './entries/measurement';
import { OrderBody } from './entries/order';
import { OpenedBody } from './entries/opened';
import { PutRightBody } from './entries/putRight';
import { ReadingBody } from './entries/reading';
import { RefusalBody } from './entries/refusal';
import { RetractionBody } from './entries/retraction';
import { SightBody } from './entries/sight';
import { StageBody } from './entries/stage';
import { StatementBody } from './entries/statement';
import { WireMapBody } from './entries/wireMap';
import { IsMoment } from './moment';
import { MOST_ENTRIES } from './limits';
import type { InputFault, Problem } from './problem';
import { isObject, readDto, readShape } from './readDto';
import { unstorable } from './storable';

export type EntryKind = keyof Records;

/** The shape of each kind's body; adding a kind is adding its file and a line here. */
const BODIES: { [K in EntryKind]: new () => Records[K] } = {
  reading: ReadingBody,
  doubt: RetractionBody,
  acknowledged: AcknowledgementBody,
  stage: StageBody,
  diagram: DiagramVersionBody,
  statement: StatementBody,
  look: LookBody,
  sight: SightBody,
  measurement: MeasurementBody,
  act: ActBody,
  refusal: RefusalBody,
  correction: CorrectionBody,
  opened: OpenedBody,
  closed: ClosedBody,
  'wire-map': WireMapBody,
  cause: CauseBody,
  found: FoundBody,
  order: OrderBody,
  fit: FitBody,
  checked: CheckedBody,
  decision: DecisionBody,
  'put-right': PutRightBody,
};

class NewEntryDto {
  @IsUUID()
  callId!: string;

  @IsIn(Object.keys(BODIES))
  kind!: EntryKind;

  /** The phone's own clock, UTC. */
  @IsMoment()
  phoneAt!: string;

  @IsObject()
  body!: object;
}

type OfKind<K extends EntryKind> = { callId: string; kind: K; phoneAt: string; body: Records[K] };
/** A line of a call's log, as the phone sends it. Entries are only ever added. */
export type NewEntry = { [K in EntryKind]: OfKind<K> }[EntryKind];
/** As the server has it, with the name of who entered it; of nobody where the server wrote it itself, or there were no people yet. */
export type Entry = NewEntry & { id: string; by?: string };

/**
 * Reads the shape of an entry, with the body that its kind asks for. Whether its names are in the
 * diagram of its call is asked by `core/call/entryFindings.ts`.
 */
export function readEntry(value: unknown): Result<NewEntry, InputFault[]> {
  if (!isObject(value)) return fail([{ path: '', message: 'must be an object' }]);
  const wrong = unstorable(value);
  if (wrong) return fail([wrong]);
  const { body: said } = value;
  // What is inside is read by its kind, and once.
  const entry = readShape(NewEntryDto, isObject(said) ? { ...value, body: {} } : value);
  if (!entry.ok) return entry;
  const { callId, kind, phoneAt } = entry.value;
  const body = readShape<Records[EntryKind]>(BODIES[kind], said as Record<string, unknown>);
  if (!body.ok) return fail(body.error.map((each) => ({ ...each, path: `/body${each.path}` })));
  return ok({ callId, kind, phoneAt, body: body.value } as NewEntry);
}

/** One of several entries; its own shape is checked by itself, so that one fault refuses one entry. */
export class SentEntry {
  @IsUUID()
  id!: string;

  @IsObject()
  entry!: object;
}

/** Entries that wait on a phone, sent together: each with its id, in the order they were made. */
class NewEntriesDto {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(MOST_ENTRIES)
  @ValidateNested({ each: true })
  @Type(() => SentEntry)
  entries!: SentEntry[];
}

/** What became of one of several entries. */
export interface EntryResult {
  id: string;
  /** As it would have been answered alone. */
  status: number;
  problem?: Problem;
}

export function readEntries(value: unknown): Result<SentEntry[], InputFault[]> {
  if (!isObject(value)) return fail([{ path: '', message: 'must be an object' }]);
  const { entries } = value;
  const outside = (each: unknown): unknown =>
    isObject(each) && isObject(each.entry) ? { ...each, entry: {} } : each;
  const sent = readDto(
    NewEntriesDto,
    Array.isArray(entries) && entries.length <= MOST_ENTRIES
      ? { ...value, entries: entries.map(outside) }
      : value,
  );
  return sent.ok ? ok(entries as SentEntry[]) : sent;
}
