import 'reflect-metadata/lite';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
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
import type { ReadingRecord } from '../../core/call/record';
import type { TerminalRef } from '../../core/diagram/diagram';
import { SetupDto } from './setup';
import { asTerminal, TERMINAL } from './terminal';

/** A reading as it was taken. `said` is what the display said, as it was said. */
export class ReadingBody implements ReadingRecord {
  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  part!: string;

  @Matches(TERMINAL, asTerminal)
  from!: TerminalRef;

  @Matches(TERMINAL, asTerminal)
  to!: TerminalRef;

  @IsObject({ message: 'say what must be true while it is read' })
  @ValidateNested()
  @Type(() => SetupDto)
  setup!: SetupDto;

  @IsBoolean()
  wiggle!: boolean;

  @IsBoolean()
  lookedAgain!: boolean;

  @IsIn(['ohm', 'beeper', 'volt'])
  function!: ReadingRecord['function'];

  @IsOptional()
  @IsString()
  @MaxLength(500)
  steps?: string;

  @IsOptional()
  @IsIn(['twin', 'bench'])
  of?: 'twin' | 'bench';

  @IsOptional()
  @IsString()
  @MaxLength(40)
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

  @IsArray()
  @ArrayMaxSize(200)
  @IsUUID(undefined, { each: true })
  supersedes!: string[];
}
