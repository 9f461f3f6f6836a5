import 'reflect-metadata/lite';
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsObject,
  IsString,
  Matches,
  ValidateBy,
} from 'class-validator';
import type { TerminalRef } from '../../core/diagram/diagram';
import type { QuantityState, Setup } from '../../core/diagram/setup';
import { asTerminal, TERMINAL } from './terminal';

/** An object of so many names at most. */
const HasAtMost = (most: number): PropertyDecorator =>
  ValidateBy({
    name: 'hasAtMost',
    validator: {
      validate: (value: unknown) =>
        typeof value !== 'object' || value === null || Object.keys(value).length <= most,
      defaultMessage: () => `has more than ${most} names`,
    },
  });

/** The shape of a setup; whether its names are there is asked of the diagram. */
export class SetupDto implements Setup {
  @IsIn(['off', 'on', 'unknown'])
  power!: Setup['power'];

  /** Supplies that are not as `power` says. */
  @IsArray()
  @ArrayMaxSize(20)
  @IsString({ each: true })
  except!: string[];

  @IsObject()
  @HasAtMost(60)
  actuators!: Record<string, string | QuantityState>;

  @IsObject()
  @HasAtMost(60)
  byHand!: Record<string, string>;

  @IsArray()
  @ArrayMaxSize(60)
  @Matches(TERMINAL, { ...asTerminal, each: true })
  lifted!: TerminalRef[];

  @IsArray()
  @ArrayMaxSize(60)
  @IsString({ each: true })
  partsOut!: string[];

  @IsArray()
  @ArrayMaxSize(20)
  @IsArray({ each: true })
  jumpers!: [TerminalRef, TerminalRef][];
}
