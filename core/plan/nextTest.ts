import type { Evidence } from '../diagnose/evidence';
import type { UnitPredictor } from '../diagnose/unitPredictor';
import { HEALTHY, hidden, pointsTo } from '../diagnose/weighEvidence';
import {
  isAtItself,
  NAME_FROM,
  readAtItself,
  type UnitState,
  type UnitVerdict,
} from '../diagnose/unitState';
import type { OhmAnswer } from '../circuit/ohmReading';
import { minutesOf, panelsOf, unitTests, type Bench, type UnitTest } from './unitTests';

/** A test with what it costs and what it is worth. */
export interface Advice {
  test: UnitTest;
  minutes: number;
  /** Bits that it is expected to take off the doubt between suspects. */
  bits: number;
  /** Minutes to the verdict that are expected when it is taken first. */
  expected: number;
}

/** Minutes that a bit of doubt is taken to cost, where nobody looks further ahead; from memory. */
const MINUTES_PER_BIT = 2.5;
/** A test that tells less than this is not worth the walk. */
const WORTH_BITS = 0.02;
/** Tests that are looked at two steps ahead, and those that may follow them. */
const AHEAD = { first: 10, second: 40 };
/** A test that was taken twice says no more. */
const MOST_TIMES = 2;

/** A unit that nobody has opened yet. */
const UNTOUCHED: Bench = { openPanels: new Set(), setup: undefined };
/** A test with the outcome that each hypothesis foretells, as a small number; -1 for "cannot say". */
interface Candidate {
  test: UnitTest;
  key: string;
  outcome: Int16Array;
}

/** Plans tests for one unit; kept while a call is worked. */
export class UnitPlanner {
  private readonly candidates: Candidate[];
  private readonly suspectOf: Int16Array;
  private readonly suspects: number;

  constructor(readonly predictor: UnitPredictor) {
    const ids = new Map<string | undefined, number>();
    this.suspectOf = Int16Array.from(predictor.hypotheses, ({ suspect }) => {
      const known = ids.get(suspect) ?? ids.size;
      ids.set(suspect, known);
      return known;
    });
    this.suspects = ids.size;
    // Of tests that tell the same and open the same panels only the quickest is kept.
    const kept = new Map<string, Candidate & { minutes: number }>();
    for (const test of unitTests(predictor.diagram)) {
      const outcome = this.outcomes(test);
      if (new Set(outcome).size < 2) continue;
      const minutes = minutesOf(predictor.diagram, test, UNTOUCHED);
      const own = test.kind === 'ohm' && test.reach !== 'through' ? keyOf(test) : '';
      const tells = `${own} ${panelsOf(predictor.diagram, test).sort().join()} ${outcome.join()}`;
      const known = kept.get(tells);
      if (!known || minutes < known.minutes)
        kept.set(tells, { test, key: keyOf(test), outcome, minutes });
    }
    this.candidates = [...kept.values()];
  }

  /** The verdict that stands, and else the tests that lead to one, the best first. */
  advise(
    state: UnitState,
    entries: readonly Evidence[],
  ): { verdict: UnitVerdict; tests: Advice[] } {
    const { diagram } = this.predictor;
    const [first] = state.suspects;
    if (!first) return { verdict: { kind: 'open', needs: 'test' }, tests: [] };
    if (first.probability >= NAME_FROM) {
      if (first.id === undefined)
        return { verdict: { kind: 'nothing-found', probability: first.probability }, tests: [] };
      if (readAtItself(this.predictor, first, entries))
        return { verdict: { kind: 'named', suspect: first }, tests: [] };
      const index = this.predictor.hypotheses.indexOf(first.leading);
      const own = this.rank(
        state,
        entries,
        ({ test, outcome }) =>
          test.kind === 'ohm' &&
          test.reach !== 'through' &&
          isAtItself(diagram, first.id ?? '', test) &&
          outcome[index] !== outcome[HEALTHY],
      );
      const [best] = own;
      // Its own terminals show nothing of some faults: a motor that is held, a hose that is off.
      if (!best) return { verdict: { kind: 'named', suspect: first }, tests: [] };
      return { verdict: { kind: 'open', needs: 'own-terminals' }, tests: own };
    }
    const tests = this.rank(state, entries, () => true).filter((each) => each.bits > WORTH_BITS);
    if (tests.length) return { verdict: { kind: 'open', needs: 'test' }, tests };
    let probability = 0;
    const suspects = state.suspects.filter((each) => {
      const needed = probability < NAME_FROM;
      if (needed) probability += each.probability;
      return needed;
    });
    return { verdict: { kind: 'group', suspects, probability }, tests: [] };
  }

