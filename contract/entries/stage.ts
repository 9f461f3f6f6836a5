import 'reflect-metadata/lite';
import { IsIn } from 'class-validator';

/** The call is done, or open again. */
export class StageBody {
  @IsIn(['open', 'done'])
  stage!: 'open' | 'done';
}
