import 'reflect-metadata/lite';
import { IsInt, IsString, MaxLength, Min } from 'class-validator';

/** The call goes on with another version of its diagram. */
export class DiagramVersionBody {
  @IsInt()
  @Min(1)
  version!: number;

  @IsString()
  @MaxLength(200)
  reason!: string;
}
