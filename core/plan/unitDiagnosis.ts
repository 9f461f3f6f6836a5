import { contradictions, type Contradiction } from '../inference/contradictions';
import { twinsOtherwise } from '../inference/knownGoodUnit';
import { movedByQuantity, setPointsMissing } from '../inference/setPoints';
import { hypothesesWithPairs } from '../inference/pairsOfFaults';
import { placeKey, type Evidence } from '../call/evidence';
import { onceMore, secondLook, type SecondLook } from '../inference/secondLook';
import { misfit } from '../inference/surprise';
import { unitHypotheses, wrongIn, type UnitHypothesis } from '../inference/unitHypotheses';
import { UnitPredictor } from '../inference/unitPredictor';
import {
  beliefState,
  readingsFor,
  type BeliefState,
  type Misfit,
  type Suspect,
  type UnitVerdict,
} from '../inference/beliefState';
import { UseRuns } from '../behaviour/useRuns';
import type { Diagram } from '../diagram/diagram';
import type { Mode } from '../fault/fault';
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
    const { predictor } = planner;
    const odd = oddIn(predictor, entries, state, verdict);
    const blocked =
      verdict.kind === 'named' ? blockedBy(predictor, entries, verdict.suspect) : undefined;
    const again =
      secondLook(predictor, entries, state) ??
      (verdict.kind === 'named' ? onceMore(predictor, entries, verdict.suspect) : undefined) ??
      (odd && readAgain(entries, odd));
    const held = again
      ? heldBy({ kind: 'open', needs: 'second-look' })
      : odd
        ? heldBy({ kind: 'surprise', misfit: odd })
        : blocked?.needs === 'quantity'
          ? heldBy({ kind: 'open', needs: 'quantity' }, [
              planner.measuring(blocked.actuator, entries),
            ])
          : blocked && heldBy({ kind: 'open', needs: blocked.needs });
    const settles =
      verdict.kind === 'group' && !way.live
        ? planner.advise(state, entries, { ...way, live: true }).tests
        : [];
    return {
      planner,
      state,
      ...(held ?? { verdict, tests }),
      settles: odd ? [] : settles,
      secondLook: again,
      contradictions: contradictions(predictor, entries),
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
    const leading = together.suspects[0]?.leading;
    if (!leading || wrongIn(leading).length < 2) return { planner, state };
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

/** A verdict that something stands in the way of, with the tests that lead on. */
const heldBy = (
  verdict: UnitVerdict,
  tests: Advice[] = [],
): { verdict: UnitVerdict; tests: Advice[] } => ({ verdict, tests });

/**
 * The entry that does not go together with a verdict that would end the call. One odd reading that stands
 * does not outweigh a part that was read at several places, which no one slip makes.
 */
function oddIn(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
  state: BeliefState,
  verdict: UnitVerdict,
): Misfit | undefined {
  if (verdict.kind !== 'named' && verdict.kind !== 'group' && verdict.kind !== 'nothing-found')
    return undefined;
  const odd = misfit(predictor, entries, state, state.suspects[0]?.id);
  if (!odd?.stands || verdict.kind !== 'named') return odd;
  const places = readingsFor(predictor, verdict.suspect, entries).map((each) =>
    each.kind === 'reading' ? placeKey(each) : each.actuator,
  );
  return new Set(places).size > 1 ? undefined : odd;
}

/** A cold reading that does not fit is taken once more before anything is said. */
function readAgain(entries: readonly Evidence[], odd: Misfit): SecondLook | undefined {
  const entry = entries.find((each) => each.id === odd.entry);
  const cold = entry?.kind === 'reading' && entry.shows.kind !== 'volts';
  return cold && !odd.stands ? { entry: odd.entry, slip: 'misfit' } : undefined;
}

/** Faults that a switch shows as well while it is right and its quantity is not where it should be. */
const LOOKS_RIGHT: readonly Mode[] = ['stuck-open', 'stuck-closed', 'not-actuated', 'tripped'];

/**
 * A switch that pressure or heat moves is not condemned while nobody knows when it should go over, nor
 * while nobody has read what moves it: open can be right. Read alone, moved by hand or warmed, or felt
 * to be cold, it stands under a quantity that is known.
 */
function blockedBy(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
  suspect: Suspect,
): { needs: 'set-points' } | { needs: 'quantity'; actuator: string } | undefined {
  const { diagram } = predictor;
  for (const fault of suspect.leading.causes) {
    if (setPointsMissing(diagram, fault)) return { needs: 'set-points' };
    const moved = movedByQuantity(diagram, fault);
    if (!moved?.part.setPoints || moved.part.id !== suspect.id) continue;
    if (!LOOKS_RIGHT.includes(fault.mode)) continue;
    const { part, quantity } = moved;
    const measured = entries.some(
      (each) => each.kind === 'measurement' && each.actuator === quantity.id,
    );
    const known = readingsFor(predictor, suspect, entries).some(
      (each) =>
        each.kind === 'reading' &&
        (part.id in each.setup.byHand || typeof each.setup.actuators[quantity.id] === 'string'),
    );
    if (!measured && !known) return { needs: 'quantity', actuator: quantity.id };
  }
  return undefined;
}
