import { useEffect, useMemo, useState } from 'react';
import type { CallDetail } from '../../../contract/call';
import type { Evidence } from '../../../core/diagnose/evidence';
import type { Outcome } from '../../../core/behaviour/statement';
import { splitRef } from '../../../core/diagram/terminal';
import { parseDisplay, type DisplayProblem } from '../../../core/meter/display';
import { METERS } from '../../../core/meter/meter';
import type { UnitTest } from '../../../core/plan/unitTests';
import { acknowledgements, evidenceOf, selectCall } from '../../state/callView';
import { loadCall, type Loading } from '../../state/calls';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { useLog } from '../../state/useLog';
import { diagnose, type Answer } from '../../workers/diagnosis';

export interface Work {
  call: CallDetail;
  evidence: Evidence[];
  /** Undefined until the worker has answered for the first time. */
  answer: Answer | undefined;
  /** Whether the answer is of evidence that has grown since. */
  thinking: boolean;
  failed: string | undefined;
  safe: boolean;
  makeSafe: () => void;
  tell: (source: 'told' | 'seen', steps: string, subject: string, outcome: Outcome) => void;
  look: (look: string, found: boolean) => void;
  /** Enters what the meter showed; what is said both ways comes back as a question. */
  read: (test: Extract<UnitTest, { kind: 'ohm' }>, said: string) => DisplayProblem | undefined;
  takeBack: (id: string) => void;
}

export type Opening = { state: Exclude<Loading, 'ready'> } | { state: 'ready'; work: Work };

/** Everything that the work screen shows and does. */
export function useWork(callId: string): Opening {
  const dispatch = useAppDispatch();
  const log = useLog(callId);
  const call = useAppSelector((root) => selectCall(root, callId));
  const loading = useAppSelector((root) => root.calls.openState[callId] ?? 'idle');
  const [answer, setAnswer] = useState<Answer>();
  const [answered, setAnswered] = useState<Evidence[]>();
  const [failed, setFailed] = useState<string>();

  useEffect(() => {
    void dispatch(loadCall(callId));
  }, [dispatch, callId]);

  const entries = call?.entries;
  const evidence = useMemo(() => evidenceOf(entries ?? []), [entries]);
  const acknowledged = useMemo(() => acknowledgements(entries ?? []), [entries]);
  const diagram = call?.diagram;
  const key = call && `${call.diagramId}/${call.diagramVersion}`;
  useEffect(() => {
    if (!diagram || !key) return;
    diagnose({ key, diagram, entries: evidence }).then(
      (found) => {
        setAnswer(found);
        setAnswered(evidence);
        setFailed(undefined);
      },
      (error: Error) => setFailed(error.message),
    );
  }, [diagram, key, evidence]);

  if (!call) return { state: loading === 'ready' ? 'failed' : loading };
  const read: Work['read'] = (test, said) => {
    const parsed = parseDisplay(said);
    if (!parsed.ok) return parsed.error;
    const { from, to, setup, reach } = test;
    const beeper = parsed.value.kind === 'beep' || parsed.value.kind === 'silent';
    const wire = call.diagram.wires.find((each) => each.from === from && each.to === to);
    log('reading', {
      part: reach === 'wire' && wire ? wire.id : splitRef(from).part,
      from,
      to,
      setup,
      wiggle: false,
      lookedAgain: false,
      function: beeper ? 'beeper' : 'ohm',
      meter: METERS[0].id,
      leadOhms: acknowledged.leadOhms ?? METERS[0].leads.ohms,
      said,
      supersedes: [],
    });
    return undefined;
  };
  return {
    state: 'ready',
    work: {
      call,
      evidence,
      answer,
      thinking: answered !== evidence,
      failed,
      safe: acknowledged.safe,
      makeSafe: () => log('acknowledged', { what: 'made-safe' }),
      tell: (source, steps, subject, outcome) =>
        log('statement', { source, steps, subject, outcome }),
      look: (look, found) => log('look', { look, found }),
      read,
      takeBack: (names) => log('doubt', { names, reason: 'taken back' }),
    },
  };
}
