import { contradictions, type Contradiction } from '../inference/contradictions';
import { twinsOtherwise } from '../inference/knownGoodUnit';
import { movedByQuantity, setPointsMissing } from '../inference/setPoints';
import { hypothesesRenewed } from '../inference/chapters';
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
import { repairStanding, type RepairStanding } from './repair';
import type { UnitTest } from './unitTests';
import { USUAL_WAY, type WayOfWorking } from './wayOfWorking';
import type { Policy } from './policies';

/** Share of the preparing that the uses of the unit take. */
const USES = 0.5;

/** From this probability on a repair is taken to have done it, and is to be proved. From memory. */
const LIKELY_RIGHT = 0.8;
/** Readings, and runs, that a repair waits for and that are shown at once. */
const MOST_ASKED = 3;

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
  /** How the last repair stands; undefined where nothing was repaired. */
  repair: RepairStanding | undefined;
}

/** What a list of hypotheses foretells, beside that of every single fault. */
interface Foretold {
  key: string;
  predictor: UnitPredictor;
  /** Made only when it is planned with. */
  planner?: UnitPlanner;
}

/** The diagnosis of one unit; made once for a diagram and kept while its calls are worked. */
export class UnitDiagnosis {
  readonly planner: UnitPlanner;
  private readonly runs: UseRuns;
  private pairs: Foretold | undefined;
  private renewed: Foretold | undefined;

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
              planner.asked({ kind: 'measure', actuator: blocked.actuator }, entries),
            ])
          : blocked && heldBy({ kind: 'open', needs: blocked.needs });
    const repair = repairStanding(predictor, entries);
    const mended = repair && this.mended(planner, state, repair, entries);
    const settles =
      verdict.kind === 'group' && !way.live
        ? planner.advise(state, entries, { ...way, live: true }).tests
        : [];
    return {
      planner,
      state,
      ...(held ?? mended ?? { verdict, tests }),
      repair,
      settles: odd || mended ? [] : settles,
      secondLook: again,
      contradictions: contradictions(predictor, entries),
      oddTwins,
      pairs: planner.predictor === this.pairs?.predictor,
    };
  }

  /** Minutes that each school is expected to take from here. */
  compare(all: readonly Evidence[], way: WayOfWorking): { school: Policy; minutes: number }[] {
    const { counted: entries } = twinsOtherwise(this.predictor, all);
    const { planner, state } = this.stateOf(entries);
    return planner.compare(state, entries, way);
  }

  /** A repair that has probably done it: what it takes to prove that, first with everything dead. */
  private mended(
    planner: UnitPlanner,
    { suspects }: BeliefState,
    repair: RepairStanding,
    entries: readonly Evidence[],
  ): { verdict: UnitVerdict; tests: Advice[] } | undefined {
    const right = suspects.find((each) => each.id === undefined)?.probability ?? 0;
    if (right < LIKELY_RIGHT || repair.kind === 'still-there') return undefined;
    const missing: UnitTest[] =
      repair.kind === 'proved'
        ? []
        : [
            ...repair.cells.slice(0, MOST_ASKED).map(({ from, to, setup }): UnitTest => ({
              kind: 'ohm',
              reach: 'own',
              from,
              to,
              setup: { ...setup, except: [] },
              wiggle: false,
            })),
            ...repair.runs.slice(0, MOST_ASKED).map((run): UnitTest => ({ kind: 'try', ...run })),
          ];
    return {
      verdict: { kind: 'repaired' },
      tests: missing.map((test) => planner.asked(test, entries)),
    };
  }

  private stateOf(entries: readonly Evidence[]): { planner: UnitPlanner; state: BeliefState } {
    const { planner, state } = this.singlesOf(entries);
    const { predictor } = planner;
    const hypotheses = hypothesesWithPairs(predictor, entries, state, this.runs);
    if (!hypotheses) return { planner, state };
    const paired = kept(this.pairs, hypotheses, this.predictor);
    this.pairs = paired;
    const together = beliefState(paired.predictor, entries);
    const most = together.shares.reduce((a, b) => Math.max(a, b), 0);
    const leading = together.paths[together.shares.indexOf(most)]?.states ?? [];
    const isPair = leading.some(({ hypothesis }) => {
      const each = paired.predictor.hypotheses[hypothesis];
      return each && wrongIn(each).length > 1;
    });
    return isPair ? { planner: plannerOf(paired), state: together } : { planner, state };
  }

  /** With single faults alone; where a protector was put in anew, with it whole beside its cause. */
  private singlesOf(entries: readonly Evidence[]): { planner: UnitPlanner; state: BeliefState } {
    const { planner, predictor } = this;
    const state = beliefState(predictor, entries);
    const renewed = hypothesesRenewed(predictor.hypotheses, entries);
    if (!renewed.length) return { planner, state };
    const others = kept(this.renewed, [...predictor.hypotheses, ...renewed], predictor);
    this.renewed = others;
    return { planner: plannerOf(others), state: beliefState(others.predictor, entries) };
  }
}

/** What is foretold with other hypotheses; kept until others come up. */
function kept(
  before: Foretold | undefined,
  hypotheses: readonly UnitHypothesis[],
  { diagram, meter }: UnitPredictor,
): Foretold {
  const key = JSON.stringify(hypotheses.map(({ causes, faults }) => [causes, faults]));
  return before?.key === key
    ? before
    : { key, predictor: new UnitPredictor(diagram, meter, hypotheses) };
}

const plannerOf = (foretold: Foretold): UnitPlanner =>
  (foretold.planner ??= new UnitPlanner(foretold.predictor));

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
