import { UseRuns, type RunOutlines } from '../behaviour/useRuns';
import type { Evidence } from '../call/evidence';
import type { Diagram } from '../diagram/diagram';
import { drawnSetup, poweredSetup } from '../diagram/setup';
import { beliefState, type BeliefState, type UnitVerdict } from '../inference/beliefState';
import { hypothesesRenewed } from '../inference/chapters';
import { contradictions, type Contradiction } from '../inference/contradictions';
import { twinsOtherwise } from '../inference/knownGoodUnit';
import { hypothesesWithPairs } from '../inference/pairsOfFaults';
import type { SecondLook } from '../inference/secondLook';
import { weighedByShop, type FoundCounts } from '../inference/shopPriors';
import { unitHypotheses, wrongIn, type UnitHypothesis } from '../inference/unitHypotheses';
import { UnitPredictor } from '../inference/unitPredictor';
import type { Meter } from '../meter/meter';
import type { KeptCandidates } from './keptCandidates';
import { heldVerdict } from './heldVerdict';
import type { Policy } from './policies';
import { repairStanding, type RepairStanding } from './repair';
import { UnitPlanner, type Advice } from './unitPlanner';
import type { UnitTest } from './unitTests';
import { USUAL_WAY, type WayOfWorking } from './wayOfWorking';

/** Share of the preparing that the uses of the unit take. */
const USES = 0.5;

/** From this probability on a repair is taken to have done it, and is to be proved. From memory. */
const LIKELY_RIGHT = 0.8;
/** Readings, and runs, that a repair waits for and that are shown at once. */
const MOST_ASKED = 3;

/** What is known of a unit, weighed; before anything is looked for that should come next. */
export interface Weighed {
  planner: UnitPlanner;
  state: BeliefState;
  /** What counts. */
  entries: readonly Evidence[];
  /** Readings of a good twin that are not what the diagram foretells. */
  oddTwins: string[];
}

/** All that is made of what is known of a unit. */
export interface Findings extends Weighed {
  verdict: UnitVerdict;
  /** The best first; of a second look none: it comes before any. */
  tests: Advice[];
  /** Live readings that would tell a group apart, where only cold ones were asked for. */
  settles: Advice[];
  secondLook: SecondLook | undefined;
  contradictions: Contradiction[];
  /** Whether two faults together explain what no single one does. */
  pairs: boolean;
  /** How the last repair stands; undefined where nothing was repaired. */
  repair: RepairStanding | undefined;
}

/** A pure function of the diagram, the meter and the engine. */
export interface Prepared {
  runs: RunOutlines;
  candidates: KeptCandidates;
}

interface Known {
  runs?: UseRuns | undefined;
  candidates?: KeptCandidates | undefined;
  /** What the shop has found in such units, where that counts. */
  found?: FoundCounts | undefined;
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

  /**
   * @param progress hears the share of the preparing that is done, uses first and tests after
   * @param known what is known of the unit already: its runs, what `prepared` gave for the same diagram and meter, what the shop has found
   */
  constructor(
    diagram: Diagram,
    meter: Meter,
    progress: (share: number) => void = () => undefined,
    { runs = new UseRuns(diagram), candidates, found }: Known = {},
  ) {
    this.runs = runs;
    const all = unitHypotheses(diagram, (share) => progress(USES * share), runs);
    const hypotheses = found ? weighedByShop(diagram, all, found) : all;
    this.planner = new UnitPlanner(
      new UnitPredictor(diagram, meter, hypotheses),
      (share) => progress(USES + (1 - USES) * share),
      candidates,
    );
  }

  /** What takes long to find out of a unit and is the same for all its calls, as it is kept. */
  prepared(): Prepared {
    return { runs: this.runs.outlines(), candidates: this.planner.candidates() };
  }

  /** What each single fault foretells. */
  get predictor(): UnitPredictor {
    return this.planner.predictor;
  }

  of(all: readonly Evidence[], way: WayOfWorking = USUAL_WAY): Findings {
    return this.advise(this.weigh(all), way);
  }

  /** Quickly done; `advise` takes its time. */
  weigh(all: readonly Evidence[]): Weighed {
    const { twins: oddTwins, counted: entries } = twinsOtherwise(this.predictor, all);
    return { ...this.stateOf(entries), entries, oddTwins };
  }

  /** The verdict, and the tests that come next. */
  advise(weighed: Weighed, way: WayOfWorking): Findings {
    const { planner, state, entries } = weighed;
    const { verdict, tests } = planner.advise(state, entries, way);
    const { predictor } = planner;
    const held = heldVerdict(planner, entries, state, verdict);
    const repair = repairStanding(predictor, entries);
    const mended = repair && this.mended(planner, state, repair, entries);
    const settles =
      verdict.kind === 'group' && !way.live
        ? planner.advise(state, entries, { ...way, live: true }).tests
        : [];
    return {
      ...weighed,
      ...(held?.now ?? mended ?? { verdict, tests }),
      repair,
      settles: held || mended ? [] : settles,
      secondLook: held?.secondLook,
      contradictions: contradictions(predictor, entries),
      pairs: planner.predictor === this.pairs?.predictor,
    };
  }

  /** Works out ahead what a reading of a test will be weighed by, so that its meaning is there with it. */
  foresee(entries: readonly Evidence[], test: UnitTest | undefined): void {
    if (test?.kind !== 'ohm' && test?.kind !== 'volt') return;
    const { diagram, meter } = this.predictor;
    const { from, to } = test;
    const read = {
      kind: 'reading',
      id: 'foreseen',
      from,
      to,
      taken: { meter },
      of: 'unit',
    } as const;
    this.weigh([
      ...entries,
      test.kind === 'ohm'
        ? { ...read, setup: test.setup, wiggle: test.wiggle, shows: { kind: 'over' } }
        : {
            ...read,
            setup: poweredSetup(drawnSetup(diagram)),
            steps: test.steps,
            wiggle: false,
            shows: { kind: 'volts', volts: 0 },
          },
    ]);
  }

  /** Minutes that each school is expected to take from here. */
  compare(all: readonly Evidence[], way: WayOfWorking): { school: Policy; minutes: number }[] {
    const { planner, state, entries } = this.weigh(all);
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
