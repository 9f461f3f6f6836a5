import { spawn } from 'node:child_process';

export interface Ran {
  code: number;
  output: string;
}

/** Runs a program to its end; `show` lets its output through, else it is collected. */
export function runProgram(
  program: string,
  args: string[],
  options: { cwd?: string; env?: NodeJS.ProcessEnv; show?: boolean } = {},
): Promise<Ran> {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, {
      cwd: options.cwd,
      env: options.env ?? process.env,
      stdio: ['ignore', options.show ? 'inherit' : 'pipe', options.show ? 'inherit' : 'pipe'],
    });
    let output = '';
    child.stdout?.on('data', (part: Buffer) => (output += part.toString()));
    child.stderr?.on('data', (part: Buffer) => (output += part.toString()));
    child.on('error', reject);
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}
