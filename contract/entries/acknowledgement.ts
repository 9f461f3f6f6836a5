import 'reflect-metadata/lite';
import { IsIn, IsNumber, IsOptional, IsString, Max, MaxLength, Min } from 'class-validator';
import type { Acknowledgement } from '../../core/call/record';

/** A step that stops the flow until somebody says that it is done. */
export class AcknowledgementBody implements Acknowledgement {
  @IsIn(['made-safe', 'meter-proved', 'wires-off', 'stood-clear'])
  what!: Acknowledgement['what'];

  @IsOptional()
  @IsString()
  @MaxLength(80)
  part?: string;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(20)
  leadOhms?: number;
}
