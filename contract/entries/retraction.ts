import 'reflect-metadata/lite';
import { IsNotEmpty, IsString, IsUUID, MaxLength } from 'class-validator';
import type { Records } from '../../core/call/record';

/** An earlier entry is taken back; it stays in the log. Stored under the kind `doubt`. */
export class RetractionBody implements Retraction {
  @IsUUID()
  names!: string;

  @IsNotEmpty()
  @IsString()
  @MaxLength(200)
  reason!: string;
}
type Retraction = Records['doubt'];
