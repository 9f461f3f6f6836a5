import { sayGuesses } from './guesses';
import { UseRuns } from '../behaviour/useRuns';
import { causesSaid } from '../call/causesAsked';
import type { Decision } from '../call/decision';
import { isRepair, type Evidence, type ReadingEvidence } from '../call/evidence';
import { ledgerOf } from '../call/ledger';
import { evidenceOf } from '../call/log';
import type { LogEntry } from '../call/record';
import { lastOf, takenBack } from '../call/takenBack';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import { switchPosition, type Setup } from '../diagram/setup';
import { pairKey } from '../diagram/setupKey';
import { readAt, terminalRef } from '../diagram/terminal';
import { entryLikelihood, HEALTHY } from '../inference/entryLikelihood';
import { asHypothesis, shownUnder } from '../inference/shownUnder';
import { UnitPredictor } from '../inference/unitPredictor';
import { ORDINARY_METER } from '../meter/meter';
import { checksDue } from '../plan/closingChecks';
import { ordersDue } from '../plan/eventOrder';
import { repairStanding } from '../plan/repair';
import { branchOf, type ReportedPlace } from './branch';
import { sayChecks } from './closingChecks';
import { sayChance } from './chance';
import { sayFit } from './fit';
import { nameLine, sayPutBack } from './ledger';
import { CAUSE_WORDS } from './logEntry';
import { OPTION_WORDS } from './option';
import { sayOrderDue } from './eventOrder';
import { sayPosition } from './position';
import { sayGrades } from './proofGrades';
import { missingOf, sayRepairStanding } from './repair';
import { sayShownOn } from './shown';
import { saySetup } from './test';
import { nameOf, sayEvidence } from './unit';
import { capital, sayLast } from './use';

/** A call as it is reported on. */
export interface ReportedCall {
  appliance: { make: string; model: string; place: string; customer?: string | null };
  complaint: string;
  diagram: Diagram;
  entries: readonly LogEntry[];
  phoneAt: string;
}

/** One reading beside what was expected. */
export interface ReportedReading {
  /** In the customer's words: which part, and how it stood. */
  what: string;
  /** In the trade's: which points. */
  points: string;
  expected: string;
  shown: string;
  /** Undefined where it does not tell. */
  fits: boolean | undefined;
  after: boolean;
}

/** A call in words, for its customer and for the next technician. */
export interface CallReport {
  unit: string;
  place: string;
  customer: string | undefined;
  began: string;
  diagram: string;
  complaint: string;
  /** What was told, and what was seen before anything was repaired. */
  told: string[];
  /** `guess` is what of the diagram it rests on that nobody has read on the sheet. */
  found: { part: string; says: string; chance: string; guess?: string } | undefined;
  readings: ReportedReading[];
  looks: string[];
  branch: ReportedPlace[];
  causes: string[];
  decided:
    { option: string; along: string[]; choice: string | undefined; figures: Decision } | undefined;
  declined: string[];
  done: string[];
  /** What was held against the old part, and whether it fits. */
  fit: string[];
  /** How the repair stands, how far each switch was proved, and what is missing for it. */
  proof: { headline: string; grades: string[]; missing: string[] } | undefined;
  /** What was seen to go right after the repair. */
  seenAfter: string[];
  /** What was left as it is, and why. */
  left: string[];
  /** What was taken off, opened or put on, and is as it was again. */
  putBack: string[];
  cautions: string[];
  /** What was checked before it was handed back; what was not done is said. */
  checks: string[];
  /** What to do differently, from the causes that were found. */
  advice: string[];
}

/** Under this probability of a good unit showing it, a reading is not as it should be. */
const FITS_FROM = 0.1;

