import 'reflect-metadata/lite';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsNotEmpty,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import { OPTIONS, type Decision } from '../../core/call/decision';

/** No repair of an appliance costs more, in any money that the shop may count in. */
const MOST_MONEY = 100_000_000;
const MOST_MINUTES = 100_000;
const MOST_DAYS = 3_650;

/** What it comes to, returns counted in. */
export class ExpectedDto {
  @IsNumber()
  @Min(0)
  @Max(MOST_MONEY)
  customer!: number;

  @IsNumber()
  @Min(0)
  @Max(MOST_MONEY)
  shop!: number;
}

/** What was decided, with the figures that it was decided by. */
export class DecisionBody implements Decision {
  @IsOptional()
  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  part?: string;

  @IsIn(OPTIONS)
  option!: Decision['option'];

  @IsArray()
  @ArrayMaxSize(20)
  @IsString({ each: true })
  @MaxLength(80, { each: true })
  along!: string[];

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(MOST_MONEY)
  partPrice?: number;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(MOST_MINUTES)
  minutes?: number;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(MOST_DAYS)
  leadDays?: number;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(1)
  comesBack?: number;

  @IsOptional()
  @IsObject()
  @ValidateNested()
  @Type(() => ExpectedDto)
  expected?: ExpectedDto;

  @IsOptional()
  @IsNotEmpty()
  @IsString()
  @MaxLength(500)
  choice?: string;

  @IsArray()
  @ArrayMaxSize(20)
  @IsString({ each: true })
  @IsNotEmpty({ each: true })
  @MaxLength(300, { each: true })
  declined!: string[];
}
