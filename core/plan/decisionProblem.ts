import { entropy } from '../inference/posterior';
import type { Bench, Cost, Minutes } from './minutes';
import type { UnitTest } from './unitTests';
import { sameIn, termOf, type Doubt } from './doubt';

/** A test as the planner weighs it. Hypotheses and suspects go by their place in the decision. */
export interface Option {
  test: UnitTest;
  cost: Cost;
  /** Outcome that each hypothesis foretells; below zero where it cannot say. */
  outcome: Int8Array;
  /** Of a look or a question: how often it is found, or answered with yes, under each hypothesis. */
  found: Float64Array | undefined;
  /** Suspects that it is read at. */
  at: readonly number[];
}

/** What is believed: the explanations that are left, those of one suspect together. */
export interface Belief {
  /** Their places in the decision. */
  places: readonly number[];
  /** Probability of each, one together. */
  weights: readonly number[];
}

/** What is believed and done at one point of a call. */
export interface CallState {
  belief: Belief;
  bench: Bench;
  /** Suspects that a reading at themselves has spoken for. */
  confirmed: readonly number[];
  options: readonly Option[];
}

/** Where a call stands: named, in need of a reading at the suspect itself, or of any test. */
export type CallStanding =
  { kind: 'named' } | { kind: 'own'; suspect: number; leading: number } | { kind: 'test' };

/** An option with what it costs here and leaves of the doubt. */
export interface Scored {
  option: Option;
  minutes: number;
  bits: number;
}

/** A test that tells less than this is not worth the walk, or less than this share of a small doubt. */
const WORTH = { bits: 0.08, share: 0.3 };
/** What a test has to tell, in bits, where so much is in doubt. */
export const worthBits = (doubt: number): number => Math.min(WORTH.bits, WORTH.share * doubt);
/** Explanations that have become this improbable are left out of what is planned further. */
const NEGLIGIBLE = 2e-3;

/** Outcomes that a test can have at most: as many as an `Int8Array` tells apart. */
const OUTCOMES = 128;

/** One outcome of an option: how probable, and where it leads. */
export interface Branch {
  outcome: number;
  share: number;
  node: CallState;
}

/** A call as a problem of decision: explanations, suspects, options, and the rule of the verdict. */
export class DecisionProblem {
  /** Of one option, by its outcomes: of all suspects, and of one. */
  private readonly totals = new Float64Array(OUTCOMES);
  private readonly cells = new Float64Array(OUTCOMES);
  /** The outcomes that one option has at all. */
  private readonly outcomes = new Uint8Array(OUTCOMES + 1);
  private shown = 0;

  /**
   * @param suspectOf suspect of each hypothesis
   * @param nothing suspect that stands for "nothing wrong here"; -1 where it is out of question
   * @param healthy hypothesis of the good unit
   */
  constructor(
    readonly suspectOf: Int16Array,
    readonly suspects: number,
    readonly nothing: number,
    readonly healthy: number,
    readonly minutes: Minutes,
    /** Probability from which on each suspect is named. */
    private readonly nameFrom: Float64Array,
    /** Options that the technician wants to take as long as one of them tells anything. */
    private readonly wants: (option: Option) => boolean = () => true,
  ) {}

  /** What is left of explanations that are given by their places, the weights adding up to one. */
  belief(probabilities: ArrayLike<number>): Belief {
    const places: number[] = [];
    for (let i = 0; i < probabilities.length; i++) if ((probabilities[i] ?? 0) > 0) places.push(i);
    places.sort((a, b) => this.suspectAt(a) - this.suspectAt(b));
    return { places, weights: places.map((i) => probabilities[i] ?? 0) };
  }

  private suspectAt(place: number | undefined): number {
    return this.suspectOf[place ?? -1] ?? -1;
  }

  /** Probability of each suspect. */
  masses({ places, weights }: Belief): Float64Array {
    const masses = new Float64Array(this.suspects);
    for (let k = 0; k < places.length; k++) {
      const suspect = this.suspectAt(places[k]);
      masses[suspect] = (masses[suspect] ?? 0) + (weights[k] ?? 0);
    }
    return masses;
  }

  /** Doubt between suspects, in bits. */
  entropy(belief: Belief): number {
    return entropy(this.masses(belief));
  }

