import { useEffect, useMemo } from 'react';
import type { CallDetail } from '../../../contract/call';
import type { Outcome } from '../../../core/behaviour/statement';
import {
  showsKey,
  type ActEvidence,
  type Evidence,
  type Felt,
  type ReadingEvidence,
  type Sight,
  type StatementEvidence,
} from '../../../core/call/evidence';
import type { Found } from '../../../core/call/decision';
import type { WireMap } from '../../../core/call/wireMap';
import { drawnSetup, poweredSetup } from '../../../core/diagram/setup';
import { splitRef } from '../../../core/diagram/terminal';
import { parseDisplay, parseVolts, type DisplayProblem } from '../../../core/meter/display';
import type { Meter } from '../../../core/meter/meter';
import type { TerminalRef } from '../../../core/diagram/diagram';
import type { FoundCounts } from '../../../core/inference/shopPriors';
import { Minutes } from '../../../core/plan/minutes';
import { toolKey } from '../../../core/plan/tools';
import { reasonsFor, refusalOf } from '../../../core/plan/refused';
import type {
  MeasureTest,
  OhmTest,
  TryTest,
  UnitTest,
  VoltTest,
} from '../../../core/plan/unitTests';
import type { WayOfWorking } from '../../../core/plan/wayOfWorking';
import { selectCall } from '../../state/callView';
import { powerAndIsolation, type PowerAndIsolation } from '../../../core/call/power';
import { evidenceOf, refusalsOf, type KnownOfUnit, type SetAside } from '../../../core/call/log';
import type { Reason, Refusal } from '../../../core/call/refusal';
import { minutesLeft } from '../../../core/call/timeLeft';
import { loadCall } from '../../state/calls';
import { type Loading } from '../../state/loading';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { change, stockKey, used } from '../../state/settings';
import { useMinute } from '../../ui/useMinute';
import { useFoundBefore } from '../../state/useFoundBefore';
import { useSame } from '../../state/useSame';
import { useLog } from '../../state/useLog';
import { useMeter } from '../safety/useMeter';
import { usePresence } from '../safety/usePresence';
import { useDiagnosis, type Diagnosis } from './useDiagnosis';

/** A test that is read with a meter. */
export type MeterTest = OhmTest | VoltTest;

export interface Work extends Diagnosis {
  call: CallDetail;
  /** What the worker knows the unit by. */
  key: string;
  evidence: readonly Evidence[];
  /** What the shop has found in such units, where it counts. */
  foundBefore: FoundCounts | undefined;
  /** Entries that cannot be used with the diagram as it is. */
  setAside: readonly SetAside[];
  meter: Meter;
  safe: boolean;
  /** Whether power was on since it was made safe: its state is unknown until proved dead. */
  poweredSince: boolean;
  /** Switches whose wires are off, and a jumper that is on. */
  wiresOff: ReadonlySet<string>;
  jumper: PowerAndIsolation['jumper'];
  way: WayOfWorking;
  blind: boolean;
  choose: (way: Partial<WayOfWorking>) => void;
  setBlind: (blind: boolean) => void;
  /** Whether a unit like this one that works can be read beside it. */
  knownGood: boolean;
  setKnownGood: (knownGood: boolean) => void;
  makeSafe: () => void;
  /** Which wire sits where on a part, before the first comes off. */
  writeMap: (map: WireMap) => void;
  /** The meter in hand is proved and its leads are read. */
  meterProved: boolean;
  proveMeter: (leadOhms: number, meter: string) => void;
  clip: (what: 'jumper-on' | 'jumper-off', jumper: NonNullable<TryTest['jumper']>) => void;
  standClear: () => void;
  tell: (
    source: 'told' | 'seen',
    steps: string,
    subject: string,
    outcome: Outcome,
    more?: Partial<Pick<StatementEvidence, 'jumper' | 'often' | 'since' | 'seconds'>>,
  ) => void;
  look: (look: string, found: boolean) => void;
  /** Something that was noticed of a part, and is in no list of looks. */
  notice: (part: string, sight: Sight) => void;
  measure: (test: MeasureTest, value: number, felt?: Felt) => void;
  act: (part: string, act: ActEvidence['act']) => void;
  /** What is wrong is taken over, to be decided about. */
  found: (found: Found) => void;
  /**
   * Enters what the meter showed; what is said both ways comes back as a question.
   */
  read: (test: MeterTest, said: string, how: HowRead) => DisplayProblem | undefined;
  takeBack: (id: string) => void;
  /** What this visit does not allow, and the reasons that fit a test. */
  refusals: readonly (Refusal & { id: string })[];
  reasonsFor: (test: UnitTest) => Reason[];
  /** A test is not done, nor any that wants the same. @param terminal the one that is not there */
  refuse: (test: UnitTest, why: Reason, terminal?: TerminalRef) => void;
  /** Something is not to be had on this visit at all. */
  refuseAll: (why: Reason) => void;
  /** A tool is not in the bag: nothing is planned that takes it. */
  refuseTool: (tool: string) => void;
  /** Undefined where the visit has no end. */
  minutesLeft: number | undefined;
  setMinutesLeft: (minutes: number | undefined) => void;
}

