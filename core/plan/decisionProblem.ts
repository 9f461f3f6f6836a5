import type { Look } from '../diagram/diagram';
import { entropy } from '../inference/posterior';
import type { Bench, Cost, Minutes } from './minutes';
import type { UnitTest } from './unitTests';

/** A test as the planner weighs it. Hypotheses and suspects go by their place in the decision. */
export interface Option {
  test: UnitTest;
  cost: Cost;
  /** Outcome that each hypothesis foretells; below zero where it cannot say. */
  outcome: Int8Array;
  /** Of a look: how often it is found under each hypothesis. */
  found: Float64Array | undefined;
  /** Suspects that it is read at. */
  at: readonly number[];
}

/** What is believed and done at one point of a call. */
export interface CallState {
  /** Probability of each hypothesis, one together. */
  weights: Float64Array;
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

  /** Probability of each suspect. */
  masses(weights: Float64Array): Float64Array {
    const masses = new Float64Array(this.suspects);
    for (let i = 0; i < weights.length; i++) {
      const weight = weights[i] ?? 0;
      if (weight === 0) continue;
      const suspect = this.suspectOf[i] ?? 0;
      masses[suspect] = (masses[suspect] ?? 0) + weight;
    }
    return masses;
  }

  /** Doubt between suspects, in bits. */
  entropy(weights: Float64Array): number {
    return entropy(this.masses(weights));
  }

