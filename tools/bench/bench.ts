import { BadInput } from '../commands/command';

interface BenchOptions {
  json: boolean;
  units?: string;
  seed?: string;
  only?: string;
}

/** `./yarrix bench engine|diagnosis|generality|proof|report|server|shops|web`: how fast and how good, measured in one run. */
export async function bench(
  what: string | undefined,
  { json, units = '300', seed = '1', only }: BenchOptions,
): Promise<number> {
  if (what === 'engine') return (await import('./engine')).benchEngine(json);
  if (what === 'diagnosis') return (await import('./diagnosis')).benchDiagnosis(json, only);
  if (what === 'generality') {
    const [many, first] = [Number(units), Number(seed)];
    if (!Number.isInteger(many) || many < 1 || !Number.isInteger(first))
      throw new BadInput('--units and --seed are whole numbers, and there is at least one unit');
    return (await import('./generality')).benchGenerality(many, first, json);
  }
  if (what === 'proof') return (await import('./proof')).benchProof(json);
  if (what === 'report') return (await import('./report')).benchReport(json);
  if (what === 'server') return (await import('./server')).benchServer(json);
  if (what === 'shops') return (await import('./shops')).benchShops(json);
  if (what === 'web') return (await import('./web')).benchWeb(json, only);
  throw new BadInput(
    `bench ${what ?? ''}: one of engine, diagnosis, generality, proof, report, server, shops, web`,
  );
}
