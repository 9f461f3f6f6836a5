import 'reflect-metadata/lite';
import { IsInt, IsString, Max, MaxLength, Min } from 'class-validator';
import { LINK_DAYS } from './limits';

/** A link by which a customer reads the report of a call, until it ends. */
export class NewReportLinkDto {
  @IsInt()
  @Min(LINK_DAYS.least)
  @Max(LINK_DAYS.most)
  days!: number;

  /** The time zone that its times are told in. */
  @IsString()
  @MaxLength(60)
  zone!: string;

  @IsString()
  @MaxLength(4)
  currency!: string;
}

/** A link that works, as the shop sees it: what is in it is known to who was given it. */
export interface ReportLink {
  id: string;
  expiresAt: string;
  /** How often it was opened, and when last. */
  opened: number;
  lastOpenedAt: string | null;
}
