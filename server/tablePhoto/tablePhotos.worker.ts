import type { PhotoTable } from '../../contract/tablePhoto';
import { fail, ok, type Result } from '../../core/result';
import { readTablePhoto } from './readTablePhoto';
import { NoTesseract } from './words';

/** Reads the tables of one photo in a thread of its own; an error says why there are none, as a sentence. */
export default async (bytes: Uint8Array): Promise<Result<PhotoTable[], string>> => {
  try {
    return ok(await readTablePhoto(bytes));
  } catch (error) {
    // The package throws what it says of a file that it cannot decode.
    if (error instanceof NoTesseract || isBadPicture(error)) return fail(error.message);
    throw error;
  }
};

const isBadPicture = (error: unknown): error is Error =>
  error instanceof Error &&
  /unsupported image|VipsJpeg|corrupt|pixel limit|premature/i.test(error.message);
