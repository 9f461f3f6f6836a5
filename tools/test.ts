import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { needDebian } from './debian';
import { BadInput, out } from './commands/command';
import { ROOT } from './folders';
import { runProgram } from './runProgram';
import { buildWeb } from './webBuild';

/** Jest's projects. */
const PROJECTS = ['core', 'library', 'contract', 'tools', 'server', 'app', 'e2e'];
/** Those that want the application built, or its units prepared, which a build does on all cores. */
const AFTER_BUILD = ['library', 'e2e'];

interface Counts {
  passed: number;
  failed: number;
}

/**
 * `./yarrix test [--only NAME] [--all]`: every runner, then one line that adds them up. With `--all`
 * random tests take their full number of cases.
 */
export async function test(only: string | undefined, all: boolean): Promise<number> {
  if (only !== undefined && !PROJECTS.includes(only))
    throw new BadInput(`--only ${only}: one of ${PROJECTS.join(', ')}`);
  const wanted = only ? [only] : PROJECTS;
  await needDebian([
    'postgresql',
    'ngspice',
    'chromium',
    'chromium-driver',
    'poppler-utils',
    'tesseract-ocr',
  ]);
  if (wanted.some((each) => AFTER_BUILD.includes(each))) await buildWeb();
  const total = await jest(wanted, all);
  out(`${total.passed} passed, ${total.failed} failed`);
  return total.failed || !total.passed ? 1 : 0;
}

/** Runs projects of Jest; a suite that cannot even be loaded counts as a failed test. */
async function jest(projects: string[], all: boolean): Promise<Counts> {
  const folder = mkdtempSync(join(tmpdir(), 'yarrix-jest-'));
  const report = join(folder, 'report.json');
  try {
    const program = join(ROOT, 'node_modules', 'jest', 'bin', 'jest.js');
    const args = [
      program,
      '--selectProjects',
      ...projects,
      '--json',
      `--outputFile=${report}`,
      '--passWithNoTests',
    ];
    // All of a small machine, where Jest would leave a core idle.
    args.push('--maxWorkers=100%');
    const env = { YARRIX_TURN: turn(), ...process.env, ...(all && { YARRIX_ALL: '1' }) };
    if (!all) out(`turn ${env.YARRIX_TURN} of what takes long; --all takes everything`);
    const { code } = await runProgram(process.execPath, args, { cwd: ROOT, env, show: true });
    const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(
      readFileSync(report, 'utf8'),
    );
    const failed = numFailedTests + numRuntimeErrorTestSuites;
    return { passed: numPassedTests, failed: code !== 0 && failed === 0 ? 1 : failed };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Counts up with the commits, so that what takes long has its turn (`tools/inTurn.ts`); 0 where nothing counts them. */
function turn(): string {
  try {
    return execFileSync('git', ['rev-list', '--count', 'HEAD'], { cwd: ROOT, stdio: 'pipe' })
      .toString()
      .trim();
  } catch {
    return '0';
  }
}
