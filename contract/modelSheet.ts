import 'reflect-metadata/lite';
import {
  IsInt,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
} from 'class-validator';
import { MOST_VERSIONS } from './diagram';

/** Which sheet a model uses, from now on; without a diagram it uses none that is known. */
export class ModelSheetDto {
  @IsString()
  @MaxLength(80)
  make!: string;

  @IsString()
  @MaxLength(80)
  @Matches(/[A-Za-z0-9]/, {
    message: 'pattern must have a letter or a figure: WD2*, and not * alone',
  })
  pattern!: string;

  @ValidateIf((sheet: ModelSheetDto) => sheet.diagram !== null)
  @IsString()
  @Matches(/^[A-Za-z0-9_+-]{1,40}$/, { message: 'diagram must be the id of a diagram, or null' })
  diagram!: string | null;

  @IsOptional()
  @IsInt()
  @Min(1)
  @Max(MOST_VERSIONS)
  version?: number;
}
