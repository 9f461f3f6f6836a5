import 'reflect-metadata/lite';
import { IsIn, IsNotEmpty, IsString, MaxLength } from 'class-validator';
import { ACTS } from '../../core/call/evidence';
import type { Records } from '../../core/call/record';

/** Something that may have changed the unit: what is read after it does not clear the part. */
export class ActBody implements Act {
  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  part!: string;

  @IsIn(ACTS)
  act!: Act['act'];
}
type Act = Records['act'];
