import 'reflect-metadata/lite';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsIn,
  IsNumber,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
} from 'class-validator';
import { ACKNOWLEDGED, type Acknowledgement } from '../../core/call/record';
import type { TerminalRef } from '../../core/diagram/diagram';
import { asTerminal, TERMINAL } from './terminal';

/** A step that stops the flow until somebody says that it is done. */
export class AcknowledgementBody implements Acknowledgement {
  @IsIn(ACKNOWLEDGED)
  what!: Acknowledgement['what'];

  @IsOptional()
  @IsString()
  @MaxLength(80)
  part?: string;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(20)
  leadOhms?: number;

  @IsOptional()
  @IsString()
  @MaxLength(60)
  meter?: string;

  /** Left of the visit. */
  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(600)
  minutes?: number;

  /** Where a jumper was clipped on, or taken off. */
  @IsOptional()
  @ArrayMinSize(2)
  @ArrayMaxSize(2)
  @Matches(TERMINAL, { ...asTerminal, each: true })
  jumper?: [TerminalRef, TerminalRef];
}
