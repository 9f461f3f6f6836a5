import 'reflect-metadata/lite';
import { IsIn, IsNotEmpty, IsNumber, IsString, Max, MaxLength, Min } from 'class-validator';
import { METERS } from '../core/meter/meter';
import { MOST_LEAD_OHMS } from './limits';

/** A meter of the shop, as it is kept: what it is called, which kind it is, what its leads have. */
export class MeterDto {
  @IsNotEmpty({ message: 'say what it is called, such as "yellow one in the van"' })
  @IsString()
  @MaxLength(60)
  name!: string;

  /** Id of the kind that it is read as. */
  @IsIn(METERS.map(({ id }) => id))
  kind!: string;

  @IsNumber()
  @Min(0)
  @Max(MOST_LEAD_OHMS, { message: 'leads have up to a few ohm, such as 0.2; more is a bad lead' })
  leadOhms!: number;
}

export interface ShopMeter extends MeterDto {
  id: string;
}
