import 'reflect-metadata/lite';
import { IsString, Matches, MaxLength } from 'class-validator';
import type { PhotoCell } from '../core/draft/photoTable';
import { MOST_TABLE_PHOTO_BYTES } from './limits';
import { BASE64 } from './photo';

/** A photo of a sheet out of which contact tables are read; it is not kept. */
export class TablePhotoDto {
  @IsString()
  @MaxLength(Math.ceil(MOST_TABLE_PHOTO_BYTES / 3) * 4)
  @Matches(BASE64, { message: 'must be a JPEG in base64' })
  jpeg!: string;
}

/** A ruled table that was found in a photo. */
export interface PhotoTable {
  /** The table brought flat, a JPEG in base64. */
  picture: string;
  /** Where its columns and rows begin in the picture, and where the last ones end, in pixels. */
  columns: number[];
  rows: number[];
  /** Row by row; each row has as many as there are columns. */
  cells: PhotoCell[][];
}

/** What was found, largest first. */
export interface PhotoTables {
  tables: PhotoTable[];
}
