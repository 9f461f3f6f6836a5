import 'reflect-metadata/lite';
import {
  IsIn,
  IsNotEmpty,
  IsNumber,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
} from 'class-validator';
import { FOUND_BY, type Found } from '../../core/call/decision';
import { ALL_MODES, type Mode } from '../../core/fault/fault';

/** What was found to be wrong, taken over from a verdict or said by the technician. */
export class FoundBody implements Found {
  @IsOptional()
  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  part?: string;

  @IsOptional()
  @IsNotEmpty()
  @IsString()
  @MaxLength(200)
  name?: string;

  @IsOptional()
  @IsIn(ALL_MODES)
  mode?: Mode;

  @IsNotEmpty({ message: 'say what is wrong with it' })
  @IsString()
  @MaxLength(200)
  says!: string;

  @IsNumber()
  @Min(0)
  @Max(1)
  chance!: number;

  @IsIn(FOUND_BY)
  by!: Found['by'];
}
