import { BadInput } from '../commands/command';

/** `./yarrix bench engine|diagnosis|proof|server [--json]`: how fast and how good, measured in one run. */
export async function bench(what: string | undefined, json: boolean): Promise<number> {
  if (what === 'engine') return (await import('./engine')).benchEngine(json);
  if (what === 'diagnosis') return (await import('./diagnosis')).benchDiagnosis(json);
  if (what === 'proof') return (await import('./proof')).benchProof(json);
  if (what === 'server') return (await import('./server')).benchServer(json);
  throw new BadInput(`bench ${what ?? ''}: one of engine, diagnosis, proof, server`);
}
