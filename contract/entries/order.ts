import 'reflect-metadata/lite';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsNotEmpty,
  IsString,
  MaxLength,
  ValidateNested,
} from 'class-validator';
import type { ContactEvent, OrderSeen } from '../../core/call/orderSeen';

/** A contact that went over. */
export class ContactEventDto implements ContactEvent {
  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  part!: string;

  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  contact!: string;
}

/** In which order contacts went over while something was opened or closed slowly. */
export class OrderBody implements OrderSeen {
  @IsNotEmpty()
  @IsString()
  @MaxLength(80)
  actuator!: string;

  @IsIn(['opening', 'closing'])
  way!: OrderSeen['way'];

  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(20)
  @ValidateNested({ each: true })
  @Type(() => ContactEventDto)
  events!: ContactEventDto[];
}
