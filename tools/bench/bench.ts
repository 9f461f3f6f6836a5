import { BadInput } from '../doors/door';

/** `./yarrix bench engine [--json]`: what is fast and what is not, measured in one run. */
export async function bench(what: string | undefined, json: boolean): Promise<number> {
  if (what === 'engine') return (await import('./engine')).benchEngine(json);
  throw new BadInput(`bench ${what ?? ''}: one of engine`);
}
