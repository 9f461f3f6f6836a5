import { contradictions, type Contradiction } from '../inference/contradictions';
import { twinsOtherwise } from '../inference/knownGoodUnit';
import { setPointsMissing } from '../inference/setPoints';
import { hypothesesWithPairs } from '../inference/pairsOfFaults';
import type { Evidence } from '../call/evidence';
import { onceMore, secondLook, type SecondLook } from '../inference/secondLook';
import { unitHypotheses, type UnitHypothesis } from '../inference/unitHypotheses';
import { UnitPredictor } from '../inference/unitPredictor';
import { beliefState, type BeliefState, type UnitVerdict } from '../inference/beliefState';
import { UseRuns } from '../behaviour/useRuns';
import type { Diagram } from '../diagram/diagram';
import type { Meter } from '../meter/meter';
import { UnitPlanner, type Advice } from './unitPlanner';
import { USUAL_WAY, type WayOfWorking } from './wayOfWorking';
import type { Policy } from './policies';

/** Share of the preparing that the uses of the unit take. */
const USES = 0.5;

/** All that is made of what is known of a unit. */
export interface Findings {
  planner: UnitPlanner;
  state: BeliefState;
  verdict: UnitVerdict;
  /** The best first; of a second look none: it comes before any. */
  tests: Advice[];
  /** Live readings that would tell a group apart, where only cold ones were asked for. */
  settles: Advice[];
  secondLook: SecondLook | undefined;
  contradictions: Contradiction[];
  /** Readings of a good twin that are not what the diagram foretells. */
  oddTwins: string[];
  /** Whether two faults together explain what no single one does. */
  pairs: boolean;
}

interface Paired {
  key: string;
  predictor: UnitPredictor;
  /** Made only when a pair leads. */
  planner?: UnitPlanner;
}

/** The diagnosis of one unit; made once for a diagram and kept while its calls are worked. */
export class UnitDiagnosis {
  readonly planner: UnitPlanner;
  private readonly runs: UseRuns;
  private pairs: Paired | undefined;

  /** @param progress hears the share of the preparing that is done, uses first and tests after */
  constructor(diagram: Diagram, meter: Meter, progress: (share: number) => void = () => undefined) {
    const hypotheses = unitHypotheses(diagram, (share) => progress(USES * share));
    this.planner = new UnitPlanner(new UnitPredictor(diagram, meter, hypotheses), (share) =>
      progress(USES + (1 - USES) * share),
    );
    this.runs = new UseRuns(diagram);
  }

  /** What each single fault foretells. */
  get predictor(): UnitPredictor {
    return this.planner.predictor;
  }

  of(all: readonly Evidence[], way: WayOfWorking = USUAL_WAY): Findings {
    const { twins: oddTwins, counted: entries } = twinsOtherwise(this.predictor, all);
    const { planner, state } = this.stateOf(entries);
    const { verdict, tests } = planner.advise(state, entries, way);
    const again =
      secondLook(planner.predictor, entries, state) ??
      (verdict.kind === 'named'
        ? onceMore(planner.predictor, entries, verdict.suspect)
        : undefined);
    const settles =
      verdict.kind === 'group' && !way.live
        ? planner.advise(state, entries, { ...way, live: true }).tests
        : [];
    return {
      planner,
      state,
      verdict: again
        ? { kind: 'open', needs: 'second-look' }
        : unlessBlocked(this.predictor, verdict),
      tests: again ? [] : tests,
      settles,
      secondLook: again,
      contradictions: contradictions(planner.predictor, entries),
      oddTwins,
      pairs: planner !== this.planner,
    };
  }

  /** Minutes that each school is expected to take from here. */
  compare(all: readonly Evidence[], way: WayOfWorking): { school: Policy; minutes: number }[] {
    const { counted: entries } = twinsOtherwise(this.predictor, all);
    const { planner, state } = this.stateOf(entries);
    return planner.compare(state, entries, way);
  }

  private stateOf(entries: readonly Evidence[]): { planner: UnitPlanner; state: BeliefState } {
    const { planner, predictor } = this;
    const state = beliefState(predictor, entries);
    const hypotheses = hypothesesWithPairs(predictor, entries, state, this.runs);
    if (!hypotheses) return { planner, state };
    const paired = this.pairedWith(hypotheses);
    const together = beliefState(paired.predictor, entries);
    const leads = together.suspects[0]?.leading.causes.length ?? 0;
    if (leads < 2) return { planner, state };
    paired.planner ??= new UnitPlanner(paired.predictor);
    return { planner: paired.planner, state: together };
  }

  /** What is foretold with pairs of faults beside the singles; kept until other pairs come up. */
  private pairedWith(hypotheses: UnitHypothesis[]): Paired {
    const key = JSON.stringify(hypotheses.map((each) => each.causes));
    if (this.pairs?.key !== key) {
      const { diagram, meter } = this.predictor;
      this.pairs = { key, predictor: new UnitPredictor(diagram, meter, hypotheses) };
    }
    return this.pairs;
  }
}

/** A switch that pressure or heat moves is not condemned while nobody knows when it should: open can be right. */
function unlessBlocked({ diagram }: UnitPredictor, verdict: UnitVerdict): UnitVerdict {
  if (verdict.kind !== 'named') return verdict;
  const missing = verdict.suspect.leading.causes.some((each) => setPointsMissing(diagram, each));
  return missing ? { kind: 'open', needs: 'set-points' } : verdict;
}
