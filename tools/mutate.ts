import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { chanceFrom } from '../core/chance';
import { BadInput, EXIT, out, type Exit } from './commands/command';
import { DATA, EnvironmentError, ROOT } from './folders';
import { runProgram } from './runProgram';
import { setUp, tearDown } from './testDatabase';

/** Folders whose tests are tried, by changing what they test. */
const FOLDERS = [
  'core/circuit',
  'core/inference',
  'core/plan',
  'core/meter',
  'core/call',
  'contract',
  'server',
];
/** Mutants of a folder in one run: all seven together end within 20 minutes on two cores. */
const SAMPLE = 50;
/** A mutant that holds more others than this is left out: they would come along with it. */
const MOST_INSIDE = 2;
/** What is counted as noticed: a test failed, none could be run at all, or the program hung. */
const NOTICED = ['Killed', 'RuntimeError', 'Timeout'];

interface Mutant {
  fileName: string;
  mutatorName: string;
  replacement: string;
  location: { start: Place; end: Place };
}
interface Place {
  line: number;
  column: number;
}

interface Report {
  files: Record<string, { mutants: (Mutant & { status: string })[] }>;
}

/**
 * `./yarrix mutate [--only FOLDER] [--seed N]`: changes the code here and there, one place at a time,
 * and counts how often a test notices. The sample is drawn by the seed; survivors are listed.
 */
export async function mutate(
  only: string | undefined,
  seedText: string | undefined,
): Promise<Exit> {
  if (only !== undefined && !FOLDERS.includes(only))
    throw new BadInput(`--only ${only}: one of ${FOLDERS.join(', ')}`);
  const seed = Number(seedText ?? 1);
  if (!Number.isInteger(seed)) throw new BadInput(`--seed ${seedText}: a whole number`);
  mkdirSync(DATA, { recursive: true });
  await setUp();
  try {
    for (const folder of only === undefined ? FOLDERS : [only]) await mutateFolder(folder, seed);
  } finally {
    await tearDown();
  }
  return EXIT.done;
}

async function mutateFolder(folder: string, seed: number): Promise<void> {
  const wanted = await sampleOf(folder, seed);
  const config = join(DATA, 'stryker.json');
  const base = JSON.parse(readFileSync(join(ROOT, 'stryker.config.json'), 'utf8')) as object;
  writeFileSync(config, JSON.stringify({ ...base, mutate: wanted.map(rangeOf) }));
  const stryker = join(ROOT, 'node_modules', '.bin', 'stryker');
  const env = { ...process.env, YARRIX_MUTATE: folder };
  const { code, output } = await runProgram(stryker, ['run', config], { cwd: ROOT, env });
  if (code !== 0)
    throw new EnvironmentError(
      `the mutation run of ${folder} failed:\n${output.split('\n').slice(-30).join('\n')}`,
    );
  sayFolder(folder, JSON.parse(readFileSync(join(DATA, 'mutation.json'), 'utf8')) as Report);
}

/** Some mutants of a folder, drawn by the seed. */
async function sampleOf(folder: string, seed: number): Promise<Mutant[]> {
  const { Instrumenter } = await import('@stryker-mutator/instrumenter');
  const silent = new Proxy({}, { get: () => () => false });
  const instrumenter = new Instrumenter(silent as ConstructorParameters<typeof Instrumenter>[0]);
  const files = sourcesIn(folder).map((name) => ({
    name,
    content: readFileSync(join(ROOT, name), 'utf8'),
    mutate: true as const,
  }));
  const options = { plugins: null, excludedMutations: [], ignorers: [] };
  const { mutants } = await instrumenter.instrument(files, options);
  const all = mutants.filter(
    (each) => mutants.filter((other) => isInside(other, each)).length <= MOST_INSIDE,
  );
  const chance = chanceFrom(seed);
  return all
    .map((mutant) => ({ mutant, at: chance() }))
    .sort((a, b) => a.at - b.at)
    .slice(0, SAMPLE)
    .map(({ mutant }) => mutant);
}

function sourcesIn(folder: string): string[] {
  return readdirSync(join(ROOT, folder), { withFileTypes: true, recursive: true })
    .filter((each) => each.isFile() && each.name.endsWith('.ts') && !/test/i.test(each.name))
    .map((each) => join(each.parentPath, each.name).slice(ROOT.length + 1))
    .sort();
}

const isInside = (one: Mutant, other: Mutant): boolean =>
  one !== other &&
  one.fileName === other.fileName &&
  compare(one.location.start, other.location.start) >= 0 &&
  compare(one.location.end, other.location.end) <= 0 &&
  rangeOf(one) !== rangeOf(other);

const compare = (a: Place, b: Place): number => a.line - b.line || a.column - b.column;

/** A place as Stryker takes it: lines from 1. */
const rangeOf = ({ fileName, location: { start, end } }: Mutant): string =>
  `${fileName}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`;

function sayFolder(folder: string, { files }: Report): void {
  const mutants = Object.entries(files)
    .filter(([name]) => name.startsWith(`${folder}/`))
    .flatMap(([name, file]) => file.mutants.map((each) => ({ ...each, fileName: name })))
    // What is run once, as a file is read, is left out by Stryker.
    .filter((each) => each.status !== 'Ignored');
  const noticed = mutants.filter((each) => NOTICED.includes(each.status)).length;
  const share = mutants.length ? Math.round((100 * noticed) / mutants.length) : 0;
  out(`${folder}: ${noticed} of ${mutants.length} noticed, ${share} %`);
  for (const { fileName, location, mutatorName, replacement, status } of mutants)
    if (!NOTICED.includes(status))
      out(
        `  ${status} ${fileName}:${location.start.line}:${location.start.column} ${mutatorName}: ${replacement.replace(/\s+/g, ' ').slice(0, 80)}`,
      );
}