  standing({ belief, confirmed, options }: CallState): CallStanding {
    const { places, weights } = belief;
    let [suspect, most, leading] = [0, 0, -1];
    let [mass, top] = [0, 0];
    for (let k = 0; k < places.length; k++) {
      const weight = weights[k] ?? 0;
      mass += weight;
      if (weight > (weights[top] ?? 0)) top = k;
      const here = this.suspectAt(places[k]);
      if (here === this.suspectAt(places[k + 1])) continue;
      if (mass > most) [suspect, most, leading] = [here, mass, places[top] ?? -1];
      [mass, top] = [0, k + 1];
    }
    if (most < (this.nameFrom[suspect] ?? 1)) return { kind: 'test' };
    if (suspect === this.nothing || confirmed.includes(suspect)) return { kind: 'named' };
    // Its own terminals show nothing of some faults: a motor that is held, a hose that is off.
    const own = options.some((option) => this.speaks(option, suspect, leading));
    return own ? { kind: 'own', suspect, leading } : { kind: 'named' };
  }

  /** Whether an option, read at a suspect, tells its leading fault from a good unit. */
  speaks({ at, outcome }: Option, suspect: number, leading: number): boolean {
    const [shown, good] = [outcome[leading] ?? -1, outcome[this.healthy] ?? -1];
    return at.includes(suspect) && shown >= 0 && good >= 0 && shown !== good;
  }

  /** Options that lead on from a node with what they cost and tell, in the order they came. */
  scored(node: CallState, standing: CallStanding): Scored[] {
    if (standing.kind === 'own')
      return node.options
        .filter((option) => this.speaks(option, standing.suspect, standing.leading))
        .map((option) => ({
          option,
          minutes: this.minutes.from(node.bench, option.cost),
          bits: 0,
        }));
    const list: Scored[] = [];
    const doubt = this.doubt(node.belief);
    const worth = worthBits(doubt.bits);
    for (const option of node.options) {
      const bits = doubt.bits - this.expectedEntropy(option, node.belief, doubt);
      if (bits > worth)
        list.push({ option, minutes: this.minutes.from(node.bench, option.cost), bits });
    }
    // What tells little is looked at only where nothing tells more.
    const telling = list.filter(({ bits }) => bits > WORTH.bits);
    const some = telling.length ? telling : list;
    const wanted = some.filter(({ option }) => this.wants(option));
    return wanted.length ? wanted : some;
  }

  /** What every option is weighed against in one place of a call. */
  private doubt({ places, weights }: Belief): Doubt {
    const ends: number[] = [];
    const terms: number[] = [];
    let [bits, mass] = [0, 0];
    for (let k = 0; k < places.length; k++) {
      mass += weights[k] ?? 0;
      if (this.suspectAt(places[k]) === this.suspectAt(places[k + 1])) continue;
      const term = termOf(mass);
      ends.push(k + 1);
      terms.push(term);
      bits += term;
      mass = 0;
    }
    return { ends, terms, bits };
  }

  /** Doubt that an option is expected to leave, in bits. */
  expectedEntropy(option: Option, belief: Belief, doubt: Doubt = this.doubt(belief)): number {
    const { ends, terms } = doubt;
    const { totals } = this;
    const { outcome, found } = option;
    const known = this.total(option, belief);
    if (known === 0) return doubt.bits;
    let bits = 0;
    let from = 0;
    for (let s = 0; s < ends.length; s++) {
      const to = ends[s] ?? 0;
      // A suspect whose explanations all show one thing has its part in the doubt whatever is shown.
      const same = !found && sameIn(outcome, belief.places, from, to);
      bits += same ? (terms[s] ?? 0) : this.partOf(option, belief, from, to, known);
      from = to;
    }
    for (let k = 0; k < this.shown; k++) {
      const which = this.outcomes[k] ?? 0;
      bits -= termOf((totals[which] ?? 0) / known);
      totals[which] = 0;
    }
    return bits;
  }

  /** Adds up what each outcome has of those that can say, and gives how much these are together. */
  private total({ outcome, found }: Option, belief: Belief): number {
    const { places, weights } = belief;
    const { totals, outcomes } = this;
    let known = 0;
    if (found) {
      [outcomes[0], outcomes[1]] = [0, 1];
      [totals[0], totals[1]] = foundIn(found, belief, 0, places.length);
      this.shown = 2;
      for (let k = 0; k < places.length; k++) known += weights[k] ?? 0;
      return known;
    }
    let shown = 0;
    for (let k = 0; k < places.length; k++) {
      const which = outcome[places[k] ?? 0] ?? -1;
      if (which < 0) continue;
      const weight = weights[k] ?? 0;
      known += weight;
      const before = totals[which] ?? 0;
      if (before === 0) outcomes[shown++] = which;
      totals[which] = before + weight;
    }
    this.shown = shown;
    return known;
  }

