import 'reflect-metadata/lite';
import { ArrayMaxSize, IsArray, IsIn, IsNotEmpty, IsString, MaxLength } from 'class-validator';
import { REASONS, type Reason, type Refusal } from '../../core/call/refusal';

/** A test that is not done on this visit, with all that wants the same. */
export class RefusalBody implements Refusal {
  @IsIn(REASONS)
  why!: Reason;

  /** Panels, a terminal, or the keys of tests, which name a whole setup. */
  @IsArray()
  @ArrayMaxSize(20)
  @IsString({ each: true })
  @IsNotEmpty({ each: true })
  @MaxLength(4000, { each: true })
  of!: string[];
}
