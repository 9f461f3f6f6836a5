import 'reflect-metadata/lite';
import { IsInt, IsNotEmpty, IsString, MaxLength, Min } from 'class-validator';
import type { CallSummary } from './call';
import type { Entry } from './entry';

/** A customer, by the name that stands at their units. */
export class CustomerDto {
  @IsNotEmpty({ message: 'say which customer' })
  @IsString()
  @MaxLength(80)
  name!: string;
}

/** What is to be erased: as many calls as were shown, so that none goes unseen. */
export class EraseCustomerDto extends CustomerDto {
  @IsInt()
  @Min(1)
  calls!: number;
}

/** All that a shop has of one customer, as a file for them. */
export interface CustomerFile {
  format: 'yarrix-customer';
  version: 1;
  name: string;
  madeAt: string;
  calls: (CallSummary & {
    entries: Entry[];
    /** Photos as they were taken or drawn on: a JPEG in base64. */
    photos: { shows: string; phoneAt: string; jpeg: string }[];
  })[];
}
