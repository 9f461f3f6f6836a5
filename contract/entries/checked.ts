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
  ValidateIf,
} from 'class-validator';
import { CHECK_OUTCOMES, CHECKS, GRADES, type Checked } from '../../core/call/closingCheck';

/** What came of a check before a unit is handed back. */
export class CheckedBody implements Checked {
  @IsIn(CHECKS)
  check!: Checked['check'];

  @IsOptional()
  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  of?: string;

  @IsIn(CHECK_OUTCOMES)
  outcome!: Checked['outcome'];

  @IsOptional()
  @IsIn(GRADES)
  grade?: NonNullable<Checked['grade']>;

  @IsOptional()
  @IsNumber()
  @Min(-100_000)
  @Max(100_000)
  value?: number;

  @ValidateIf(({ outcome, words }: Checked) => outcome === 'not-done' || words !== undefined)
  @IsNotEmpty({ message: 'say why it was not done' })
  @IsString()
  @MaxLength(300)
  words?: string;
}
