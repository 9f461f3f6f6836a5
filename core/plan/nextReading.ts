import { neverPairs } from '../diagram/contactTable';
import type { SwitchPart } from '../diagram/diagram';
import { switchPosition } from '../diagram/setup';
import { splitRef, terminalRef } from '../diagram/terminal';
import { isolate } from '../circuit/isolation';
import { samePlace, type Explanation, type SwitchState } from '../inference/switchVerdict';
import { GOOD } from '../inference/switchHypotheses';
import { entropy } from '../inference/posterior';
import type { SwitchPredictor } from '../inference/switchPredictor';
import type { Reading, ReadingPlace } from '../call/reading';
import { coldPositions, proofSetup } from './proof';

/** The reading to take next and why it is asked for. */
export interface NextReading {
  place: ReadingPlace;
  position: string;
  why: 'proof' | 'settle' | 'repeat' | 'look-again';
  /** Readings that this one takes the place of, once the setup has been looked at again. */
  supersedes: string[];
}

/** Bits below which a reading is not worth the walk to the unit. */
const WORTH_BITS = 0.01;
/** Explanations that are no less probable than this still stand between a fault and its naming. */
const STANDS = 0.003;
/** A sixth reading at one place says what five have said. */
const MOST_AT_ONE_PLACE = 4;
/**
 * Bits that a reading has to tell more for being a nuisance: a lever moved by finger means a switch
 * off its bracket, a door is not easily held ajar, the same place again teaches less.
 */
const PRICE = { byHand: 0.02, again: 0.02, between: 0.01, midway: 0.1 };

/**
 * The next reading of a switch: the next unseen step of its proof while all agrees; once something
 * does not, the reading that tells the standing explanations apart best.
 * @returns undefined when the verdict stands and nothing more is asked for
 */
export function nextReading(
  predictor: SwitchPredictor,
  readings: readonly Reading[],
  state: SwitchState,
): NextReading | undefined {
  const next = choose(predictor, readings, state);
  // Who has been asked once to look at the setup is careful from then on.
  const careful = next?.why === 'look-again' || readings.some((each) => each.lookedAgain);
  return next && { ...next, place: { ...next.place, lookedAgain: careful } };
}

function choose(
  predictor: SwitchPredictor,
  readings: readonly Reading[],
  state: SwitchState,
): NextReading | undefined {
  const { part } = predictor;
  const { verdict } = state;
  const again = (reading: Reading, why: NextReading['why'], supersedes: string[]): NextReading => ({
    place: placeOf(reading),
    position: switchPosition(reading.setup, part) ?? part.free,
    why,
    supersedes,
  });
  switch (verdict.kind) {
    case 'good':
    case 'fault':
      return undefined;
    case 'half-proved': {
      const [step] = verdict.unseen;
      return step && { place: step, position: step.position, why: 'proof', supersedes: [] };
    }
    case 'check-again': {
      const first = readings.find((each) => verdict.readings.includes(each.id));
      return first && again(first, 'look-again', verdict.readings);
    }
    case 'undecided': {
      const standing = state.explanations.filter((each) => each.probability > STANDS);
      const settle = bestSettling(predictor, readings, standing);
      if (verdict.needs === 'another-reading' && settle && settle.bits > WORTH_BITS) {
        return { ...settle, why: 'settle', supersedes: [] };
      }
      const odd = readings.filter((each) => state.judgements.get(each.id)?.agrees === false).at(-1);
      if (odd && readings.filter((each) => samePlace(part, each, odd)).length < 2) {
        return again(odd, 'repeat', []);
      }
      // No reading tells a slip that is still standing from the fault: only looking again does.
      const slipped = standing.some((each) => each.hypothesis.kind === 'slip');
      if (odd && slipped && !readings.some((each) => each.lookedAgain)) {
        return again(odd, 'look-again', [odd.id]);
      }
      const step = state.proof.find(
        (each) => !readings.some((reading) => samePlace(part, each, reading)),
      );
      return step && { place: step, position: step.position, why: 'proof', supersedes: [] };
    }
  }
}

const placeOf = ({ part, from, to, setup, wiggle, lookedAgain }: Reading): ReadingPlace => ({
  part,
  from,
  to,
  setup,
  wiggle,
  lookedAgain,
});

