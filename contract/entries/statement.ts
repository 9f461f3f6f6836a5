import 'reflect-metadata/lite';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsIn,
  IsNotEmpty,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import { HOW_OFTEN, type HowOften } from '../../core/call/evidence';
import type { Records } from '../../core/call/record';
import type { TerminalRef } from '../../core/diagram/diagram';
import type { OnAndOff } from '../../core/behaviour/onAndOff';
import { MOST_SECONDS } from '../limits';
import { asTerminal, TERMINAL } from './terminal';

/** How long it is on and off at a time, by a clock. */
export class OnAndOffDto implements OnAndOff {
  @IsNumber()
  @Min(0)
  @Max(MOST_SECONDS)
  on!: number;

  @IsNumber()
  @Min(0)
  @Max(MOST_SECONDS)
  off!: number;
}

/** What the customer told or the technician saw: in the last of these steps, this does that. */
export class StatementBody implements Statement {
  @IsIn(['told', 'seen'])
  source!: Statement['source'];

  @IsNotEmpty()
  @IsString()
  @MaxLength(500)
  steps!: string;

  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  subject!: string;

  @IsNotEmpty()
  @IsString()
  @MaxLength(200)
  outcome!: string;

  @IsOptional()
  @IsIn(HOW_OFTEN)
  often?: HowOften;

  @IsOptional()
  @IsNotEmpty()
  @IsString()
  @MaxLength(100)
  since?: string;

  @IsOptional()
  @IsObject()
  @ValidateNested()
  @Type(() => OnAndOffDto)
  seconds?: OnAndOffDto;

  /** A bridge that was clipped on for this try alone. */
  @IsOptional()
  @ArrayMinSize(2)
  @ArrayMaxSize(2)
  @Matches(TERMINAL, { ...asTerminal, each: true })
  jumper?: [TerminalRef, TerminalRef];
}
type Statement = Records['statement'];
