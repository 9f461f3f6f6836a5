import type { OnAndOff } from '../behaviour/onAndOff';
import type { Outcome } from '../behaviour/statement';
import type { TerminalRef } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';
import { pairKey, setupKey } from '../diagram/setupKey';
import type { Display } from '../meter/display';
import type { MeterUse } from '../meter/meter';

/** How often something is so that is told or was seen. */
export const HOW_OFTEN = ['always', 'now-and-then', 'once'] as const;
export type HowOften = (typeof HOW_OFTEN)[number];

/** What the customer told, or the technician saw: in this step of a use, this does that. */
export interface StatementEvidence {
  kind: 'statement';
  id: string;
  source: 'told' | 'seen';
  /** Steps as they are written, the last being the one that is spoken of. */
  steps: string;
  subject: string;
  outcome: Outcome;
  /** Nothing is taken for granted where it was not said. */
  often?: HowOften;
  /** Since when, in plain words: "since the storm". It is kept and shown, and weighs nothing. */
  since?: string;
  /** Where a clock was held to it. */
  seconds?: OnAndOff;
  /** A bridge that was clipped on for this try alone. */
  jumper?: [TerminalRef, TerminalRef];
}

/** An ohm or a volt reading, of this unit or of a good twin. */
export interface ReadingEvidence {
  kind: 'reading';
  id: string;
  from: TerminalRef;
  to: TerminalRef;
  setup: Setup;
  /** Of a live reading: what the unit had been brought to do, as steps. */
  steps?: string;
  /** Ohms with the power off; volts with it on. */
  shows: Display | { kind: 'volts'; volts: number };
  /** What it was taken with: it is weighed with that and no other. */
  taken: MeterUse;
  of: 'unit' | 'twin';
  wiggle: boolean;
}

/** A quick check without a meter; "looked, nothing" is evidence too. */
export interface LookEvidence {
  kind: 'look';
  id: string;
  look: string;
  found: boolean;
}

/** What somebody sees, hears, feels or smells of a part that nobody sent them to. */
export const SIGHTS = [
  'burnt',
  'loose',
  'broken',
  'wire-off',
  'stuck',
  'wet',
  'noisy',
  'hot',
  'smells',
  'wrong-part',
] as const;
export type Sight = (typeof SIGHTS)[number];

/** Something that was noticed of a part, wire or supply, and is in no list of looks. */
export interface SightEvidence {
  kind: 'sight';
  id: string;
  part: string;
  sight: Sight;
}

/** What is meant to put something right. */
export const REPAIRS = ['replace', 'clean', 'reconnect', 'adjust', 'reset', 'put-back'] as const;
/** What only may have changed it. */
export const TOUCHES = ['tap', 'reseat', 'pull'] as const;
export const ACTS = [...REPAIRS, ...TOUCHES] as const;

/**
 * Something was done to a part, supply, wire or quantity. After a repair a new chapter begins for it
 * (`inference/chapters.ts`); what is read after a tap or a tug does not clear it.
 */
export interface ActEvidence {
  kind: 'act';
  id: string;
  part: string;
  act: (typeof ACTS)[number];
}

/** How a quantity was found: by an instrument, or by a hand, an ear, an eye. */
export const HOW_FOUND = ['measured', 'felt'] as const;

/** An act that begins a new chapter for what it names. */
export type Repair = ActEvidence & { act: (typeof REPAIRS)[number] };

export const isRepairAct = (act: ActEvidence['act']): act is Repair['act'] =>
  REPAIRS.some((each) => each === act);

export const isRepair = (entry: Evidence): entry is Repair =>
  entry.kind === 'act' && isRepairAct(entry.act);

/** Place of the first entry after the last repair; of one part, or of any. 0 where there was none. */
export const sinceRepair = (entries: readonly Evidence[], part?: string): number =>
  entries.findLastIndex((each) => isRepair(each) && (part === undefined || each.part === part)) + 1;

/** What a hand says of a temperature: cold, warm, or too hot to be held. */
export const FELT = ['cold', 'warm', 'hot'] as const;
export type Felt = (typeof FELT)[number];

/** A quantity that moves switches, or the current of a load, as it was found: never taken for granted. */
export interface MeasurementEvidence {
  kind: 'measurement';
  id: string;
  /** The quantity, or the heater or motor that a clamp was put around a wire of. */
  actuator: string;
  /** In the actuator's own unit, a current in ampere; about so, where a hand felt it. */
  value: number;
  /** What a hand says, which is no number. */
  felt?: Felt;
  how: (typeof HOW_FOUND)[number];
  /** What the unit had been brought to do; as it stands, where nothing is said. */
  steps?: string;
}

/** One entry of what is known of a unit, in the order in which it came. */
export type Evidence =
  | StatementEvidence
  | ReadingEvidence
  | LookEvidence
  | SightEvidence
  | MeasurementEvidence
  | ActEvidence;

/** Where and how something was read: the same for the same two points in the same setup. */
export const placeKey = ({
  from,
  to,
  setup,
  steps,
  wiggle,
  of,
}: Omit<ReadingEvidence, 'shows' | 'taken'>): string =>
  [of, pairKey(from, to), setupKey(setup), steps ?? '', wiggle].join('|');

/** What an entry says, whichever entry it is: the same for what is entered twice. */
export function evidenceKey(entry: Evidence): string {
  switch (entry.kind) {
    case 'statement': {
      const { source, steps, subject, outcome, often, jumper } = entry;
      const bridge = jumper ? pairKey(...jumper) : '';
      return ['statement', source, steps, subject, outcome, often ?? '', bridge].join('|');
    }
    case 'reading': {
      const { meter, range } = entry.taken;
      const by = [meter.id, range ?? '', meter.leads.ohms];
      return [placeKey(entry), showsKey(entry.shows), ...by].join('|');
    }
    case 'look':
      return ['look', entry.look, entry.found].join('|');
    case 'sight':
      return ['sight', entry.part, entry.sight].join('|');
    case 'measurement':
      return [
        'measurement',
        entry.actuator,
        entry.steps ?? '',
        entry.felt ?? entry.value,
        entry.how,
      ].join('|');
    case 'act':
      return ['act', entry.part, entry.act].join('|');
  }
}

/** What a display says, as a text. */
export const showsKey = (shows: ReadingEvidence['shows']): string =>
  shows.kind === 'ohms'
    ? `${shows.ohms}`
    : shows.kind === 'volts'
      ? `${shows.volts} V`
      : shows.kind;