/** The report of a call; pure, and quick enough for a request: one run of a good unit, and its ohms in each setup read. */
export function reportOf({
  appliance,
  complaint,
  diagram,
  entries,
  phoneAt,
}: ReportedCall): CallReport {
  const { evidence } = evidenceOf(diagram, entries);
  const runs = new UseRuns(diagram);
  const good = new UnitPredictor(diagram, ORDINARY_METER, [asHypothesis(diagram, runs, [])]);
  const repaired = evidence.findIndex(isRepair);
  const gone = takenBack(entries);
  const ledger = ledgerOf(diagram, entries);
  const checks = checksDue(diagram, entries, evidence);
  const before = repaired < 0 ? evidence : evidence.slice(0, repaired);
  const after = repaired < 0 ? [] : evidence.slice(repaired + 1);
  const found = lastOf(entries, 'found')?.body;
  const guess = sayGuesses(diagram, found?.part);
  const decision = lastOf(entries, 'decision')?.body;
  const standing = repairStanding(good, evidence);
  const said = (list: readonly Evidence[], kind: Evidence['kind']): string[] =>
    list
      .filter((each) => each.kind === kind)
      .map((each) => {
        const { what, shown } = sayEvidence(diagram, each);
        return `${shown} (${what})`;
      });
  return {
    unit: `${appliance.make} ${appliance.model}`,
    place: appliance.place,
    customer: appliance.customer ?? undefined,
    began: phoneAt,
    diagram: diagram.name,
    complaint,
    told: said(before, 'statement'),
    found: found && {
      part: nameOf(diagram, found.part),
      says: found.says,
      chance: found.by === 'person' ? 'by the technician’s own word' : sayChance(found.chance),
      ...(guess !== undefined && { guess }),
    },
    readings: evidence.flatMap((each, i) =>
      each.kind === 'reading' ? [readingOf(good, each, repaired >= 0 && i > repaired)] : [],
    ),
    looks: evidence
      .filter(({ kind }) => kind === 'look' || kind === 'sight' || kind === 'measurement')
      .map((each) => {
        const { what, shown } = sayEvidence(diagram, each);
        return `${what}: ${shown}`;
      }),
    branch: branchOf(diagram, runs, found),
    causes: causesSaid(diagram, entries).flatMap(({ part, causes }) =>
      causes.flatMap(({ cause, outcome, words }) =>
        outcome
          ? [
              `${nameOf(diagram, part)}: ${cause}: ${CAUSE_WORDS[outcome]}${words === undefined ? '' : `, ${words}`}`,
            ]
          : [],
      ),
    ),
    decided: decision && {
      option: OPTION_WORDS[decision.option],
      along: decision.along.map((each) => nameOf(diagram, each)),
      choice: decision.choice,
      figures: decision,
    },
    declined: decision?.declined ?? [],
    done: evidence
      .filter(({ kind }) => kind === 'act')
      .map((each) => {
        const { what, shown } = sayEvidence(diagram, each);
        return `${what}: ${shown}`;
      }),
    proof: standing && {
      headline: sayRepairStanding(diagram, standing, evidence, true).headline,
      grades: sayGrades(diagram, checks, evidence, standing),
      missing: missingOf(diagram, standing),
    },
    fit: entries.flatMap(({ id, kind, body }) =>
      kind === 'fit' && !gone.has(id) ? [sayFit(diagram, body, entries)] : [],
    ),
    seenAfter: [
      ...said(after, 'statement'),
      ...ordersDue(diagram, entries, evidence).flatMap((each) =>
        each.verdict ? [sayOrderDue(diagram, each)] : [],
      ),
    ],
    putBack: ledger.flatMap((line) =>
      line.closed?.how === 'back' && line.what !== 'cause'
        ? [`${nameLine(diagram, line)}: ${sayPutBack(line.what).toLowerCase()}`]
        : [],
    ),
    left: ledger.flatMap((line) =>
      line.closed?.how === 'left' ? [`${nameLine(diagram, line)}: ${line.closed.words ?? ''}`] : [],
    ),
    cautions: diagram.cautions,
    checks: sayChecks(diagram, checks),
    advice: adviceOf(diagram, entries),
  };
}

function readingOf(good: UnitPredictor, entry: ReadingEvidence, after: boolean): ReportedReading {
  const { diagram } = good;
  const { from, to, setup, steps } = entry;
  const shows = shownUnder(good, HEALTHY, steps === undefined ? { setup } : { steps }, from, to);
  const { what, shown } = sayEvidence(diagram, entry);
  const part = readAt(diagram, from, to);
  const stood = steps === undefined ? stoodIn(diagram, setup, part) : [sayLast(diagram, steps)];
  const tells = shows.kind !== 'none';
  return {
    what: [`${nameOf(diagram, part)}${contactIn(diagram, part, from, to)}`, ...stood].join(', '),
    points: what,
    expected: tells ? sayShownOn(ORDINARY_METER, shows) : 'nothing that can be foretold',
    shown,
    fits: tells ? (entryLikelihood(good, entry)[HEALTHY] ?? 0) >= FITS_FROM : undefined,
    after,
  };
}

/** Which contact of a switch that has several: two throws of one switch show opposite things. */
function contactIn(diagram: Diagram, id: string, from: TerminalRef, to: TerminalRef): string {
  const part = diagram.parts.find((each) => each.id === id);
  if (part?.kind !== 'switch' || part.contacts.length < 2) return '';
  const read = pairKey(from, to);
  const contact = part.contacts.find(
    ({ between: [one, two] }) => pairKey(terminalRef(id, one), terminalRef(id, two)) === read,
  );
  return contact ? ` (${contact.id})` : '';
}

/** How everything stood while it was read: what was moved, and at least what moves the switch itself. */
function stoodIn(diagram: Diagram, setup: Setup, id: string): string[] {
  const moved = saySetup(diagram, setup, id).filter((each) => !each.startsWith('wires off'));
  const part = diagram.parts.find((each) => each.id === id);
  if (moved.length || part?.kind !== 'switch') return moved;
  const position = switchPosition(setup, part);
  return position === undefined ? [] : [sayPosition(diagram, part.actuator, position)];
}

/** What to do differently, so that it does not come again: from the causes that were found. */
function adviceOf(diagram: Diagram, entries: readonly LogEntry[]): string[] {
  const found = causesSaid(diagram, entries).flatMap(({ part, causes }) =>
    causes
      .filter(({ outcome }) => outcome === 'found')
      .map(
        ({ cause }) =>
          `${capital(cause)}: have it put right, or ${nameOf(diagram, part).toLowerCase()} fails again.`,
      ),
  );
  return found;
}
