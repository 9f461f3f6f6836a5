import 'reflect-metadata/lite';
import {
  IsBoolean,
  IsIn,
  IsNotEmpty,
  IsNumber,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
} from 'class-validator';
import { LIKENESS, type NewPart, type Likeness } from '../../core/call/candidate';

/** A part that may be fitted, held against the old one. */
export class FitBody implements NewPart {
  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  part!: string;

  @IsNotEmpty({ message: 'say what it is: its number, where it is from' })
  @IsString()
  @MaxLength(200)
  words!: string;

  @IsBoolean()
  used!: boolean;

  @IsOptional()
  @IsBoolean()
  approved?: boolean;

  @IsOptional()
  @IsIn(LIKENESS)
  contacts?: Likeness;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(10_000)
  amps?: number;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(100_000)
  volts?: number;

  @IsOptional()
  @IsNumber()
  @Min(-100_000)
  @Max(100_000)
  rising?: number;

  @IsOptional()
  @IsNumber()
  @Min(-100_000)
  @Max(100_000)
  falling?: number;

  @IsOptional()
  @IsIn(['automatic', 'manual'])
  reset?: 'automatic' | 'manual';

  @IsOptional()
  @IsIn(LIKENESS)
  lever?: Likeness;

  @IsOptional()
  @IsIn(LIKENESS)
  connectors?: Likeness;

  @IsOptional()
  @IsIn(LIKENESS)
  mounting?: Likeness;

  @IsOptional()
  @IsIn(LIKENESS)
  orientation?: Likeness;
}
