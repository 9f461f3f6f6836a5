import { ORDINARY_METER } from '../core/meter/meter';
import { UnitDiagnosis } from '../core/plan/unitDiagnosis';
import { builtIn } from '../library/library';

/** All that is found out once of a built-in unit, as text. */
export default function prepare(id: string): string {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(`no built-in unit is called ${id}`);
  return JSON.stringify(new UnitDiagnosis(diagram, ORDINARY_METER).prepared());
}
