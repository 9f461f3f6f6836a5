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
import { DiagramVersionBody } from './entries/diagramVersion';
import { LookBody } from './entries/look';
import { ReadingBody } from './entries/reading';
import { RetractionBody } from './entries/retraction';
import { StageBody } from './entries/stage';
import { StatementBody } from './entries/statement';
import { IsMoment } from './moment';
import type { InputFault, Problem } from './problem';
import { readDto } from './readDto';

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
  act: ActBody,
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
export type Entry = NewEntry & { id: string };

/**
 * Reads the shape of an entry, with the body that its kind asks for. Whether its names are in the
 * diagram of its call is asked by `core/call/entryFindings.ts`.
 */
export function readEntry(value: unknown): Result<NewEntry, InputFault[]> {
  const entry = readDto(NewEntryDto, value);
  if (!entry.ok) return entry;
  const { callId, kind, phoneAt } = entry.value;
  const body = readDto<Records[EntryKind]>(BODIES[kind], entry.value.body);
  if (!body.ok) return fail(body.error.map((each) => ({ ...each, path: `/body${each.path}` })));
  return ok({ callId, kind, phoneAt, body: body.value } as NewEntry);
}

/** Entries in one request. */
export const MOST_ENTRIES = 50;

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
  const sent = readDto(NewEntriesDto, value);
  return sent.ok ? ok(sent.value.entries) : sent;
}
