import 'reflect-metadata/lite';
import { Type } from 'class-transformer';
import {
  IsInt,
  IsNotEmpty,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import type { Found } from '../core/call/decision';
import type { Diagram } from '../core/diagram/diagram';
import type { FoundCounts } from '../core/inference/shopPriors';
import { MOST_VERSIONS } from './diagram';
import type { Entry } from './entry';
import { IsMoment } from './moment';

/** The physical machine at a place. */
export class ApplianceDto {
  @IsUUID()
  id!: string;

  @IsNotEmpty({ message: 'say which make it is, or "unknown"' })
  @IsString()
  @MaxLength(80)
  make!: string;

  @IsNotEmpty({ message: 'say which model it is, or "unknown"' })
  @IsString()
  @MaxLength(80)
  model!: string;

  @IsNotEmpty({ message: 'say where it stands' })
  @IsString()
  @MaxLength(160)
  place!: string;

  @IsOptional()
  @IsString()
  @MaxLength(80)
  customer?: string;
}

/** One visit for one complaint, as the phone sends it. */
export class NewCallDto {
  @IsObject({ message: 'say which appliance it is' })
  @ValidateNested()
  @Type(() => ApplianceDto)
  appliance!: ApplianceDto;

  @IsNotEmpty({ message: 'choose the diagram that the unit is worked with' })
  @IsString()
  @MaxLength(80)
  diagramId!: string;

  @IsInt()
  @Min(1)
  @Max(MOST_VERSIONS)
  diagramVersion!: number;

  @IsNotEmpty({ message: 'say what the unit does or does not do' })
  @IsString()
  @MaxLength(500)
  complaint!: string;

  /** The phone's own clock, UTC. */
  @IsMoment()
  phoneAt!: string;
}

export type Stage = 'open' | 'done';

export interface CallSummary {
  id: string;
  appliance: ApplianceDto;
  complaint: string;
  diagramId: string;
  diagramVersion: number;
  diagramName: string;
  stage: Stage;
  /** The last verdict that was taken over, and not taken back. */
  found: Found | null;
  readings: number;
  phoneAt: string;
  lastAt: string;
}

/** A page of calls, the last worked first. */
export interface CallPage {
  calls: CallSummary[];
  /** Asked for with `after`, brings the next page; null where there is none. */
  next: string | null;
}

export interface CallDetail extends CallSummary {
  diagram: Diagram;
  entries: Entry[];
  /** What the shop found in other units with the same diagram; none where it has not found anything, or was not asked yet. */
  foundBefore?: FoundCounts;
}
