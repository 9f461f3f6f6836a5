import type { Diagram, Part } from '../diagram/diagram';
import { positionsOf, switchPosition } from '../diagram/setup';
import { splitRef, terminalRef } from '../diagram/terminal';
import { displayInterval } from '../meter/meter';
import type { Evidence, ReadingEvidence } from '../call/evidence';
import { provedByTwin } from './knownGoodUnit';
import { likelihood, slipShare } from './likelihood';
import type { UnitPredictor } from './unitPredictor';
import { readingsFor, type Suspect, type BeliefState } from './beliefState';
import { sameSaid, entryLikelihood } from './entryLikelihood';

/** What may have gone wrong with a reading, and how often it does; from memory. */
export const SLIPS = {
  state: {
    often: 0.02,
    says: 'the other state: door, knob or lever was not where it was said to be',
  },
  wires: { often: 0.02, says: 'wires still on' },
  neighbour: { often: 0.01, says: 'the neighbouring terminal' },
  twin: { often: 0.01, says: 'the twin of this part' },
  repeated: { often: 0.01, says: 'the reading before, entered once more' },
  meter: { often: 0.003, says: 'the wrong function or a jack: touch the leads first' },
  once: { often: 0, says: 'one reading alone, which condemns nothing: take it once more' },
  beeper: { often: 0, says: 'a beeper, which passes a burnt heater contact: read the number' },
} as const;

export type SlipKind = keyof typeof SLIPS;

/** A reading that fits a slip better than any fault: it is looked at again before anything is named. */
export interface SecondLook {
  entry: string;
  slip: SlipKind;
}

/** A reading that is at least this probable needs no second look. */
const EXPECTED = 0.1;
/** No reading is less probable by faults than this. */
const LEAST = 1e-6;
/** Explanations that a slip is weighed under. */
const WEIGHED = 24;
/** From this probability on a part is worth a number instead of a beep. */
const SUSPECTED = 0.05;

/** The reading that a slip explains best, if one explains any better than all faults do. */
export function secondLook(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
  { probabilities, suspects }: BeliefState,
): SecondLook | undefined {
  const said = entries.map(place);
  const proved = provedByTwin(predictor, entries);
  let best: (SecondLook & { odds: number }) | undefined;
  entries.forEach((entry, i) => {
    if (entry.kind !== 'reading' || entry.of === 'twin' || entry.shows.kind === 'volts') return;
    // It was looked at again already.
    if (said.some((each, k) => k !== i && each === said[i])) return;
    // A good twin has shown that leads, setup and expectation are right there.
    if (proved(entry)) return;
    const beeped = entry.shows.kind === 'beep' && isHeaterContact(predictor.diagram, entry);
    const owner = splitRef(entry.from).part;
    const suspected = suspects.find((each) => each.id === owner)?.probability ?? 0;
    if (beeped && suspected >= SUSPECTED && !best)
      best = { entry: entry.id, slip: 'beeper', odds: 1 };
    const rest = without(predictor, entry, probabilities);
    const asSaid = rest.reduce(
      (sum, { index, share }) => sum + share * (entryLikelihood(predictor, entry)[index] ?? 0),
      0,
    );
    if (asSaid >= EXPECTED) return;
    // What is left of it by faults alone.
    const slipped = slipShare(entry.shows, displayInterval(entry.shows, predictor.meter));
    const byFaults = Math.max(LEAST, asSaid - slipped);
    const consider = (slip: SlipKind, fits: number): void => {
      // What would be shown by a slip anywhere speaks for none.
      const odds = (SLIPS[slip].often * Math.max(0, fits - slipped)) / byFaults;
      if (odds > 1 && odds > (best?.odds ?? 0)) best = { entry: entry.id, slip, odds };
    };
    for (const [slip, other] of otherPlaces(predictor.diagram, entries, i))
      consider(
        slip,
        rest
          .slice(0, WEIGHED)
          .reduce(
            (sum, { index, share }) => sum + share * likelihoodAt(predictor, other, index),
            0,
          ),
      );
    // A lead in the wrong jack shows OL of anything, and a dial at volts 0 of anything that is dead.
    const { shows } = entry;
    if (shows.kind === 'over' || (shows.kind === 'ohms' && shows.ohms === 0)) consider('meter', 1);
  });
  return best && { entry: best.entry, slip: best.slip };
}

