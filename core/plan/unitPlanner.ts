import type { Look } from '../diagram/diagram';
import { sinceRepair, type Evidence } from '../call/evidence';
import type { UnitPredictor } from '../inference/unitPredictor';
import { readAtItself, type BeliefState, type UnitVerdict } from '../inference/beliefState';
import { nameFrom, NAME_FROM } from '../inference/threshold';
import { HEALTHY } from '../inference/entryLikelihood';
import { alike } from '../behaviour/statement';
import { splitWait } from '../behaviour/step';
import { candidatesOf, keyOf, type Candidate } from './candidates';
import { keepCandidates, takeCandidates, type KeptCandidates } from './keptCandidates';
import {
  DecisionProblem,
  worthBits,
  type CallState,
  type Option,
  type CallStanding,
} from './decisionProblem';
import { alongTheLine } from './line';
import { Minutes, testOf, type Bench } from './minutes';
import { isAnswered, questions } from './questions';
import { questionsThatPay } from './questionsThatPay';
import { foundUnder, looksOf } from './foundUnder';
import { Quickest } from './quickest';
import { refuser } from './refused';
import { minutesByPolicy, rankedBy } from './rankedTests';
import type { Policy } from './policies';
import { onlyMillivolts, USUAL_WAY, wanted, type WayOfWorking } from './wayOfWorking';
import { jumperTests, liveTests, unitTests, type UnitTest } from './unitTests';
import { placesOf, PLANNED, type Places } from './places';
import { priced, Trips, wasSeenToTrip } from './trips';
import { windows } from './windows';

/** What a test would show, how probable that is, and who would be suspected then. */
export interface Meaning {
  share: number;
  /** The outcome: of a look 1 for found. */
  outcome: number;
  /** Place of the likeliest hypothesis that shows it. */
  shows: number;
  suspects: { id: string | undefined; probability: number }[];
  named: boolean;
}

/** A test with what it costs and what it is worth. */
export interface Advice {
  test: UnitTest;
  minutes: number;
  /** Bits that it is expected to take off the doubt between suspects. */
  bits: number;
  /** Minutes to the verdict that are expected when it is taken first. */
  expected: number;
  meanings: Meaning[];
}

/** From this probability on that it trips or blows, a use puts power on a suspected short. From memory. */
const SUSPECTED_SHORT = 0.2;
/** A test that was taken twice says no more. */
const MOST_TIMES = 2;
const SHOWN = 4;

/** Plans tests for one unit; kept while a call is worked. */
export class UnitPlanner {
  readonly minutes: Minutes;
  private readonly tests: readonly UnitTest[];
  private readonly cold: Candidate[];
  private readonly questions: Candidate[];
  private readonly hot = new Map<string, Candidate[]>();
  private readonly line: Map<string, number>;
  private readonly trips: Trips;
  private readonly looks: ReadonlyMap<string, Look>;

  constructor(
    readonly predictor: UnitPredictor,
    progress: (share: number) => void = () => undefined,
    kept?: KeptCandidates,
  ) {
    this.minutes = new Minutes(predictor.diagram);
    this.line = alongTheLine(predictor.diagram);
    this.trips = new Trips(predictor);
    this.looks = looksOf(predictor.diagram);
    const { minutes } = this;
    this.tests = unitTests(predictor.diagram);
    this.cold = kept
      ? takeCandidates(predictor, minutes, this.tests, kept)
      : candidatesOf(predictor, minutes, this.tests, progress);
    this.questions = candidatesOf(predictor, this.minutes, questions(predictor));
  }

  /** What was found out once of the tests that are done cold. */
  candidates(): KeptCandidates {
    return keepCandidates(this.cold, this.tests);
  }

  /** Live readings and jumper tries at the moments in which the unit was seen to do wrong. */
  private liveCandidates(entries: readonly Evidence[]): Candidate[] {
    const { diagram } = this.predictor;
    return entries.flatMap((entry) => {
      if (entry.kind !== 'statement' || entry.jumper) return [];
      const { steps, subject, outcome } = entry;
      const good = this.predictor.outcome(HEALTHY, steps, subject);
      if (good !== undefined && alike(good, outcome)) return [];
      const key = `${steps} ${subject} ${outcome}`;
      const { base } = splitWait(steps);
      const moments = [steps, ...windows(this.predictor, entry).map((at) => `${base},wait=${at}`)];
      const known =
        this.hot.get(key) ??
        candidatesOf(this.predictor, this.minutes, [
          ...moments.flatMap((each) => liveTests(diagram, each)),
          ...jumperTests(diagram, steps, subject),
        ]);
      this.hot.set(key, known);
      return known;
    });
  }

