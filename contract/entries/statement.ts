import 'reflect-metadata/lite';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsIn,
  IsNotEmpty,
  IsOptional,
  IsString,
  Matches,
  MaxLength,
} from 'class-validator';
import { HOW_OFTEN, type HowOften } from '../../core/call/evidence';
import type { Records } from '../../core/call/record';
import type { TerminalRef } from '../../core/diagram/diagram';
import { asTerminal, TERMINAL } from './terminal';

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

  /** A bridge that was clipped on for this try alone. */
  @IsOptional()
  @ArrayMinSize(2)
  @ArrayMaxSize(2)
  @Matches(TERMINAL, { ...asTerminal, each: true })
  jumper?: [TerminalRef, TerminalRef];
}
type Statement = Records['statement'];