interface CandidateReading {
  place: ReadingPlace;
  position: string;
  bits: number;
  /** Bits less what the nuisance of it counts for. */
  worth: number;
}

/** The place whose outcome leaves the least doubt between the explanations (expected entropy). */
function bestSettling(
  predictor: SwitchPredictor,
  readings: readonly Reading[],
  leading: readonly Explanation[],
): CandidateReading | undefined {
  let best: CandidateReading | undefined;
  for (const { place, position, price } of candidates(
    predictor,
    concerned(predictor.part, readings, leading),
  )) {
    const taken = readings.filter(
      (each) => samePlace(predictor.part, each, place) && each.wiggle === place.wiggle,
    ).length;
    if (taken > MOST_AT_ONE_PLACE) continue;
    const bits = information(predictor, place, leading);
    const worth = bits - price - PRICE.again * taken;
    if (!best || worth > best.worth + 1e-9) best = { place, position, bits, worth };
  }
  return best;
}

/** Terminals at which something was read or is suspected: all others read alike whatever is wrong. */
function concerned(
  { contacts }: SwitchPart,
  readings: readonly Reading[],
  leading: readonly Explanation[],
): Set<string> {
  const terminals = new Set(
    readings.flatMap(({ from, to }) => [splitRef(from).terminal, splitRef(to).terminal]),
  );
  for (const { hypothesis } of leading) {
    if (hypothesis.kind === 'slip' && hypothesis.slip.kind === 'neighbour')
      hypothesis.slip.terminals.forEach((each) => terminals.add(each));
    if (hypothesis.kind !== 'fault') continue;
    for (const fault of hypothesis.faults) {
      const between =
        'contact' in fault
          ? contacts.find((each) => each.id === fault.contact)?.between
          : fault.mode === 'bridged'
            ? fault.between
            : undefined;
      between?.forEach((each) => terminals.add(each));
    }
  }
  return terminals;
}

/**
 * Every pair of the switch at one of some terminals in every position, held still, wiggled, and moved
 * by finger.
 */
function candidates(
  { diagram, part }: SwitchPredictor,
  at: ReadonlySet<string>,
): (Omit<CandidateReading, 'bits' | 'worth'> & { price: number })[] {
  const { lift } = isolate(diagram, part);
  const pairs = [
    ...part.contacts.map((each) => ({ between: each.between, price: 0 })),
    ...neverPairs(part).map((between) => ({ between, price: PRICE.between })),
  ].filter(({ between: [a, b] }) => at.has(a) || at.has(b));
  const positions = coldPositions(diagram, part);
  return positions.flatMap((position) => {
    const midway = position === positions[0] || position === positions.at(-1) ? 0 : PRICE.midway;
    const setup = proofSetup(diagram, part, position, lift);
    const held = { ...setup, byHand: { [part.id]: position } };
    return pairs.flatMap(({ between: [a, b], price: own }) => {
      const price = own + midway;
      const base = {
        part: part.id,
        from: terminalRef(part.id, a),
        to: terminalRef(part.id, b),
        lookedAgain: false,
      };
      return [
        { place: { ...base, setup, wiggle: false }, position, price },
        { place: { ...base, setup, wiggle: true }, position, price },
        ...(part.handless
          ? []
          : [
              {
                place: { ...base, setup: held, wiggle: false },
                position,
                price: price + PRICE.byHand,
              },
            ]),
      ];
    });
  });
}

/** Bits that a reading is expected to take off the doubt between explanations. */
function information(
  predictor: SwitchPredictor,
  place: ReadingPlace,
  leading: readonly Explanation[],
): number {
  // Where a good switch may show either, no outcome tells anything.
  if (predictor.outcome(place, GOOD) === 'unknown') return 0;
  const groups = new Map<string, number[]>();
  let total = 0;
  for (const { hypothesis, probability } of leading) {
    const outcome = predictor.outcome(place, hypothesis);
    // An explanation that foretells nothing here is neither helped nor hurt.
    if (outcome === 'unknown') continue;
    total += probability;
    groups.set(outcome, [...(groups.get(outcome) ?? []), probability]);
  }
  let left = 0;
  for (const weights of groups.values()) {
    const mass = weights.reduce((sum, each) => sum + each, 0);
    left += (mass / total) * entropy(weights, mass);
  }
  return total === 0 ? 0 : entropy([...groups.values()].flat(), total) - left;
}