  /** One suspect's part in the doubt over all outcomes; what cannot say is in each as all others are. */
  private partOf(
    { outcome, found }: Option,
    belief: Belief,
    from: number,
    to: number,
    known: number,
  ): number {
    const { places, weights } = belief;
    const { cells, totals, outcomes } = this;
    if (found) {
      const [not, whole] = foundIn(found, belief, from, to);
      return termOf(not) + termOf(whole);
    }
    let unknown = 0;
    for (let k = from; k < to; k++) {
      const weight = weights[k] ?? 0;
      const which = outcome[places[k] ?? 0] ?? -1;
      if (which < 0) unknown += weight;
      else cells[which] = (cells[which] ?? 0) + weight;
    }
    let bits = 0;
    for (let k = 0; k < this.shown; k++) {
      const which = outcomes[k] ?? 0;
      const own = cells[which] ?? 0;
      // Most outcomes are of other suspects, and there is no doubt in nothing.
      if (own === 0 && unknown === 0) continue;
      bits += termOf(own + (unknown * (totals[which] ?? 0)) / known);
      cells[which] = 0;
    }
    return bits;
  }

  /** Where an option leads, outcome by outcome. */
  branches(node: CallState, option: Option): Branch[] {
    const { belief, confirmed } = node;
    const { totals, outcomes } = this;
    const bench = this.minutes.after(node.bench, option.cost);
    const good = option.outcome[this.healthy] ?? -1;
    const known = this.total(option, belief);
    const branches: Branch[] = [];
    for (let k = 0; k < this.shown; k++) {
      const outcome = outcomes[k] ?? 0;
      const share = (totals[outcome] ?? 0) / known;
      totals[outcome] = 0;
      if (known === 0 || share < NEGLIGIBLE) continue;
      const after = believed(belief, option, outcome, share);
      const speaks = !option.found && good >= 0 && outcome !== good ? option.at : [];
      branches.push({
        outcome,
        share,
        node: {
          belief: after,
          bench,
          confirmed: speaks.length ? [...confirmed, ...speaks] : confirmed,
          // An option that no longer tells anything here tells nothing further on, unless it is at a suspect.
          options: this.stillTelling(node.options, option, after),
        },
      });
    }
    return branches;
  }

  private stillTelling(before: readonly Option[], taken: Option, { places }: Belief): Option[] {
    return before.filter((option) => {
      if (option === taken) return false;
      const { outcome, at, found } = option;
      if (found) return places.some((i) => found[i] !== found[places[0] ?? 0]);
      const good = outcome[this.healthy] ?? -1;
      let first = -1;
      for (let k = 0; k < places.length; k++) {
        const here = outcome[places[k] ?? 0] ?? -1;
        if (here < 0 || here === first) continue;
        if (first >= 0) return true;
        first = here;
      }
      if (first < 0 || good < 0 || first === good || at.length === 0) return false;
      return places.some((i) => (outcome[i] ?? -1) >= 0 && at.includes(this.suspectAt(i)));
    });
  }
}

/** How much a look is expected not to find, and to find, by some of what is believed. */
function foundIn(
  found: Float64Array,
  { places, weights }: Belief,
  from: number,
  to: number,
): [not: number, whole: number] {
  let [not, whole] = [0, 0];
  for (let k = from; k < to; k++) {
    const weight = weights[k] ?? 0;
    const share = found[places[k] ?? 0] ?? 0;
    whole += weight * share;
    not += weight * (1 - share);
  }
  return [not, whole];
}

/** Bayes' rule: what is believed after an outcome, without what has become too improbable to plan for. */
function believed(
  { places, weights }: Belief,
  option: Option,
  outcome: number,
  share: number,
): Belief {
  const likely: number[] = [];
  let total = 0;
  for (let k = 0; k < places.length; k++) {
    const each = like(option, places[k] ?? 0, outcome, share) * (weights[k] ?? 0);
    likely.push(each);
    total += each;
  }
  const left: number[] = [];
  const after: number[] = [];
  let kept = 0;
  for (let k = 0; k < places.length; k++) {
    const part = (likely[k] ?? 0) / total;
    if (part < NEGLIGIBLE) continue;
    left.push(places[k] ?? 0);
    after.push(part);
    kept += part;
  }
  for (let k = 0; k < after.length; k++) after[k] = (after[k] ?? 0) / kept;
  return { places: left, weights: after };
}

/** Probability of an outcome under a hypothesis; what cannot say is in every branch as it was. */
function like({ outcome, found }: Option, i: number, which: number, share: number): number {
  const often = found?.[i];
  if (often !== undefined) return which ? often : 1 - often;
  const here = outcome[i] ?? -1;
  return here < 0 ? share : Number(here === which);
}
