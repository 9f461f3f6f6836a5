import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

/** Kinds of files that become smaller; faces and pictures are packed already. */
const PACKS = /\.(html|js|css|json|svg|txt)$/;
/** Below, a file fits into a packet or two as it is. */
const WORTH_IT = 1024;

/** Writes each file of a folder a second and third time, packed as small as it goes: made once, served as it is. */
export function compress(folder: string): void {
  for (const name of readdirSync(folder, { recursive: true, encoding: 'utf8' })) {
    if (!PACKS.test(name)) continue;
    const path = join(folder, name);
    const content = readFileSync(path);
    if (content.length < WORTH_IT) continue;
    const params = { [constants.BROTLI_PARAM_SIZE_HINT]: content.length };
    writeFileSync(`${path}.br`, brotliCompressSync(content, { params }));
    writeFileSync(`${path}.gz`, gzipSync(content, { level: 9 }));
  }
}
