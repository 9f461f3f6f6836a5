import 'reflect-metadata/lite';
import { IsInt, IsString, Max, MaxLength, Min } from 'class-validator';
import { MOST_VERSIONS } from '../diagram';

/** The call goes on with another version of its diagram. */
export class DiagramVersionBody {
  @IsInt()
  @Min(1)
  @Max(MOST_VERSIONS)
  version!: number;

  @IsString()
  @MaxLength(200)
  reason!: string;
}
