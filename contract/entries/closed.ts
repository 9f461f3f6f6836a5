import 'reflect-metadata/lite';
import { IsIn, IsNotEmpty, IsString, MaxLength, ValidateIf } from 'class-validator';
import type { Records } from '../../core/call/record';

/** A line of the ledger is put right, or it stays and is spoken for. */
export class ClosedBody implements Closed {
  /** What was opened, and of what: "wire lid-switch.A1". */
  @IsNotEmpty()
  @IsString()
  @MaxLength(200)
  line!: string;

  @IsIn(['back', 'left'])
  how!: Closed['how'];

  @ValidateIf(({ how, words }: Closed) => how === 'left' || words !== undefined)
  @IsNotEmpty({ message: 'say why it stays as it is' })
  @IsString()
  @MaxLength(300)
  words?: string;
}
type Closed = Records['closed'];
