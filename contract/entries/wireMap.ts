import 'reflect-metadata/lite';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsNotEmpty,
  IsOptional,
  IsString,
  Matches,
  MaxLength,
  ValidateNested,
} from 'class-validator';
import { MOST_COLOUR, type MappedWire, type WireMap } from '../../core/call/wireMap';
import type { TerminalRef } from '../../core/diagram/diagram';
import { asTerminal, TERMINAL } from './terminal';

/** One wire, and the terminal that it sat on. */
export class MappedWireDto implements MappedWire {
  @Matches(TERMINAL, asTerminal)
  at!: TerminalRef;

  @IsNotEmpty({ message: 'say which colour it has' })
  @IsString()
  @MaxLength(MOST_COLOUR)
  colour!: string;
}

/** Which wire sat where, written before the first one came off. */
export class WireMapBody implements WireMap {
  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  part!: string;

  @IsArray()
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => MappedWireDto)
  wires!: MappedWireDto[];

  @IsOptional()
  @IsBoolean()
  keyed?: boolean;
}
