import sharp from 'sharp';
import { MOST_PHOTO_PIXELS } from '../../contract/limits';
import { whileKept, type OpenCv, type Picture } from './openCv';

/** Longer sides are scaled down to this, shorter photos up to the half of it: rules stay thicker than a pixel. */
const MOST_PIXELS = 2000;

/** A grey photo. */
export interface Photo {
  width: number;
  height: number;
  /** One byte a pixel, line by line. */
  grey: Uint8Array;
}

/** Bytes that are no picture, or one that is too large. */
export class BadPicture extends Error {}

/** Decodes a photo, upright as its camera says and grey. Throws `BadPicture`. */
export const decodePhoto = (bytes: Uint8Array): Promise<Photo> =>
  decoded(bytes).catch((error: unknown) => {
    throw new BadPicture(
      `is no picture: ${error instanceof Error ? error.message : String(error)}`,
    );
  });

async function decoded(bytes: Uint8Array): Promise<Photo> {
  const whole = sharp(bytes, { limitInputPixels: MOST_PHOTO_PIXELS, failOn: 'error' }).autoOrient();
  const { width, height } = await sharp(bytes, { limitInputPixels: MOST_PHOTO_PIXELS }).metadata();
  const longer = Math.max(width, height);
  const wanted = Math.min(MOST_PIXELS, Math.max(longer, MOST_PIXELS / 2));
  const { data, info } = await whole
    .resize({ width: wanted, height: wanted, fit: 'inside' })
    .flatten({ background: 'white' })
    .toColourspace('b-w')
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, grey: data };
}

/** Light changes slowly: it is looked at on a picture this much smaller. */
const COARSER = 4;

/**
 * Light that falls unevenly is divided out: each pixel as a share of the brightest around it, 255 for paper. `reach` is wider than
 * any stroke, in pixels.
 */
export function evenLight(cv: OpenCv, grey: Picture, even: Picture, reach: number): void {
  whileKept((keep) => {
    const small = new cv.Size(Math.ceil(grey.cols / COARSER), Math.ceil(grey.rows / COARSER));
    const wide = Math.round(reach / COARSER);
    const paper = keep(new cv.Mat());
    cv.resize(grey, paper, small, 0, 0, cv.INTER_AREA);
    const kernel = keep(cv.getStructuringElement(cv.MORPH_RECT, new cv.Size(wide, wide)));
    cv.morphologyEx(paper, paper, cv.MORPH_CLOSE, kernel);
    cv.GaussianBlur(paper, paper, new cv.Size(0, 0), wide / 3);
    cv.resize(paper, paper, new cv.Size(grey.cols, grey.rows), 0, 0, cv.INTER_LINEAR);
    cv.divide(grey, paper, even, 255);
  });
}
