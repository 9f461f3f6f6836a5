import 'reflect-metadata/lite';
import {
  ArrayMaxSize,
  IsArray,
  IsInt,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
} from 'class-validator';
import type { Diagram } from '../core/diagram/diagram';

/** A diagram as lists show and search it, without its body. */
export interface DiagramSummary {
  id: string;
  version: number;
  name: string;
  kind: string;
  parts: number;
  switches: number;
  /** Everything that it can be found by. */
  words: string;
}

/** One version of a diagram; versions never change. */
export interface DiagramBody {
  id: string;
  version: number;
  body: Diagram;
}

/** Versions of one diagram, at most: what the database's column holds. */
export const MOST_VERSIONS = 2 ** 31 - 1;

/** Versions that a device has already, written `id/version`: it is sent the others. */
export class HaveDto {
  @IsArray()
  @ArrayMaxSize(5000)
  @IsString({ each: true })
  @MaxLength(100, { each: true })
  have!: string[];
}

/** A diagram that goes from the shop's list, by the version that was its newest; a later one brings it back. */
export class WithdrawalDto {
  @IsString()
  @Matches(/^[A-Za-z0-9_+-]{1,40}$/, { message: 'diagram must be the id of a diagram' })
  diagram!: string;

  @IsInt()
  @Min(1)
  @Max(MOST_VERSIONS)
  version!: number;
}

/** Bodies in one answer at most; a device asks again for the rest. */
export const MOST_BODIES = 200;