  /** The verdict that stands, and else the tests that lead to one, the best first. */
  advise(
    state: BeliefState,
    entries: readonly Evidence[],
    way: WayOfWorking = USUAL_WAY,
  ): { verdict: UnitVerdict; tests: Advice[] } {
    const [first] = state.suspects;
    if (!first) return { verdict: { kind: 'open', needs: 'test' }, tests: [] };
    const { probability } = first;
    const likely = probability >= nameFrom(this.predictor.diagram, first.id);
    if (likely && first.id === undefined)
      return { verdict: { kind: 'nothing-found', probability }, tests: [] };
    if (likely && readAtItself(this.predictor, first, entries))
      return { verdict: { kind: 'named', suspect: first }, tests: [] };
    const { decision, root, places, questions: asked } = this.problem(state, entries, way);
    const standing: CallStanding = likely ? decision.standing(root) : { kind: 'test' };
    // Who refuses to read a part itself, or has no time for it, does not get it named unread.
    if (standing.kind === 'named' && (way.refusals?.length || way.minutesLeft !== undefined)) {
      const { minutesLeft: _, ...unhurried } = way;
      const all = this.problem(state, entries, { ...unhurried, refusals: [] });
      if (all.decision.standing(all.root).kind === 'own')
        return { verdict: { kind: 'open', needs: 'own-terminals' }, tests: [] };
    }
    if (standing.kind === 'named') return { verdict: { kind: 'named', suspect: first }, tests: [] };
    const ranked = rankedBy(way.school, decision, root, standing, this.distance(places));
    if (ranked.length) {
      const needs = standing.kind === 'own' ? 'own-terminals' : 'test';
      const [first] = ranked;
      const [question] =
        first && standing.kind === 'test'
          ? questionsThatPay(decision, root, asked, first.expected, lastSaid(entries))
          : [];
      const tests = [...(question ? [question] : []), ...ranked].slice(0, SHOWN).map((each) => ({
        test: each.option.test,
        minutes: each.minutes,
        bits: each.bits,
        expected: each.expected,
        meanings: this.meanings(decision, root, each.option, places),
      }));
      return { verdict: { kind: 'open', needs }, tests };
    }
    let together = 0;
    const suspects = state.suspects.filter((each) => {
      const needed = together < NAME_FROM;
      if (needed) together += each.probability;
      return needed;
    });
    return { verdict: { kind: 'group', suspects, probability: together }, tests: [] };
  }

  /** A test that a verdict or a repair waits for; it is asked for whatever else it tells. */
  asked(test: UnitTest, entries: readonly Evidence[]): Advice {
    const minutes = this.minutes.from(this.minutes.afterAll(entries), this.minutes.of(test));
    return { test, minutes, bits: 0, expected: minutes, meanings: [] };
  }

  /** Minutes to the verdict that each school is expected to take from here. */
  compare(
    state: BeliefState,
    entries: readonly Evidence[],
    way: WayOfWorking,
  ): { school: Policy; minutes: number }[] {
    const { decision, root, places } = this.problem(state, entries, way);
    return minutesByPolicy(decision, root, this.distance(places));
  }

  private distance({ suspects }: Places): (suspect: number) => number {
    return (suspect) => this.line.get(suspects[suspect] ?? '') ?? 1e6;
  }

  /** The call as it stands, as a problem of decision over the explanations that still count. */
  problem(
    state: BeliefState,
    entries: readonly Evidence[],
    way: WayOfWorking,
    planned = PLANNED,
  ): { decision: DecisionProblem; root: CallState; places: Places; questions: Option[] } {
    const places = placesOf(this.predictor, state, planned);
    const { hypotheses, suspectOf, suspects } = places;
    const weights = Float64Array.from(hypotheses, (index) => state.probabilities[index] ?? 0);
    const total = weights.reduce((sum, each) => sum + each, 0);
    const decision = new DecisionProblem(
      suspectOf,
      suspects.length,
      suspects.indexOf(undefined),
      hypotheses.indexOf(HEALTHY),
      this.minutes,
      Float64Array.from(suspects, (id) => nameFrom(this.predictor.diagram, id)),
      (option) => wanted(option, way),
    );
    const bench = this.minutes.afterAll(entries);
    const confirmed = suspects.flatMap((id, place) => {
      const suspect = state.suspects.find((each) => each.id === id);
      return suspect && readAtItself(this.predictor, suspect, entries) ? [place] : [];
    });
    const live = way.live || onlyMillivolts(this.predictor.diagram);
    const candidates = [...this.cold, ...(live ? this.liveCandidates(entries) : [])];
    const chances = weights.map((each) => each / total);
    const belief = decision.belief(chances);
    const options = (times: number, shorts: boolean, of = candidates): Option[] =>
      this.options(of, places, chances, entries, bench, way, times, shorts);
    const doubt = decision.entropy(belief);
    const tells = (each: Option): boolean =>
      decision.expectedEntropy(each, belief) < doubt - worthBits(doubt);
    // Power goes on a suspected short once at most, and only where nothing else tells.
    const tripped = wasSeenToTrip(entries);
    const harmless = options(1, false);
    const fresh = tripped || harmless.some(tells) ? harmless : options(1, true);
    // Only when nothing else tells is a test worth taking again.
    const root: CallState = {
      belief,
      bench,
      confirmed,
      options: fresh.some(tells) ? fresh : options(MOST_TIMES, !tripped),
    };
    // After a repair it is tried, and what the customer remembers is of before.
    const asks = way.asks && sinceRepair(entries) === 0;
    const questions = asks
      ? this.questions.filter(({ test }) => !isAnswered(this.predictor, test, entries))
      : [];
    return { decision, root, places, questions: options(1, true, questions) };
  }

