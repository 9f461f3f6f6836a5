import { createHash } from 'node:crypto';
import {
  createReadStream,
  existsSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { Client } from 'pg';
import * as tar from 'tar';
import { migrate } from '../server/db/migrate';
import { Database, OF_A_TASK } from '../server/db/database';
import { verify, type Verified } from '../server/db/verify';
import { BadInput, EXIT, out } from './commands/command';
import { needDebian } from './debian';
import { DATA, EnvironmentError } from './folders';
import { whoHolds } from './lease';
import { startCluster, runPostgresProgram, type Cluster } from './postgres';

/** What stands beside the dump in a backup. */
interface Manifest {
  format: 'yarrix-backup';
  version: 1;
  madeAt: string;
  /** SHA-256 of the dump. */
  sha256: string;
  /** What was in it when it was made. */
  rows: Omit<Verified, 'faults'>;
}
const MANIFEST = 'manifest.json';
const DUMP = 'database.dump';

/** `./yarrix backup FILE`: everything in one file, while Yarrix runs or not. */
export async function backup(file: string | undefined): Promise<number> {
  if (!file) throw new BadInput('name the FILE to write the backup to');
  const to = resolve(file);
  if (existsSync(to)) throw new BadInput(`${file} is there already; a backup overwrites nothing`);
  if (!existsSync(dirname(to))) throw new BadInput(`there is no folder ${dirname(to)}`);
  await withCluster(async (cluster) => {
    const folder = mkdtempSync(join(tmpdir(), 'yarrix-backup-'));
    try {
      await migrate(cluster.ownerUrl, () => undefined);
      const { faults, ...rows } = await verified(cluster.ownerUrl);
      if (faults.length)
        throw new EnvironmentError(
          `the data does not hold, ./yarrix verify says where: ${faults[0]}`,
        );
      const dump = join(folder, DUMP);
      // To standard output: the program runs as another user, who may not write there.
      const made = await runPostgresProgram('pg_dump', ['-Fc', '-d', cluster.ownerUrl], {
        to: dump,
      });
      if (made.code !== 0) throw new EnvironmentError(`the backup failed: ${made.output.trim()}`);
      const manifest: Manifest = {
        format: 'yarrix-backup',
        version: 1,
        madeAt: new Date().toISOString(),
        sha256: await hashOf(dump),
        rows,
      };
      writeFileSync(join(folder, MANIFEST), JSON.stringify(manifest, null, 2));
      await tar.create({ file: to, cwd: folder, portable: true }, [MANIFEST, DUMP]);
      out(`${file}: ${sayRows(rows)}`);
    } catch (error) {
      rmSync(to, { force: true });
      throw error;
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });
  return EXIT.done;
}

/** `./yarrix restore FILE [--replace]`: what a backup has, in place of what is here. */
export async function restore(file: string | undefined, replace: boolean): Promise<number> {
  if (!file || !existsSync(file)) throw new BadInput(`there is no file ${file ?? ''}`);
  const folder = mkdtempSync(join(tmpdir(), 'yarrix-restore-'));
  try {
    const manifest = await unpack(file, folder);
    await withCluster(async (cluster) => {
      const holder = await whoHolds(cluster.ownerUrl);
      if (holder)
        throw new EnvironmentError(
          `Yarrix works on this data (process ${holder.pid}, port ${holder.port}): ./yarrix stop first`,
        );
      await migrate(cluster.ownerUrl, () => undefined);
      const { faults: _, ...here } = await verified(cluster.ownerUrl);
      if (here.calls > 0 && !replace)
        throw new EnvironmentError(
          `there is data here already (${sayRows(here)}): with --replace it gives way to what the backup has`,
        );
      await restoreInto(cluster, join(folder, DUMP), manifest);
    });
    out(`Restored ${file} of ${manifest.madeAt}: ${sayRows(manifest.rows)}`);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  return EXIT.done;
}

/** `./yarrix verify`: reads everything once, and says whether it holds. */
export async function verifyData(): Promise<number> {
  return withCluster(async (cluster) => {
    await migrate(cluster.ownerUrl, () => undefined);
    const { faults, ...rows } = await verified(cluster.ownerUrl);
    for (const fault of faults) out(fault);
    out(faults.length ? `${faults.length} things do not hold` : `All holds: ${sayRows(rows)}`);
    return faults.length ? EXIT.no : EXIT.done;
  });
}

async function withCluster<T>(run: (cluster: Cluster) => Promise<T>): Promise<T> {
  await needDebian(['postgresql']);
  const cluster = await startCluster(join(DATA, 'postgres'));
  try {
    return await run(cluster);
  } finally {
    if (cluster.started) await cluster.stop();
  }
}

async function verified(url: string): Promise<Verified> {
  const db = new Database(url, undefined, OF_A_TASK);
  try {
    return await verify(db);
  } finally {
    await db.end();
  }
}

const sayRows = ({ shops, diagrams, calls, entries }: Manifest['rows']): string =>
  `${shops} shops, ${diagrams} diagrams, ${calls} calls, ${entries} entries`;

async function unpack(file: string, folder: string): Promise<Manifest> {
  const wrong = (why: string): BadInput => new BadInput(`${file} is no whole backup: ${why}`);
  try {
    await tar.extract({ file, cwd: folder, strict: true }, [MANIFEST, DUMP]);
  } catch (error) {
    throw wrong(error instanceof Error ? error.message : String(error));
  }
  if (!existsSync(join(folder, MANIFEST)) || !existsSync(join(folder, DUMP)))
    throw wrong(`it lacks ${MANIFEST} or ${DUMP}`);
  let manifest: Manifest;
  try {
    manifest = JSON.parse(readFileSync(join(folder, MANIFEST), 'utf8')) as Manifest;
  } catch {
    throw wrong(`${MANIFEST} is not JSON`);
  }
  if (manifest.format !== 'yarrix-backup' || manifest.version !== 1)
    throw wrong(`its format is "${String(manifest.format)}" version ${String(manifest.version)}`);
  if (manifest.sha256 !== (await hashOf(join(folder, DUMP))))
    throw wrong('the checksum of the dump is another one than when it was made');
  return manifest;
}

/** Into a database of its own, which takes the place of the one here only once it is whole. */
async function restoreInto(cluster: Cluster, dump: string, manifest: Manifest): Promise<void> {
  const owner = new Client({ connectionString: urlOf(cluster, 'postgres') });
  await owner.connect();
  try {
    await owner.query('DROP DATABASE IF EXISTS yarrix_restored WITH (FORCE)');
    await owner.query('CREATE DATABASE yarrix_restored');
    const url = urlOf(cluster, 'yarrix_restored');
    const done = await runPostgresProgram('pg_restore', ['--exit-on-error', '-d', url], {
      from: dump,
    });
    if (done.code !== 0) throw new EnvironmentError(`the restore failed: ${done.output.trim()}`);
    await migrate(url, () => undefined);
    const { faults, ...rows } = await verified(url);
    if (faults.length || JSON.stringify(rows) !== JSON.stringify(manifest.rows))
      throw new EnvironmentError(
        `what came out is not what went in (${sayRows(rows)}; ${faults[0] ?? 'no fault'}); the data here is as it was`,
      );
    await owner.query('DROP DATABASE IF EXISTS yarrix_before WITH (FORCE)');
    await owner.query('ALTER DATABASE yarrix RENAME TO yarrix_before');
    await owner.query('ALTER DATABASE yarrix_restored RENAME TO yarrix');
    await owner.query('DROP DATABASE yarrix_before WITH (FORCE)');
  } finally {
    await owner
      .query('DROP DATABASE IF EXISTS yarrix_restored WITH (FORCE)')
      .catch(() => undefined);
    await owner.end();
  }
}

const urlOf = ({ ownerUrl }: Cluster, database: string): string =>
  ownerUrl.replace(/\/yarrix$/, `/${database}`);

function hashOf(path: string): Promise<string> {
  const hash = createHash('sha256');
  return new Promise((done, failed) => {
    createReadStream(path)
      .on('data', (part) => hash.update(part))
      .on('error', failed)
      .on('end', () => done(hash.digest('hex')));
  });
}
