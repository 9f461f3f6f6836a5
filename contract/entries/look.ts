import 'reflect-metadata/lite';
import { IsBoolean, IsNotEmpty, IsString, MaxLength } from 'class-validator';
import type { Records } from '../../core/call/record';

/** A quick check without a meter. */
export class LookBody implements Look {
  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  look!: string;

  @IsBoolean()
  found!: boolean;
}
type Look = Records['look'];
