import { useEffect, useMemo } from 'react';
import type { CallDetail } from '../../../contract/call';
import type { Found } from '../../../core/call/decision';
import type { WireMap } from '../../../core/call/wireMap';
import type { SwitchState } from '../../../core/inference/switchVerdict';
import type { Diagram, SwitchPart } from '../../../core/diagram/diagram';
import { findSwitch } from '../../../core/diagram/terminal';
import { parseDisplay, type DisplayProblem } from '../../../core/meter/display';
import type { Meter } from '../../../core/meter/meter';
import type { NextReading } from '../../../core/plan/nextReading';
import type { Depth } from '../../../core/plan/proof';
import { SwitchDiagnosis } from '../../../core/plan/switchDiagnosis';
import { selectCall } from '../../state/callView';
import { powerAndIsolation } from '../../../core/call/power';
import { readingsOf } from '../../../core/call/log';
import { type LoggedReading } from '../../../core/call/log';
import { loadCall } from '../../state/calls';
import { type Loading } from '../../state/loading';
import { diagramKey } from '../../state/diagrams';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { useMinute } from '../../ui/useMinute';
import { byAndBy } from '../../ui/whenIdle';
import { useSame } from '../../state/useSame';
import { useLog } from '../../state/useLog';
import { useMeter } from '../safety/useMeter';
import { usePresence } from '../safety/usePresence';
import { usePlannedProof } from './usePlannedProof';

/** What has to be done before the first reading, in order. */
export type Gate = 'made-safe' | 'meter-proved' | 'wires-off';

export interface SwitchProof {
  call: CallDetail;
  diagram: Diagram;
  part: SwitchPart;
  depth: Depth;
  /** It is a part on the bench that may be fitted, not the one in the unit. */
  bench: boolean;
  meter: Meter;
  /** All readings of the switch, with those that were taken back. */
  readings: readonly LoggedReading[];
  /** How many of them still count. */
  counting: number;
  state: SwitchState;
  next: NextReading | undefined;
  gate: Gate | undefined;
  /** Power was on, or may have been, since it was made safe. */
  poweredSince: boolean;
  /** @param meter what the meter that is proved is called */
  acknowledge: (gate: Gate, leadOhms?: number, meter?: string) => void;
  /** Enters what the meter showed; what is said both ways comes back as a question. */
  enter: (said: string, range: string | undefined) => DisplayProblem | undefined;
  takeBack: (id: string, reason: string) => void;
  /** Which wire sits where, before it comes off. */
  writeMap: (map: WireMap) => void;
  /** What is wrong with it is taken over, to be decided about. */
  found: (found: Found) => void;
}

export type ProofOpening =
  | { state: Exclude<Loading, 'ready'> | 'no-such-switch' | 'planning' }
  | { state: 'ready'; proof: SwitchProof };

/** Everything that the switch screen shows and does. */
export function useSwitchProof(callId: string, partId: string, bench = false): ProofOpening {
  const dispatch = useAppDispatch();
  const call = useAppSelector((root) => selectCall(root, callId));
  const loading = useAppSelector((root) => root.calls.openState[callId] ?? 'idle');
  const { depth } = useAppSelector((root) => root.settings);
  const log = useLog(callId);

  useEffect(() => {
    void dispatch(loadCall(callId));
  }, [dispatch, callId]);

  const diagram = call?.diagram;
  const entries = call?.entries;
  const now = useMinute();
  const since = usePresence(callId);
  const acknowledged = useMemo(
    () => powerAndIsolation(entries ?? [], diagram, { now, since }),
    [entries, diagram, now, since],
  );
  const { leadOhms } = acknowledged;
  const meter = useMeter(leadOhms);
  const diagnosis = useMemo(() => {
    const found = diagram && findSwitch(diagram, partId);
    return diagram && found?.ok ? new SwitchDiagnosis(diagram, found.value) : undefined;
  }, [diagram, partId]);
  const logged = useMemo(
    () => (diagram ? readingsOf(diagram, entries ?? [], partId, bench ? 'bench' : undefined) : []),
    [diagram, entries, partId, bench],
  );
  // Lines that say nothing of this switch leave its readings, and all that is made of them, alone.
  const readings = useSame(logged, logged.map(({ id, doubted }) => `${id}${doubted}`).join());
  const key = call && diagramKey(call.diagramId, call.diagramVersion);
  const planned = usePlannedProof(key, diagnosis, depth);
  const worked = useMemo(() => {
    if (!diagnosis || !planned) return undefined;
    const counting = readings.filter((each) => !each.doubted);
    return { ...diagnosis.of(counting, depth), counting };
  }, [diagnosis, planned, readings, depth]);
  useEffect(() => {
    if (!diagnosis || !worked?.next) return;
    const { counting, next } = worked;
    return byAndBy(diagnosis.foresee(counting, next, { meter }, depth));
  }, [diagnosis, worked, meter, depth]);

  if (!call) return { state: loading === 'ready' ? 'failed' : loading };
  if (!diagnosis) return { state: 'no-such-switch' };
  if (!worked) return { state: 'planning' };

  const { part } = diagnosis.predictor;
  const { next } = worked;
  const enter: SwitchProof['enter'] = (said, range) => {
    const parsed = parseDisplay(said);
    if (!parsed.ok) return parsed.error;
    if (!next) return undefined;
    const { from, to, setup, wiggle, lookedAgain } = next.place;
    const beeper = parsed.value.kind === 'beep' || parsed.value.kind === 'silent';
    log('reading', {
      part: part.id,
      from,
      to,
      setup,
      wiggle,
      lookedAgain,
      function: beeper ? 'beeper' : 'ohm',
      ...(range && !beeper && { range }),
      meter: meter.id,
      leadOhms: meter.leads.ohms,
      said,
      ...(bench && { of: 'bench' as const }),
      supersedes: next.supersedes,
    });
    return undefined;
  };
  // On the bench nothing feeds it, and nothing else hangs on it.
  const gate: Gate | undefined =
    !acknowledged.safe && !bench
      ? 'made-safe'
      : leadOhms === undefined
        ? 'meter-proved'
        : !bench && !acknowledged.wiresOff.has(part.id)
          ? 'wires-off'
          : undefined;
  return {
    state: 'ready',
    proof: {
      call,
      diagram: call.diagram,
      part,
      depth,
      bench,
      meter,
      readings,
      ...worked,
      counting: worked.counting.length,
      gate,
      poweredSince: acknowledged.poweredSince,
      acknowledge: (what, lead, named) =>
        log('acknowledged', {
          what,
          ...(what === 'wires-off' && { part: part.id }),
          ...(lead !== undefined && { leadOhms: lead }),
          ...(named !== undefined && { meter: named }),
        }),
      enter,
      takeBack: (names, reason) => log('doubt', { names, reason }),
      writeMap: (map) => log('wire-map', map),
      found: (found) => log('found', found),
    },
  };
}
