import 'reflect-metadata/lite';
import { IsNotEmpty, IsOptional, IsString, IsUUID, Matches, MaxLength } from 'class-validator';
import { MOST_PHOTO_BYTES } from './limits';
import { IsMoment } from './moment';

export const BASE64 = /^[A-Za-z0-9+/]+={0,2}$/;

/** A photo as the phone sends it: a JPEG, scaled, without a word about where it was taken. */
export class NewPhotoDto {
  @IsUUID()
  callId!: string;

  /** What it shows, in words: "The plate", "Lid switch". */
  @IsNotEmpty({ message: 'say what it shows' })
  @IsString()
  @MaxLength(160)
  shows!: string;

  /** A part, a terminal or a supply of its diagram, or the plate. */
  @IsOptional()
  @IsNotEmpty()
  @IsString()
  @MaxLength(160)
  of?: string;

  /** The photo that this is, with arrows and words put on it. */
  @IsOptional()
  @IsUUID()
  drawnFrom?: string;

  @IsString()
  @MaxLength(Math.ceil(MOST_PHOTO_BYTES / 3) * 4)
  @Matches(BASE64, { message: 'must be a JPEG in base64' })
  jpeg!: string;

  /** The phone's own clock, UTC. */
  @IsMoment()
  phoneAt!: string;
}

/** A photo of a call, without its picture. */
export interface PhotoSummary {
  id: string;
  shows: string;
  of: string | null;
  drawnFrom: string | null;
  phoneAt: string;
}

/** Whether some bytes begin as a JPEG does (ISO/IEC 10918-1: SOI, then a marker). */
export const isJpeg = (bytes: Uint8Array): boolean =>
  bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff;

/**
 * Whether a JPEG has an application segment that may say where and by what it was taken: Exif or XMP in APP1, IPTC in APP13.
 * Segments are read up to the picture itself (ISO/IEC 10918-1, annex B).
 */
export function saysWhereTaken(bytes: Uint8Array): boolean {
  let at = 2;
  while (at + 4 <= bytes.length && bytes[at] === 0xff) {
    const marker = bytes[at + 1] ?? 0;
    if (marker === 0xe1 || marker === 0xed) return true;
    // Start of the picture: what comes after is no segment.
    if (marker === 0xda) return false;
    at += 2 + ((bytes[at + 2] ?? 0) << 8) + (bytes[at + 3] ?? 0);
  }
  return false;
}
