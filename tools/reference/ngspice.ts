import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/**
 * Runs ngspice (Debian's) once in batch on a netlist and gives the values that it prints, in order.
 * @param control lines of its control section, such as `op` and `print v(n1)`
 */
export function ngspice(cards: readonly string[], control: readonly string[]): number[] {
  const text = [
    'yarrix',
    ...cards,
    '.control',
    'set numdgt=14',
    'option gmin=0',
    ...control,
    'quit 0',
    '.endc',
    '.end',
  ].join('\n');
  const folder = mkdtempSync(join(tmpdir(), 'yarrix-ngspice-'));
  try {
    const file = join(folder, 'netlist.cir');
    writeFileSync(file, text);
    const output = execFileSync('ngspice', ['-b', file], {
      encoding: 'utf8',
      maxBuffer: 2 ** 28,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    return [...output.matchAll(/^(?:v|real|imag)\(.*? = (\S+)\s*$/gim)].map(([, value]) =>
      Number(value),
    );
  } finally {
    rmSync(folder, { recursive: true });
  }
}
