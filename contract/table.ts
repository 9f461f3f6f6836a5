import 'reflect-metadata/lite';
import { IsInt, IsNotEmpty, IsString, IsUUID, Max, MaxLength, Min } from 'class-validator';
import { MOST_VERSIONS } from './diagram';
import { IsMoment } from './moment';

/** A contact table read from CSV, for one switch of the diagram that a call is worked with. */
export class NewTableDto {
  @IsUUID()
  callId!: string;

  @IsInt()
  @Min(1)
  @Max(MOST_VERSIONS)
  diagramVersion!: number;

  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  part!: string;

  @IsNotEmpty()
  @IsString()
  @MaxLength(200_000)
  csv!: string;

  @IsMoment()
  phoneAt!: string;
}