  private options(
    candidates: readonly Candidate[],
    { hypotheses, suspects }: Places,
    weights: Float64Array,
    entries: readonly Evidence[],
    bench: Bench,
    { harm, refusals = [], minutesLeft = Infinity }: WayOfWorking,
    times: number,
    shorts: boolean,
  ): Option[] {
    const taken = new Map<string, number>();
    for (const entry of entries.slice(sinceRepair(entries))) {
      const test = testOf(entry);
      if (test) taken.set(keyOf(test), (taken.get(keyOf(test)) ?? 0) + 1);
      // What was seen needs no asking.
      if (test?.kind === 'try' && !test.jumper)
        taken.set(keyOf({ ...test, kind: 'ask', expected: 'runs' }), 1);
    }
    const refused = refuser(this.predictor.diagram, refusals);
    const placeOf = new Map(suspects.map((id, place) => [id, place]));
    const kept = new Quickest();
    for (const { test, key, cost: itself, outcome, at } of candidates) {
      if ((taken.get(key) ?? 0) >= times) continue;
      if (refused(test, key, itself)) continue;
      if (this.minutes.from(bench, itself) - (itself.risk ?? 0) > minutesLeft) continue;
      const here = ofPlanned(outcome, hypotheses);
      if (!here) continue;
      // Contacts weld further and people are hurt: it comes last, where no cold reading tells.
      const short = this.trips.chance(test, hypotheses, weights);
      if (short > SUSPECTED_SHORT && !shorts) continue;
      const cost = priced(itself, harm, short);
      const own = at.flatMap((id) => placeOf.get(id) ?? []);
      const found = foundUnder(this.looks, test, here);
      kept.add({ test, cost, outcome: here, found, at: own }, this.minutes.from(bench, cost));
    }
    return kept.options;
  }

  private meanings(
    decision: DecisionProblem,
    root: CallState,
    option: Option,
    { hypotheses, suspects }: Places,
  ): Meaning[] {
    return decision
      .branches(root, option)
      .map(({ outcome, share, node }) => {
        const masses = decision.masses(node.belief);
        const inOrder = [...masses.keys()].sort((a, b) => (masses[b] ?? 0) - (masses[a] ?? 0));
        let shows = -1;
        let most = -1;
        root.belief.places.forEach((i, k) => {
          const weight = root.belief.weights[k] ?? 0;
          if (option.outcome[i] === outcome && weight > most) [shows, most] = [i, weight];
        });
        return {
          share,
          outcome,
          shows: hypotheses[shows] ?? HEALTHY,
          suspects: inOrder
            .slice(0, 3)
            .map((place) => ({ id: suspects[place], probability: masses[place] ?? 0 })),
          named: decision.standing(node).kind === 'named',
        };
      })
      .sort((a, b) => b.share - a.share);
  }
}

/** The moment that was spoken of last. */
function lastSaid(entries: readonly Evidence[]): string | undefined {
  const last = entries.findLast((each) => each.kind === 'statement');
  return last?.kind === 'statement' ? last.steps : undefined;
}

/** Outcomes of the hypotheses that are planned for; undefined where all foretell the same. */
function ofPlanned(outcome: Int8Array, hypotheses: readonly number[]): Int8Array | undefined {
  const here = new Int8Array(hypotheses.length);
  let differ = false;
  for (let i = 0; i < here.length; i++) {
    here[i] = outcome[hypotheses[i] ?? 0] ?? -1;
    if (here[i] !== here[0]) differ = true;
  }
  return differ ? here : undefined;
}
