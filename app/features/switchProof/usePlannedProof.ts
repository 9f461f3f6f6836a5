import { useEffect, useState } from 'react';
import type { SwitchPredictor } from '../../../core/inference/switchPredictor';
import type { Depth } from '../../../core/plan/proof';
import { askWorker } from '../../workers/diagnosis';

/** Cells of a table from which on its proof is planned beside the page. */
const BIG = 60;

/** Whether the proof of a switch is planned; that of a big table by the worker. */
export function usePlannedProof(
  key: string | undefined,
  predictor: SwitchPredictor | undefined,
  depth: Depth,
): boolean {
  const [planned, setPlanned] = useState<{ predictor: SwitchPredictor; depth: Depth }>();
  const part = predictor?.part;
  const big = part !== undefined && part.contacts.length * part.table.rows.length > BIG;
  useEffect(() => {
    if (!big || !predictor || key === undefined) return;
    let wanted = true;
    const done = (): void => {
      if (wanted) setPlanned({ predictor, depth });
    };
    const { diagram } = predictor;
    askWorker({ ask: 'proof', key, diagram, part: predictor.part.id, depth }).then((answer) => {
      if (answer.kind === 'proof') predictor.takeProof(depth, answer.steps);
      done();
      // Where there is no worker the page plans it itself, however long that takes.
    }, done);
    return () => {
      wanted = false;
    };
  }, [big, key, predictor, depth]);
  return !big || (planned?.predictor === predictor && planned?.depth === depth);
}