/** A suspect that only one reading speaks for is read once more before it is named. */
export function onceMore(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
  suspect: Suspect,
): SecondLook | undefined {
  const [only, more] = readingsFor(predictor, suspect, entries);
  const firm = only?.shows.kind === 'unsteady' || only?.shows.kind === 'volts';
  if (!only || more || firm || provedByTwin(predictor, entries)(only)) return undefined;
  return { entry: only.id, slip: 'once' };
}

const place = (entry: Evidence): string =>
  entry.kind === 'reading'
    ? JSON.stringify([entry.of, entry.from, entry.to, entry.setup, entry.wiggle])
    : sameSaid(entry);

/** The probabilities as they were without one entry, the likeliest first. */
function without(
  predictor: UnitPredictor,
  entry: Evidence,
  probabilities: Float64Array,
): { index: number; share: number }[] {
  const weights = entryLikelihood(predictor, entry);
  const before = probabilities.map((each, i) => each / Math.max(1e-9, weights[i] ?? 1));
  const total = before.reduce((sum, each) => sum + each, 0);
  return [...before]
    .map((each, index) => ({ index, share: each / total }))
    .sort((a, b) => b.share - a.share);
}

function likelihoodAt(predictor: UnitPredictor, reading: ReadingEvidence, index: number): number {
  const { shows, setup, from, to } = reading;
  if (shows.kind === 'volts') return 0;
  const shown = displayInterval(shows, predictor.meter);
  return likelihood(shows, shown, predictor.ownOhms(setup, from, to)(index));
}

/** Places that the probes or the unit may have been in instead. */
function otherPlaces(
  diagram: Diagram,
  entries: readonly Evidence[],
  at: number,
): [SlipKind, ReadingEvidence][] {
  const entry = entries[at];
  if (entry?.kind !== 'reading') return [];
  const { from, to, setup } = entry;
  const [one, two] = [splitRef(from), splitRef(to)];
  const part = diagram.parts.find((each) => each.id === one.part);
  const list: [SlipKind, ReadingEvidence][] = [];
  // What runs through the unit is not at one part, and its neighbours are too many.
  if (!part || one.part !== two.part) return list;
  if (part.kind === 'switch') {
    const stands = switchPosition(setup, part);
    for (const position of positionsOf(diagram, part))
      if (position !== stands)
        list.push([
          'state',
          { ...entry, setup: { ...setup, byHand: { ...setup.byHand, [part.id]: position } } },
        ]);
  }
  if (setup.lifted.length) list.push(['wires', { ...entry, setup: { ...setup, lifted: [] } }]);
  for (const { id } of part.terminals) {
    if (id === one.terminal || id === two.terminal) continue;
    list.push(['neighbour', { ...entry, to: terminalRef(part.id, id) }]);
    list.push(['neighbour', { ...entry, from: terminalRef(part.id, id) }]);
  }
  for (const twin of diagram.parts.filter((each) => isTwin(part, each)))
    list.push([
      'twin',
      {
        ...entry,
        from: terminalRef(twin.id, one.terminal),
        to: terminalRef(twin.id, two.terminal),
      },
    ]);
  const before = entries.slice(0, at).findLast((each) => each.kind === 'reading');
  if (before && sameSaid({ ...before, from, to, setup }) === sameSaid(entry))
    list.push(['repeated', before]);
  return list;
}

/** Parts with the same terminals that a hand takes one for the other. */
const isTwin = (one: Part, two: Part): boolean =>
  one.id !== two.id &&
  one.kind === two.kind &&
  one.panel === two.panel &&
  JSON.stringify(one.terminals) === JSON.stringify(two.terminals);

function isHeaterContact(diagram: Diagram, { from, to }: ReadingEvidence): boolean {
  const [one, two] = [splitRef(from), splitRef(to)];
  const part = diagram.parts.find((each) => each.id === one.part);
  if (part?.kind !== 'switch' || two.part !== part.id) return false;
  return part.contacts.some(
    ({ between, circuit }) =>
      circuit === 'heater' && between.includes(one.terminal) && between.includes(two.terminal),
  );
}
