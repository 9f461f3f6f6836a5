import 'reflect-metadata/lite';
import { IsIn, IsNotEmpty, IsString, MaxLength } from 'class-validator';
import { SIGHTS } from '../../core/call/evidence';
import type { Records } from '../../core/call/record';

/** Something that was noticed of a part, and is in no list of looks. */
export class SightBody implements Sight {
  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  part!: string;

  @IsIn(SIGHTS)
  sight!: Sight['sight'];
}
type Sight = Records['sight'];
