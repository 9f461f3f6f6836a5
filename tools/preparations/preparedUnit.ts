import { existsSync, readFileSync } from 'node:fs';
import { UseRuns } from '../../core/behaviour/useRuns';
import type { Diagram } from '../../core/diagram/diagram';
import { ORDINARY_METER } from '../../core/meter/meter';
import { UnitDiagnosis, type Prepared } from '../../core/plan/unitDiagnosis';
import { LIBRARY } from '../../library/library';
import { keep, keptFile, nameOf } from './kept';

/**
 * The diagnosis of a unit. A built-in one is prepared once in its life, which takes seconds, and kept; what changes under
 * one's hands is not, and neither is an engine with a fault put in by a mutation run.
 */
export function preparedUnit(diagram: Diagram): UnitDiagnosis {
  if (!LIBRARY.includes(diagram) || process.env.YARRIX_MUTATE !== undefined)
    return new UnitDiagnosis(diagram, ORDINARY_METER);
  const name = nameOf(diagram);
  const file = keptFile(name);
  if (existsSync(file)) {
    const { runs, candidates } = JSON.parse(readFileSync(file, 'utf8')) as Prepared;
    const known = { runs: new UseRuns(diagram, runs), candidates };
    return new UnitDiagnosis(diagram, ORDINARY_METER, undefined, known);
  }
  const made = new UnitDiagnosis(diagram, ORDINARY_METER);
  keep(name, JSON.stringify(made.prepared()));
  return made;
}