/** How a reading was taken, besides what its test says. */
export interface HowRead {
  /** Whether a good twin was read instead of this unit. */
  of: ReadingEvidence['of'];
  /** That the dial of a manual-range meter was on. */
  range: string | undefined;
  /** The reading that this one is a second look at. */
  instead: ReadingEvidence | undefined;
}

const NOTHING_KNOWN: KnownOfUnit = { evidence: [], setAside: [] };

export type WorkOpening = { state: Exclude<Loading, 'ready'> } | { state: 'ready'; work: Work };

/** Everything that the work screen shows and does. */
export function useWork(callId: string): WorkOpening {
  const dispatch = useAppDispatch();
  const log = useLog(callId);
  const call = useAppSelector((root) => selectCall(root, callId));
  const loading = useAppSelector((root) => root.calls.openState[callId] ?? 'idle');
  const { way, blind, knownGood } = useAppSelector((root) => root.settings);

  useEffect(() => {
    void dispatch(loadCall(callId));
  }, [dispatch, callId]);

  const entries = call?.entries;
  const diagram = call?.diagram;
  const known = useMemo(
    () => (diagram ? evidenceOf(diagram, entries ?? []) : NOTHING_KNOWN),
    [diagram, entries],
  );
  // The same evidence stays the same thing while lines that are none join the log.
  const evidence = useSame(known.evidence, known.evidence.map((each) => each.id).join());
  const now = useMinute();
  const since = usePresence(callId);
  const acknowledged = useMemo(
    () => powerAndIsolation(entries ?? [], diagram, { now, since }),
    [entries, diagram, now, since],
  );
  const { leadOhms } = acknowledged;
  const meter = useMeter(leadOhms);
  const key = call && `${call.diagramId}/${call.diagramVersion}`;
  const unit = useMemo(
    () => (diagram && key !== undefined ? { key, diagram } : undefined),
    [diagram, key],
  );
  const refused = useMemo(() => refusalsOf(entries ?? []), [entries]);
  const refusals = useSame(refused, refused.map((each) => each.id).join());
  // The plan goes by what was left at the last entry: it changes with an entry, not in the middle of a test.
  const planned = minutesLeft(entries ?? []);
  const left = planned === undefined ? undefined : Math.floor(planned);
  const allowed = useMemo(
    () => ({ ...way, refusals, ...(left !== undefined && { minutesLeft: left }) }),
    [way, refusals, left],
  );
  const minutes = useMemo(() => diagram && new Minutes(diagram), [diagram]);
  const foundBefore = useFoundBefore(call);
  const diagnosis = useDiagnosis(unit, evidence, allowed, foundBefore);
  if (!call || !unit || !minutes) return { state: loading === 'ready' ? 'failed' : loading };

  const read: Work['read'] = (test, said, { of, range, instead }) => {
    const live = test.kind === 'volt';
    if (live && parseVolts(said) === undefined)
      return { kind: 'unreadable', message: 'Say it in volts, such as 24.1 V or 80 mV.' };
    const parsed = live ? undefined : parseDisplay(said);
    if (parsed && !parsed.ok) return parsed.error;
    const display = parsed?.ok ? parsed.value : undefined;
    const beeper = display?.kind === 'beep' || display?.kind === 'silent';
    const { from, to } = test;
    const wire = call.diagram.wires.find((each) => each.from === from && each.to === to);
    // A second look that shows something else takes the place of the first.
    const other =
      of === 'unit' && instead && display && showsKey(display) !== showsKey(instead.shows);
    log('reading', {
      part: test.kind === 'ohm' && test.reach === 'wire' && wire ? wire.id : splitRef(from).part,
      from,
      to,
      setup: live ? poweredSetup(drawnSetup(call.diagram)) : test.setup,
      ...(live && { steps: test.steps }),
      ...(of === 'twin' && { of }),
      wiggle: live ? false : test.wiggle,
      lookedAgain: instead !== undefined,
      function: live ? 'volt' : beeper ? 'beeper' : 'ohm',
      ...(range !== undefined && !live && !beeper && { range }),
      meter: meter.id,
      leadOhms: meter.leads.ohms,
      said,
      supersedes: other ? [instead.id] : [],
    });
    return undefined;
  };
  return {
    state: 'ready',
    work: {
      ...diagnosis,
      call,
      key: unit.key,
      evidence,
      foundBefore,
      setAside: known.setAside,
      meter,
      safe: acknowledged.safe,
      poweredSince: acknowledged.poweredSince,
      wiresOff: acknowledged.wiresOff,
      jumper: acknowledged.jumper,
      way: allowed,
      blind,
      choose: (some) => dispatch(change({ way: { ...way, ...some } })),
      setBlind: (now) => dispatch(change({ blind: now })),
      knownGood,
      setKnownGood: (now) => dispatch(change({ knownGood: now })),
      meterProved: leadOhms !== undefined,
      proveMeter: (ohms, name) =>
        log('acknowledged', { what: 'meter-proved', leadOhms: ohms, meter: name }),
      writeMap: (map) => log('wire-map', map),
      makeSafe: () => log('acknowledged', { what: 'made-safe' }),
      clip: (what, jumper) => log('acknowledged', { what, jumper }),
      standClear: () => log('acknowledged', { what: 'stood-clear' }),
      tell: (source, steps, subject, outcome, { jumper, often, since, seconds } = {}) =>
        log('statement', {
          source,
          steps,
          subject,
          outcome,
          ...(often && { often }),
          ...(since && { since }),
          ...(seconds && { seconds }),
          ...(jumper && { jumper }),
        }),
      look: (look, found) => log('look', { look, found }),
      notice: (part, sight) => log('sight', { part, sight }),
      measure: ({ actuator, steps }, value, felt) =>
        log('measurement', {
          actuator,
          value,
          ...(felt === undefined ? { how: 'measured' } : { how: 'felt', felt }),
          ...(steps !== undefined && { steps }),
        }),
      act: (part, act) => {
        log('act', { part, act });
        if (act === 'replace') dispatch(used(stockKey(call.diagramId, part)));
      },
      found: (found) => log('found', found),
      read,
      takeBack: (names) => log('doubt', { names, reason: 'taken back' }),
      refusals,
      reasonsFor: (test) => reasonsFor(call.diagram, minutes, test),
      refuse: (test, why, terminal) =>
        log('refusal', refusalOf(call.diagram, minutes, test, why, terminal)),
      refuseAll: (why) => log('refusal', { why, of: [] }),
      refuseTool: (tool) => log('refusal', { why: 'no-tool', of: [toolKey(tool)] }),
      minutesLeft: minutesLeft(call.entries, now),
      setMinutesLeft: (minutes) =>
        log('acknowledged', { what: 'time-left', ...(minutes !== undefined && { minutes }) }),
    },
  };
}
