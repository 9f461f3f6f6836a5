import { spawn } from 'node:child_process';
import { closeSync, openSync } from 'node:fs';

export interface Ran {
  code: number;
  output: string;
}

/** Runs a program to its end; `show` lets its output through, else it is collected. */
export function runProgram(
  program: string,
  args: string[],
  options: {
    cwd?: string;
    env?: NodeJS.ProcessEnv;
    show?: boolean;
    /** File that it reads instead of nothing, and file that its output goes to. */
    from?: string;
    to?: string;
  } = {},
): Promise<Ran> {
  return new Promise((resolve, reject) => {
    const { cwd, env = process.env, show, from, to } = options;
    const input = from === undefined ? 'ignore' : openSync(from, 'r');
    const target = to === undefined ? (show ? 'inherit' : 'pipe') : openSync(to, 'w');
    const child = spawn(program, args, {
      cwd,
      env,
      stdio: [input, target, show ? 'inherit' : 'pipe'],
    });
    for (const each of [input, target]) if (typeof each === 'number') closeSync(each);
    let output = '';
    child.stdout?.on('data', (part: Buffer) => (output += part.toString()));
    child.stderr?.on('data', (part: Buffer) => (output += part.toString()));
    child.on('error', reject);
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}
