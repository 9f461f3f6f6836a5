import 'reflect-metadata/lite';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsDateString,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import { ACTS, type ActEvidence } from '../core/call/evidence';
import type { TerminalRef } from '../core/diagram/diagram';
import type { QuantityState } from '../core/diagram/setup';
import { parseDisplay, parseVolts, type Display } from '../core/meter/display';
import { fail, ok, type Result } from '../core/result';
import type { InputFault } from './problem';
import { readDto } from './readDto';

const TERMINAL = /^[^.]+\.[^.]+$/;
const asTerminal = { message: 'must be written part.terminal' };

export class SetupDto {
  @IsIn(['off', 'on', 'unknown'])
  power!: 'off' | 'on' | 'unknown';

  /** Supplies that are not as `power` says. */
  @IsArray()
  @ArrayMaxSize(20)
  @IsString({ each: true })
  except!: string[];

  @IsObject()
  actuators!: Record<string, string | QuantityState>;

  @IsObject()
  byHand!: Record<string, string>;

  @IsArray()
  @ArrayMaxSize(60)
  @Matches(TERMINAL, { ...asTerminal, each: true })
  lifted!: TerminalRef[];

  @IsArray()
  @ArrayMaxSize(60)
  @IsString({ each: true })
  partsOut!: string[];

  @IsArray()
  @ArrayMaxSize(20)
  @IsArray({ each: true })
  jumpers!: [TerminalRef, TerminalRef][];
}

/** A reading as it was taken. `said` is what the display said, as it was said. */
export class ReadingBody {
  @IsNotEmpty()
  @IsString()
  part!: string;

  @Matches(TERMINAL, asTerminal)
  from!: TerminalRef;

  @Matches(TERMINAL, asTerminal)
  to!: TerminalRef;

  @ValidateNested()
  @Type(() => SetupDto)
  setup!: SetupDto;

  @IsBoolean()
  wiggle!: boolean;

  @IsBoolean()
  lookedAgain!: boolean;

  @IsIn(['ohm', 'beeper', 'volt'])
  function!: 'ohm' | 'beeper' | 'volt';

  /** Of a live reading: what the unit had been brought to do, as steps. */
  @IsOptional()
  @IsString()
  @MaxLength(500)
  steps?: string;

  /** Read on a good twin of the unit, to prove leads, setup and expectation; this unit when absent. */
  @IsOptional()
  @IsIn(['twin'])
  of?: 'twin';

  @IsOptional()
  @IsString()
  range?: string;

  @IsString()
  @MaxLength(40)
  meter!: string;

  /** Lead resistance noted before, ohm. */
  @IsNumber()
  @Min(0)
  @Max(20)
  leadOhms!: number;

  @IsNotEmpty()
  @IsString()
  @MaxLength(40)
  said!: string;

  /** Earlier readings that this one takes the place of. */
  @IsArray()
  @ArrayMaxSize(200)
  @IsUUID(undefined, { each: true })
  supersedes!: string[];
}

/** An earlier entry is taken back; it stays in the log. */
export class RetractionBody {
  @IsUUID()
  names!: string;

  @IsNotEmpty()
  @IsString()
  @MaxLength(200)
  reason!: string;
}

/** A step that stops the flow until somebody says that it is done. */
export class AcknowledgedBody {
  @IsIn(['made-safe', 'meter-proved', 'wires-off', 'stood-clear'])
  what!: 'made-safe' | 'meter-proved' | 'wires-off' | 'stood-clear';

  @IsOptional()
  @IsString()
  part?: string;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(20)
  leadOhms?: number;
}

export class StageBody {
  @IsIn(['open', 'done'])
  stage!: 'open' | 'done';
}

/** What the customer told or the technician saw: in the last of these steps, this does that. */
export class StatementBody {
  @IsIn(['told', 'seen'])
  source!: 'told' | 'seen';

  @IsNotEmpty()
  @IsString()
  @MaxLength(500)
  steps!: string;

  @IsNotEmpty()
  @IsString()
  subject!: string;

  @IsNotEmpty()
  @IsString()
  @MaxLength(200)
  outcome!: string;

  /** A bridge that was clipped on for this try alone. */
  @IsOptional()
  @ArrayMinSize(2)
  @ArrayMaxSize(2)
  @Matches(TERMINAL, { ...asTerminal, each: true })
  jumper?: [TerminalRef, TerminalRef];
}

/** Something that may have changed the unit: what is read after it does not clear the part. */
export class ActBody {
  @IsNotEmpty()
  @IsString()
  part!: string;

  @IsIn(ACTS)
  act!: ActEvidence['act'];
}

/** A quick check without a meter. */
export class LookBody {
  @IsNotEmpty()
  @IsString()
  look!: string;

  @IsBoolean()
  found!: boolean;
}

/** The call goes on with another version of its diagram. */
export class DiagramBody {
  @IsInt()
  @Min(1)
  version!: number;

  @IsString()
  @MaxLength(200)
  reason!: string;
}

export interface EntryBodies {
  reading: ReadingBody;
  doubt: RetractionBody;
  acknowledged: AcknowledgedBody;
  stage: StageBody;
  diagram: DiagramBody;
  statement: StatementBody;
  look: LookBody;
  act: ActBody;
}
export type EntryKind = keyof EntryBodies;

const BODIES: { [K in EntryKind]: new () => EntryBodies[K] } = {
  reading: ReadingBody,
  doubt: RetractionBody,
  acknowledged: AcknowledgedBody,
  stage: StageBody,
  diagram: DiagramBody,
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
  @IsDateString()
  phoneAt!: string;

  @IsObject()
  body!: object;
}

type OfKind<K extends EntryKind> = {
  callId: string;
  kind: K;
  phoneAt: string;
  body: EntryBodies[K];
};
/** A line of a call's log, as the phone sends it. Entries are only ever added. */
export type NewEntry = { [K in EntryKind]: OfKind<K> }[EntryKind];
export type Entry = NewEntry & { id: string };

/** Reads an entry with the body that its kind asks for. */
export function readEntry(value: unknown): Result<NewEntry, InputFault[]> {
  const entry = readDto(NewEntryDto, value);
  if (!entry.ok) return entry;
  const { callId, kind, phoneAt } = entry.value;
  const body = readDto<EntryBodies[EntryKind]>(BODIES[kind], entry.value.body);
  if (!body.ok) return fail(body.error.map((each) => ({ ...each, path: `/body${each.path}` })));
  if (
    body.value instanceof ReadingBody &&
    !displayOf(body.value) &&
    voltsOf(body.value) === undefined
  )
    return fail([
      {
        path: '/body/said',
        message: `"${body.value.said}" is not a display that says one thing`,
      },
    ]);
  return ok({ callId, kind, phoneAt, body: body.value } as NewEntry);
}

type Said = Pick<ReadingBody, 'said' | 'function'>;

/** What a stored ohm or beeper reading showed; undefined for one of volts. */
export function displayOf({ said, function: meant }: Said): Display | undefined {
  if (meant === 'volt') return undefined;
  const parsed = parseDisplay(said);
  return parsed.ok ? parsed.value : undefined;
}

/** Volts that a stored live reading showed. */
export const voltsOf = ({ said, function: meant }: Said): number | undefined =>
  meant === 'volt' ? parseVolts(said) : undefined;