  standing({ weights, confirmed, options }: CallState): CallStanding {
    const masses = this.masses(weights);
    let suspect = 0;
    for (let s = 1; s < masses.length; s++)
      if ((masses[s] ?? 0) > (masses[suspect] ?? 0)) suspect = s;
    if ((masses[suspect] ?? 0) < (this.nameFrom[suspect] ?? 1)) return { kind: 'test' };
    if (suspect === this.nothing || confirmed.includes(suspect)) return { kind: 'named' };
    let leading = -1;
    for (let i = 0; i < weights.length; i++)
      if (this.suspectOf[i] === suspect && (weights[i] ?? 0) > (weights[leading] ?? -1))
        leading = i;
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
    const doubt = this.doubt(node.weights);
    const worth = worthBits(doubt.bits);
    for (const option of node.options) {
      const bits = doubt.bits - this.expectedEntropy(option, node.weights, doubt);
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
  private doubt(weights: Float64Array): Doubt {
    const { suspectOf } = this;
    // By suspect, so that one with a single explanation left has its part in the doubt whatever is shown.
    const alive = aliveIn(weights).sort((a, b) => (suspectOf[a] ?? 0) - (suspectOf[b] ?? 0));
    const ends: number[] = [];
    const terms = this.masses(weights);
    let bits = 0;
    for (let k = 0; k < alive.length; k++) {
      const suspect = suspectOf[alive[k] ?? 0] ?? 0;
      if (suspect === suspectOf[alive[k + 1] ?? -1]) continue;
      ends.push(k + 1);
      terms[suspect] = termOf(terms[suspect] ?? 0);
      bits += terms[suspect];
    }
    return { alive, ends, terms, bits };
  }

  /** Doubt that an option is expected to leave, in bits. */
  expectedEntropy(
    option: Option,
    weights: Float64Array,
    doubt: Doubt = this.doubt(weights),
  ): number {
    const { alive, ends, terms } = doubt;
    const { totals, suspectOf } = this;
    const { outcome, found } = option;
    const known = this.total(option, weights, alive);
    if (known === 0) return doubt.bits;
    let bits = 0;
    let from = 0;
    for (const to of ends) {
      const first = alive[from] ?? 0;
      const told = to === from + 1 && !found && (outcome[first] ?? -1) >= 0;
      bits += told
        ? (terms[suspectOf[first] ?? 0] ?? 0)
        : this.partOf(option, weights, alive, from, to, known);
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
  private total(
    { outcome, found }: Option,
    weights: Float64Array,
    alive: readonly number[],
  ): number {
    const { totals, outcomes } = this;
    let shown = found ? 2 : 0;
    if (found) outcomes.set([0, 1]);
    let known = 0;
    for (const i of alive) {
      const weight = weights[i] ?? 0;
      const which = found ? 1 : (outcome[i] ?? -1);
      if (which < 0) continue;
      known += weight;
      const share = found ? (found[i] ?? 0) : 1;
      const before = totals[which] ?? 0;
      if (before === 0 && !found) outcomes[shown++] = which;
      totals[which] = before + weight * share;
      if (found) totals[0] = (totals[0] ?? 0) + weight * (1 - share);
    }
    this.shown = shown;
    return known;
  }

  /** One suspect's part in the doubt over all outcomes; what cannot say is in each as all others are. */
  private partOf(
    { outcome, found }: Option,
    weights: Float64Array,
    alive: readonly number[],
    from: number,
    to: number,
    known: number,
  ): number {
    const { cells, totals, outcomes } = this;
    let unknown = 0;
    for (let k = from; k < to; k++) {
      const i = alive[k] ?? 0;
      const weight = weights[i] ?? 0;
      const which = found ? 1 : (outcome[i] ?? -1);
      if (which < 0) {
        unknown += weight;
        continue;
      }
      const share = found ? (found[i] ?? 0) : 1;
      cells[which] = (cells[which] ?? 0) + weight * share;
      if (found) cells[0] = (cells[0] ?? 0) + weight * (1 - share);
    }
    let bits = 0;
    for (let k = 0; k < this.shown; k++) {
      const which = outcomes[k] ?? 0;
      bits += termOf((cells[which] ?? 0) + (unknown * (totals[which] ?? 0)) / known);
      cells[which] = 0;
    }
    return bits;
  }

  /** Where an option leads, outcome by outcome. */
  branches(node: CallState, option: Option): Branch[] {
    const { weights, confirmed } = node;
    const { outcome, found } = option;
    const bench = this.minutes.after(node.bench, option.cost);
    const alive = aliveIn(weights);
    const shares = new Map<number, number>();
    let known = 0;
    for (const i of alive) {
      const weight = weights[i] ?? 0;
      const which = found ? 1 : (outcome[i] ?? -1);
      if (which < 0) continue;
      const more = weight * (found?.[i] ?? 1);
      shares.set(which, (shares.get(which) ?? 0) + more);
      if (found) shares.set(0, (shares.get(0) ?? 0) + weight - more);
      known += weight;
    }
    const branches: Branch[] = [];
    for (const [which, mass] of shares) {
      const share = mass / known;
      if (share < NEGLIGIBLE) continue;
      const after = new Float64Array(weights.length);
      let total = 0;
      for (const i of alive) {
        const likely = like(option, i, which, share) * (weights[i] ?? 0);
        after[i] = likely;
        total += likely;
      }
      let kept = 0;
      for (const i of alive) {
        const part = (after[i] ?? 0) / total;
        after[i] = part < NEGLIGIBLE ? 0 : part;
        kept += after[i] ?? 0;
      }
      for (const i of alive) after[i] = (after[i] ?? 0) / kept;
      const good = outcome[this.healthy] ?? -1;
      const speaks = !found && good >= 0 && which !== good ? option.at : [];
      branches.push({
        outcome: which,
        share,
        node: {
          weights: after,
          bench,
          confirmed: speaks.length ? [...confirmed, ...speaks] : confirmed,
          options: [],
        },
      });
    }
    // An option that no longer tells anything here tells nothing further on, unless it is at a suspect.
    for (const branch of branches)
      branch.node.options = this.stillTelling(node, option, branch.node);
    return branches;
  }

  private stillTelling(before: CallState, taken: Option, { weights }: CallState): Option[] {
    const places = aliveIn(weights);
    return before.options.filter((option) => {
      if (option === taken) return false;
      if (option.found) return true;
      const { outcome } = option;
      const good = outcome[this.healthy] ?? -1;
      let first = -1;
      for (const i of places) {
        const here = outcome[i] ?? -1;
        if (here < 0) continue;
        if (first >= 0 && here !== first) return true;
        if (first < 0) first = here;
        if (good >= 0 && here !== good && option.at.includes(this.suspectOf[i] ?? -1)) return true;
      }
      return false;
    });
  }
}

/** What is the same for all options in one place of a call. */
interface Doubt {
  /** Places of the weights above zero, by suspect, and where the places of each suspect end. */
  alive: readonly number[];
  ends: readonly number[];
  /** The part of each suspect in the doubt. */
  terms: Float64Array;
  /** Doubt between suspects. */
  bits: number;
}

/** The part of one probability in the doubt, in bits. */
const termOf = (mass: number): number => (mass > 0 ? -mass * Math.log2(mass) : 0);

/** Places of the weights above zero: deep in a call only few are left. */
function aliveIn(weights: Float64Array): number[] {
  const places: number[] = [];
  for (let i = 0; i < weights.length; i++) if ((weights[i] ?? 0) > 0) places.push(i);
  return places;
}

/** Probability of an outcome under a hypothesis; what cannot say is in every branch as it was. */
function like({ outcome, found }: Option, i: number, which: number, share: number): number {
  const often = found?.[i];
  if (often !== undefined) return which ? often : 1 - often;
  const here = outcome[i] ?? -1;
  return here < 0 ? share : Number(here === which);
}

/** How often a look is found under hypotheses that it points to or not. */
export const foundUnder = (look: Look, points: Int8Array): Float64Array =>
  Float64Array.from(points, (each) => (each ? look.found.with : look.found.without));
