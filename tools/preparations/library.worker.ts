import { firstAdviceOf } from '../../app/workers/firstAdvice';
import { ORDINARY_METER } from '../../core/meter/meter';
import { UnitDiagnosis } from '../../core/plan/unitDiagnosis';
import { builtIn } from '../../library/library';

/** All that is found out once of a built-in unit, and what comes first on it, each as text. */
export default function prepare(id: string): { prepared: string; first: string } {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(`no built-in unit is called ${id}`);
  const diagnosis = new UnitDiagnosis(diagram, ORDINARY_METER);
  return {
    prepared: JSON.stringify(diagnosis.prepared()),
    first: JSON.stringify(firstAdviceOf(diagnosis), finite),
  };
}

/** What JSON cannot hold must not become something else on its way. */
function finite(key: string, value: unknown): unknown {
  if (typeof value === 'number' && !Number.isFinite(value)) throw new Error(`${key} is ${value}`);
  return value;
}
