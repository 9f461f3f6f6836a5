import { sourceHash } from '../sourceHash';

/** What preparing a unit is made of; engine.test.ts holds it against what is imported. The units themselves are known by what is in them. */
export const ENGINE_SOURCES = [
  'core/chance.ts',
  'core/joined.ts',
  'core/result.ts',
  'core/subsets.ts',
  'core/diagram',
  'core/fault',
  'core/meter',
  'core/circuit',
  'core/behaviour',
  'core/call/evidence.ts',
  'core/inference',
  'core/plan',
  'app/workers/firstAdvice.ts',
  'app/workers/shownFindings.ts',
  'tools/preparations/library.worker.ts',
] as const;

let known: string | undefined;

/** What the engine is known by, here and on devices. */
export const engine = (): string => (known ??= sourceHash(ENGINE_SOURCES));