  private rank(
    state: UnitState,
    entries: readonly Evidence[],
    wanted: (candidate: Candidate) => boolean,
  ): Advice[] {
    const bench = benchAfter(this.predictor, entries);
    const taken = new Map<string, number>();
    for (const entry of entries) {
      const key = keyOfEntry(entry);
      if (key) taken.set(key, (taken.get(key) ?? 0) + 1);
    }
    const now = entropyOf(this.masses(state.probabilities));
    const scored = this.candidates
      .filter((each) => wanted(each) && (taken.get(each.key) ?? 0) < MOST_TIMES)
      .map((candidate) => {
        const minutes = minutesOf(this.predictor.diagram, candidate.test, bench);
        const left = this.left(candidate, state.probabilities);
        const again = taken.get(candidate.key) ?? 0;
        const bits = again ? (now - left) / 4 : now - left;
        return { candidate, minutes, bits, expected: minutes + MINUTES_PER_BIT * (now - bits) };
      })
      .sort((a, b) => a.expected - b.expected);
    const seconds = scored.slice(0, AHEAD.second);
    const ahead = scored.slice(0, AHEAD.first).map((one) => {
      let expected = one.minutes;
      for (const [share, after] of this.branches(one.candidate, state.probabilities)) {
        const doubt = entropyOf(this.masses(after));
        let best = MINUTES_PER_BIT * doubt;
        if (doubt > 0.2)
          for (const two of seconds) {
            if (two.candidate === one.candidate) continue;
            const cost = two.minutes + MINUTES_PER_BIT * this.left(two.candidate, after);
            best = Math.min(best, cost);
          }
        expected += share * best;
      }
      return { ...one, expected };
    });
    return [...ahead.sort((a, b) => a.expected - b.expected), ...scored.slice(AHEAD.first)].map(
      ({ candidate, minutes, bits, expected }) => ({
        test: candidate.test,
        minutes,
        bits,
        expected,
      }),
    );
  }

  /** Probability of each suspect. */
  private masses(probabilities: Float64Array): Float64Array {
    const masses = new Float64Array(this.suspects);
    probabilities.forEach((each, i) => {
      const suspect = this.suspectOf[i] ?? 0;
      masses[suspect] = (masses[suspect] ?? 0) + each;
    });
    return masses;
  }

  /** Each outcome of a test with its probability, and the probabilities after it. */
  private branches({ outcome }: Candidate, probabilities: Float64Array): [number, Float64Array][] {
    const after = new Map<number, Float64Array>();
    const shares = new Map<number, number>();
    const put = (which: number, i: number, weight: number): void => {
      const list = after.get(which) ?? new Float64Array(probabilities.length);
      list[i] = weight;
      after.set(which, list);
      shares.set(which, (shares.get(which) ?? 0) + weight);
    };
    let known = 0;
    probabilities.forEach((each, i) => {
      const which = outcome[i] ?? -1;
      if (which < 0) return;
      known += each;
      put(which, i, each);
    });
    // What cannot say is in every branch as it was.
    return [...after].map(([which, list]) => {
      const share = (shares.get(which) ?? 0) / (known || 1);
      probabilities.forEach((each, i) => {
        if ((outcome[i] ?? -1) < 0) list[i] = each * share;
      });
      const total = list.reduce((sum, each) => sum + each, 0) || 1;
      return [share, list.map((each) => each / total)];
    });
  }

