import { join } from 'node:path';
import { EXIT, out } from './commands/command';
import { ROOT } from './folders';
import { knownFaults, licenceFaults } from './packages';
import { runProgram } from './runProgram';

const bin = (name: string): string => join(ROOT, 'node_modules', '.bin', name);

const CHECKS: [name: string, program: string, args: string[]][] = [
  ['layout of the text', 'prettier', ['--check', '--log-level', 'warn', '.']],
  ['style', 'eslint', ['--max-warnings', '0', '.']],
  ['types', 'tsc', ['--noEmit', '-p', '.']],
  [
    'who imports whom',
    'depcruise',
    [
      '--config',
      '.dependency-cruiser.cjs',
      'core',
      'library',
      'contract',
      'server',
      'app',
      'demo',
      'tools',
      'e2e',
    ],
  ],
];

/** `./yarrix lint`: text, style, types, the rule of which folder may import which, and what the packages are. */
export async function lint(): Promise<number> {
  let bad = 0;
  for (const [name, program, args] of CHECKS) {
    const { code } = await runProgram(bin(program), args, { cwd: ROOT, show: true });
    out(`${code === 0 ? 'good' : 'BAD '}  ${name}`);
    if (code !== 0) bad++;
  }
  for (const [name, faults] of [
    ['licences of the packages', await licenceFaults()],
    ['known faults of the packages', await knownFaults()],
  ] as const) {
    for (const fault of faults ?? []) out(`  ${fault}`);
    out(
      `${faults === undefined ? 'none' : faults.length ? 'BAD ' : 'good'}  ${name}${faults === undefined ? ': the registry does not say' : ''}`,
    );
    if (faults?.length) bad++;
  }
  return bad ? EXIT.no : EXIT.done;
}
