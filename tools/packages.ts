import { ROOT } from './folders';
import { runProgram } from './runProgram';

/** Licences under which we pass on what is not ours. Two of them ask that changes of the package itself are given away: we make none. */
const LICENCES = new Set([
  'MIT',
  'ISC',
  'Apache-2.0',
  'BSD-2-Clause',
  'BSD-3-Clause',
  '0BSD',
  'BlueOak-1.0.0',
  'CC0-1.0',
  'CC-BY-4.0',
  'Unlicense',
  'Python-2.0',
  'Zlib',
  'OFL-1.1',
  'MPL-2.0',
  'EPL-2.0',
]);
/** What a package does not say in its own file in one word, read in its text. */
const READ: Record<string, string> = { exit: 'MIT', 'png-js': 'MIT' };
/** Used as it is and by itself, as a library that may be put in another's place: the LGPL asks for no more. */
const APART = /^@img\/sharp-libvips-/;

interface Package {
  name: string;
  version: string;
  license?: unknown;
}

/** Whether a licence, in the words of SPDX, is one of ours: each of those joined by AND, one of those joined by OR. */
export function isTaken(licence: string): boolean {
  const plain = licence.replace(/[()]/g, '');
  return plain.split(' OR ').some((each) => each.split(' AND ').every((one) => LICENCES.has(one)));
}

/** Installed packages whose licence is none of ours. @param npm what asks npm */
export async function licenceFaults(npm = runNpm): Promise<string[]> {
  const all = JSON.parse(await npm('query', '*')) as Package[];
  return all.flatMap(({ name, version, license }) => {
    const licence = READ[name] ?? (typeof license === 'string' ? license : 'none');
    return APART.test(name) || isTaken(licence) ? [] : [`${name} ${version}: ${licence}`];
  });
}

interface Audit {
  vulnerabilities?: Record<string, { severity: string; name: string; range: string }>;
}

/** Packages that ship with known faults, grave ones; undefined where the registry does not say. */
export async function knownFaults(npm = runNpm): Promise<string[] | undefined> {
  const patience = ['--fetch-retries=0', '--fetch-timeout=10000'];
  const said = read(await npm('audit', '--omit=dev', '--json', ...patience));
  if (!said?.vulnerabilities) return undefined;
  return Object.values(said.vulnerabilities)
    .filter(({ severity }) => severity === 'high' || severity === 'critical')
    .map(({ name, range, severity }) => `${name} ${range}: ${severity}`);
}

function read(text: string): Audit | undefined {
  try {
    return JSON.parse(text) as Audit;
  } catch {
    return undefined; // no network
  }
}

/** npm's answer as text; its warnings go elsewhere. */
async function runNpm(...args: string[]): Promise<string> {
  const { output } = await runProgram('npm', ['--loglevel=silent', ...args], { cwd: ROOT });
  return output;
}