  /** Doubt between suspects that a test is expected to leave, in bits. */
  private left({ outcome }: Candidate, probabilities: Float64Array): number {
    const kinds = outcome.reduce((most, each) => Math.max(most, each), 0) + 1;
    const masses = new Float64Array(kinds * this.suspects);
    const totals = new Float64Array(kinds);
    const unknown = new Float64Array(this.suspects);
    let unknowns = 0;
    for (let i = 0; i < probabilities.length; i++) {
      const weight = probabilities[i] ?? 0;
      const suspect = this.suspectOf[i] ?? 0;
      const which = outcome[i] ?? -1;
      if (which < 0) {
        unknown[suspect] = (unknown[suspect] ?? 0) + weight;
        unknowns += weight;
        continue;
      }
      const at = which * this.suspects + suspect;
      masses[at] = (masses[at] ?? 0) + weight;
      totals[which] = (totals[which] ?? 0) + weight;
    }
    let left = 0;
    for (let which = 0; which < kinds; which++) {
      const share = (totals[which] ?? 0) / (1 - unknowns || 1);
      if (share === 0) continue;
      let entropy = 0;
      for (let suspect = 0; suspect < this.suspects; suspect++) {
        const mass =
          (masses[which * this.suspects + suspect] ?? 0) + (unknown[suspect] ?? 0) * share;
        if (mass > 0) entropy -= (mass / share) * Math.log2(mass / share);
      }
      left += share * entropy;
    }
    return left;
  }

  /** What each hypothesis foretells, in as many kinds as a meter tells apart at a glance. */
  private outcomes(test: UnitTest): Int16Array {
    const { predictor } = this;
    const kinds = new Map<string, number>();
    return Int16Array.from(predictor.hypotheses, ({ faults }, i) => {
      const seen = this.seen(test, i);
      // An intermittent contact shows what a good one shows, nearly always.
      if (seen === undefined || (test.kind === 'try' && faults.some(hidden))) return -1;
      const known = kinds.get(seen) ?? kinds.size;
      kinds.set(seen, known);
      return known;
    });
  }

  private seen(test: UnitTest, index: number): string | undefined {
    const { predictor } = this;
    switch (test.kind) {
      case 'look': {
        const look = predictor.diagram.looks?.find((each) => each.id === test.look);
        const faults = predictor.hypotheses[index]?.faults ?? [];
        return String(look && faults.some((fault) => pointsTo(look, fault)));
      }
      case 'try':
        return predictor.outcome(index, test.steps, test.subject);
      case 'ohm':
        return kindOf(
          test.reach === 'own'
            ? nominalOf(predictor.ownOhms(index, test.setup, test.from, test.to))
            : predictor.nominalOhms(index, test.setup, test.from, test.to),
        );
    }
  }
}

const nominalOf = (answer: OhmAnswer): number | undefined =>
  answer.kind === 'ohms' ? answer.nominal : answer.kind === 'open' ? Infinity : undefined;

/** Ohms in steps that no meter and no tolerance confuses: open, near zero, and thirds of a decade. */
function kindOf(ohms: number | undefined): string | undefined {
  if (ohms === undefined) return undefined;
  if (ohms > 20e6) return 'open';
  return ohms < 1 ? 'zero' : `about ${Math.round(3 * Math.log10(ohms))}`;
}

function entropyOf(masses: Float64Array): number {
  let bits = 0;
  for (const mass of masses) if (mass > 0) bits -= mass * Math.log2(mass);
  return bits;
}

const keyOf = (test: UnitTest): string =>
  test.kind === 'ohm' ? JSON.stringify([test.from, test.to, test.setup]) : JSON.stringify(test);

function keyOfEntry(entry: Evidence): string | undefined {
  switch (entry.kind) {
    case 'reading':
      return JSON.stringify([entry.from, entry.to, entry.setup]);
    case 'look':
      return keyOf({ kind: 'look', look: entry.look });
    case 'statement':
      return keyOf({ kind: 'try', steps: entry.steps, subject: entry.subject });
    case 'act':
      return undefined;
  }
}

function benchAfter(predictor: UnitPredictor, entries: readonly Evidence[]): Bench {
  const openPanels = new Set<string>();
  let setup: Bench['setup'];
  for (const entry of entries) {
    if (entry.kind === 'look')
      panelsOf(predictor.diagram, { kind: 'look', look: entry.look }).forEach((id) =>
        openPanels.add(id),
      );
    if (entry.kind !== 'reading') continue;
    setup = entry.setup;
    const { from, to } = entry;
    panelsOf(predictor.diagram, { kind: 'ohm', reach: 'own', from, to, setup }).forEach((id) =>
      openPanels.add(id),
    );
  }
  return { openPanels, setup };
}
