import 'reflect-metadata/lite';
import { IsInt, IsOptional, IsString, Max, MaxLength, Min } from 'class-validator';
import { MOST_VERSIONS } from '../diagram';

/** The call goes on with another version of its diagram. */
export class DiagramVersionBody {
  /** Of which diagram; that which the call was begun with where it is not said. */
  @IsOptional()
  @IsString()
  @MaxLength(80)
  diagram?: string;

  @IsInt()
  @Min(1)
  @Max(MOST_VERSIONS)
  version!: number;

  @IsString()
  @MaxLength(200)
  reason!: string;
}
