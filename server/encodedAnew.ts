import sharp from 'sharp';
import { MOST_PHOTO_PIXELS } from '../contract/limits';
import { fail, ok, type Result } from '../core/result';

/** Letters on a plate stay letters; what the app sends (quality 80 down to 30) becomes 1.1 to 1.5 times as large. */
const QUALITY = 85;
/** A picture that takes longer to decode was made to. */
const PATIENCE_S = 5;

/**
 * The picture of a JPEG and nothing else: what is stored and shown to others is written here, byte by byte, whatever came. It is
 * upright, and carries no word of where and by what it was taken.
 * @returns why it cannot be, where the bytes are no whole picture or a larger one than any phone takes
 */
export const encodedAnew = (jpeg: Uint8Array): Promise<Result<Buffer, string>> =>
  sharp(jpeg, { limitInputPixels: MOST_PHOTO_PIXELS, failOn: 'error', sequentialRead: true })
    .timeout({ seconds: PATIENCE_S })
    .autoOrient()
    .toColourspace('srgb')
    .jpeg({ quality: QUALITY })
    .toBuffer()
    .then(ok)
    .catch((error: unknown) =>
      fail(`is no whole picture: ${error instanceof Error ? error.message : String(error)}`),
    );
