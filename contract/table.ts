import 'reflect-metadata/lite';
import { IsDateString, IsInt, IsNotEmpty, IsString, IsUUID, MaxLength, Min } from 'class-validator';

/** A contact table read from CSV, for one switch of the diagram that a call is worked with. */
export class NewTableDto {
  @IsUUID()
  callId!: string;

  @IsInt()
  @Min(1)
  diagramVersion!: number;

  @IsNotEmpty()
  @IsString()
  part!: string;

  @IsNotEmpty()
  @IsString()
  @MaxLength(200_000)
  csv!: string;

  @IsDateString()
  phoneAt!: string;
}
