import { useEffect, useState } from 'react';
import type { Depth } from '../../../core/plan/proof';
import type { SwitchDiagnosis } from '../../../core/plan/switchDiagnosis';
import { askWorker } from '../../workers/diagnosis';

/** Cells of a table from which on its proof is planned beside the page. */
const BIG = 60;

/** Whether the proof of a switch is planned; that of a big table by the worker. */
export function usePlannedProof(
  key: string | undefined,
  diagnosis: SwitchDiagnosis | undefined,
  depth: Depth,
): boolean {
  const [planned, setPlanned] = useState<{ diagnosis: SwitchDiagnosis; depth: Depth }>();
  const part = diagnosis?.predictor.part;
  const big = part !== undefined && part.contacts.length * part.table.rows.length > BIG;
  useEffect(() => {
    if (!big || !diagnosis || key === undefined) return;
    let wanted = true;
    const done = (): void => {
      if (wanted) setPlanned({ diagnosis, depth });
    };
    const { diagram, part: read } = diagnosis.predictor;
    askWorker({ ask: 'proof', key, diagram, part: read.id, depth }).then((answer) => {
      if (answer.kind === 'proof') diagnosis.takeProof(depth, answer.steps);
      done();
      // Where there is no worker the page plans it itself, however long that takes.
    }, done);
    return () => {
      wanted = false;
    };
  }, [big, key, diagnosis, depth]);
  return !big || (planned?.diagnosis === diagnosis && planned?.depth === depth);
}
