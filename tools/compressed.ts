import { readdirSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

/** Kinds of files that become smaller; faces and pictures are packed already. */
const PACKS = /\.(html|js|css|json|svg|txt)$/;
/** Below, a file fits into a packet or two as it is. */
const WORTH_IT = 1024;

/** Writes each file of a folder a second and third time, packed as small as it goes: made once, on all cores, and served as it is. */
export async function compress(folder: string): Promise<void> {
  const names = readdirSync(folder, { recursive: true, encoding: 'utf8' });
  await Promise.all(
    names.filter((name) => PACKS.test(name)).map((name) => pack(join(folder, name))),
  );
}

async function pack(path: string): Promise<void> {
  const content = await readFile(path);
  if (content.length < WORTH_IT) return;
  const params = { [constants.BROTLI_PARAM_SIZE_HINT]: content.length };
  const [brotli, gzipped] = await Promise.all([
    promisify(brotliCompress)(content, { params }),
    promisify(gzip)(content, { level: 9 }),
  ]);
  await Promise.all([writeFile(`${path}.br`, brotli), writeFile(`${path}.gz`, gzipped)]);
}
