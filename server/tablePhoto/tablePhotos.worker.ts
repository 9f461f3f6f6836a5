import type { PhotoTable } from '../../contract/tablePhoto';
import { fail, ok, type Result } from '../../core/result';
import { BadPicture } from './photo';
import { readTablePhoto } from './readTablePhoto';
import { NoTesseract } from './words';

/** Reads the tables of one photo in a thread of its own; an error says why there are none, as a sentence. */
export default async (bytes: Uint8Array): Promise<Result<PhotoTable[], string>> => {
  try {
    return ok(await readTablePhoto(bytes));
  } catch (error) {
    if (error instanceof NoTesseract || error instanceof BadPicture) return fail(error.message);
    throw error;
  }
};
