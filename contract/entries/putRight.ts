import 'reflect-metadata/lite';
import { IsIn, IsNotEmpty, IsOptional, IsString, MaxLength, ValidateIf } from 'class-validator';
import { PUT_RIGHT_BY, type PutRight } from '../../core/call/putRight';

/** What a call was put right by. */
export class PutRightBody implements PutRight {
  @IsIn(PUT_RIGHT_BY)
  by!: PutRight['by'];

  @ValidateIf(({ by, part }: PutRight) => by === 'other' || part !== undefined)
  @IsNotEmpty({ message: 'say which part it was' })
  @IsString()
  @MaxLength(80)
  part?: string;

  @IsOptional()
  @IsNotEmpty()
  @IsString()
  @MaxLength(160)
  name?: string;
}
