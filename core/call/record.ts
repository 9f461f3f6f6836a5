import { parseDisplay, parseVolts, type Display } from '../meter/display';
import type {
  ActEvidence,
  LookEvidence,
  MeasurementEvidence,
  SightEvidence,
  StatementEvidence,
} from './evidence';
import type { Refusal } from './refusal';
import type { TerminalRef } from '../diagram/diagram';
import type { NewPart } from './candidate';
import type { CauseLooked } from './cause';
import type { Checked } from './closingCheck';
import type { Decision, Found } from './decision';
import type { Closing, Disturbance } from './ledgerLine';
import type { OrderSeen } from './orderSeen';
import type { PutRight } from './putRight';
import type { ReadingPlace } from './reading';
import type { WireMap } from './wireMap';

/** A reading as it is logged: with what it was taken with, and what the display said as it was said. */
export interface ReadingRecord extends ReadingPlace {
  function: 'ohm' | 'beeper' | 'volt';
  /** Of a live reading: what the unit had been brought to do, as steps. */
  steps?: string;
  /** Read on a good twin of the unit, or of a part that may be fitted, on the bench; this unit when absent. */
  of?: 'twin' | 'bench';
  range?: string;
  meter: string;
  leadOhms: number;
  said: string;
  /** Earlier readings that this one takes the place of. */
  supersedes: string[];
}

/** What stops the flow until somebody says that it is done. */
export interface Acknowledgement {
  what: (typeof ACKNOWLEDGED)[number];
  part?: string;
  leadOhms?: number;
  /** What the meter that is proved is called. */
  meter?: string;
  /** Of the time that is left of a visit; without them there is no end to it. */
  minutes?: number;
  /** The two terminals that a jumper was clipped to, or taken off. */
  jumper?: [TerminalRef, TerminalRef];
}

export const ACKNOWLEDGED = [
  'made-safe',
  'meter-proved',
  'wires-off',
  'stood-clear',
  'jumper-on',
  'jumper-off',
  'time-left',
] as const;

/** What is said in an entry, by its kind. */
export interface Records {
  reading: ReadingRecord;
  /** A retraction: an earlier entry is taken back and stays in the log. */
  doubt: { names: string; reason: string };
  acknowledged: Acknowledgement;
  stage: { stage: 'open' | 'done' };
  diagram: { diagram?: string; version: number; reason: string };
  statement: Pick<
    StatementEvidence,
    'source' | 'steps' | 'subject' | 'often' | 'since' | 'seconds' | 'jumper'
  > & {
    outcome: string;
  };
  look: Pick<LookEvidence, 'look' | 'found'>;
  measurement: Pick<MeasurementEvidence, 'actuator' | 'value' | 'felt' | 'how' | 'steps'>;
  act: Pick<ActEvidence, 'part' | 'act'>;
  sight: Pick<SightEvidence, 'part' | 'sight'>;
  /** What was written down of the unit or its complaint, put right. */
  correction: {
    make?: string;
    model?: string;
    place?: string;
    customer?: string;
    complaint?: string;
    /** The diagram that the unit is worked with from here on, and its version: one never without the other. */
    diagramId?: string;
    diagramVersion?: number;
  };
  /** A test that is not done on this visit, and why. */
  refusal: Refusal;
  /** Something was moved, taken off or put on: a line of the ledger is open. */
  opened: { what: Exclude<Disturbance, 'cause'>; of: string };
  /** A line of the ledger is put right, or spoken for. */
  closed: { line: string } & Closing;
  'wire-map': WireMap;
  cause: CauseLooked;
  found: Found;
  order: OrderSeen;
  fit: NewPart;
  checked: Checked;
  decision: Decision;
  'put-right': PutRight;
}

/** A line of a call's log; lines are only ever added. */
export type LogEntry = {
  [K in keyof Records]: { id: string; phoneAt: string; kind: K; body: Records[K] };
}[keyof Records];

/** What a reading showed; undefined where what was said does not say one thing. */
export function shownIn({
  said,
  function: meant,
}: Pick<ReadingRecord, 'said' | 'function'>):
  Display | { kind: 'volts'; volts: number } | undefined {
  if (meant === 'volt') {
    const volts = parseVolts(said);
    return volts === undefined ? undefined : { kind: 'volts', volts };
  }
  const parsed = parseDisplay(said);
  return parsed.ok ? parsed.value : undefined;
}
