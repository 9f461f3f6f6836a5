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
import { FELT, HOW_FOUND, type Felt } from '../../core/call/evidence';
import type { Records } from '../../core/call/record';

/** A temperature, a pressure, an airflow, a level as it was found, in the unit of its actuator. */
export class MeasurementBody implements Measurement {
  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  actuator!: string;

  @IsNumber()
  @Min(-100_000)
  @Max(100_000)
  value!: number;

  @IsIn(HOW_FOUND)
  how!: Measurement['how'];

  @IsOptional()
  @IsIn(FELT)
  felt?: Felt;

  @IsOptional()
  @IsString()
  @MaxLength(500)
  steps?: string;
}
type Measurement = Records['measurement'];
