import 'reflect-metadata/lite';
import {
  IsInt,
  IsNotEmpty,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateIf,
} from 'class-validator';
import { MOST_VERSIONS } from '../diagram';
import type { Records } from '../../core/call/record';

/** A diagram is named with its version, and a version with its diagram. */
const saysDiagram = ({ diagramId, diagramVersion }: Correction): boolean =>
  diagramId !== undefined || diagramVersion !== undefined;

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

  @ValidateIf(saysDiagram)
  @IsNotEmpty({ message: 'choose the diagram that the unit is worked with' })
  @IsString()
  @MaxLength(80)
  diagramId?: string;

  @ValidateIf(saysDiagram)
  @IsInt()
  @Min(1)
  @Max(MOST_VERSIONS)
  diagramVersion?: number;
}
type Correction = Records['correction'];
