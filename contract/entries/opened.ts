import 'reflect-metadata/lite';
import { IsIn, IsNotEmpty, IsString, MaxLength } from 'class-validator';
import { OPENED_BY_HAND } from '../../core/call/ledgerLine';
import type { Records } from '../../core/call/record';

/** Something was moved, taken off or put on, and has to be put right before the call is finished. */
export class OpenedBody implements Opened {
  @IsIn(OPENED_BY_HAND)
  what!: Opened['what'];

  /** A name of the diagram, or plain words. */
  @IsNotEmpty({ message: 'say which one' })
  @IsString()
  @MaxLength(160)
  of!: string;
}
type Opened = Records['opened'];
