import 'reflect-metadata/lite';
import { IsNotEmpty, IsOptional, IsString, MaxLength } from 'class-validator';
import type { Records } from '../../core/call/record';

/** What was written down of the unit or its complaint, as it should have been. */
export class CorrectionBody implements Correction {
  @IsOptional()
  @IsNotEmpty({ message: 'say which make it is, or "unknown"' })
  @IsString()
  @MaxLength(80)
  make?: string;

  @IsOptional()
  @IsNotEmpty({ message: 'say which model it is, or "unknown"' })
  @IsString()
  @MaxLength(80)
  model?: string;

  @IsOptional()
  @IsNotEmpty({ message: 'say where it stands' })
  @IsString()
  @MaxLength(160)
  place?: string;

  @IsOptional()
  @IsString()
  @MaxLength(80)
  customer?: string;

  @IsOptional()
  @IsNotEmpty({ message: 'say what the unit does or does not do' })
  @IsString()
  @MaxLength(500)
  complaint?: string;
}
type Correction = Records['correction'];
