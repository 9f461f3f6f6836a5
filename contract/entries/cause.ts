import 'reflect-metadata/lite';
import { IsIn, IsNotEmpty, IsString, MaxLength, ValidateIf } from 'class-validator';
import { CAUSE_OUTCOMES, type CauseLooked } from '../../core/call/cause';

/** What made a part fail was looked for: found, not there, or refused in words. */
export class CauseBody implements CauseLooked {
  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  part!: string;

  @IsNotEmpty({ message: 'say which cause' })
  @IsString()
  @MaxLength(200)
  cause!: string;

  @IsIn(CAUSE_OUTCOMES)
  outcome!: CauseLooked['outcome'];

  @ValidateIf(({ outcome, words }: CauseLooked) => outcome === 'refused' || words !== undefined)
  @IsNotEmpty({ message: 'say why nobody looks' })
  @IsString()
  @MaxLength(300)
  words?: string;
}
