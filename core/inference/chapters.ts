import { isRepair, type Evidence, type Repair } from '../call/evidence';
import { effectOf, modeOf, ownerOf, type Fault } from '../fault/fault';
import type { Remedy } from '../fault/mode';
import { HEALTHY, entryLikelihood } from './entryLikelihood';
import type { UnitHypothesis } from './unitHypotheses';
import type { UnitPredictor } from './unitPredictor';

/**
 * How often an act puts right what wants such a remedy; what is not named stays as it was. From memory:
 * a new part does not mend the bracket that should reach it, and cleaning does not mend a weld.
 */
const PUTS_RIGHT: Record<Repair['act'], Partial<Record<Remedy['kind'], number>>> = {
  replace: {
    replace: 1,
    clean: 1,
    reconnect: 0.6,
    adjust: 0.3,
    'reset-and-watch': 1,
    outside: 0.95,
  },
  clean: { clean: 0.8, replace: 0.2, adjust: 0.4, outside: 0.7 },
  reconnect: { reconnect: 0.9, outside: 0.4 },
  adjust: { adjust: 0.8, outside: 0.5 },
  reset: { 'reset-and-watch': 1, outside: 0.6 },
  'put-back': { adjust: 0.5, reconnect: 0.5, outside: 0.5 },
};

/** How often a new part is bad, or put in wrong, and has one of its own faults: from memory. */
const NEW_AND_BAD = 0.02;

/** Whether a protector is whole after it. */
const putsInAnew = ({ act }: Repair): boolean => act === 'replace' || act === 'reset';

/** How one explanation went through a call: what was wrong, and from which entry on something else. */
export interface Path {
  /** Places of hypotheses, each from an entry on; the last one is how the unit stands now. */
  states: readonly { from: number; hypothesis: number }[];
  log: number;
}

/** Every explanation as it was before anything was done. */
export const pathsOf = (hypotheses: readonly UnitHypothesis[]): Path[] =>
  hypotheses.map(({ prior }, hypothesis) => ({
    states: [{ from: 0, hypothesis }],
    log: Math.log(prior),
  }));

/** What is wrong now on a path. */
export const nowOn = ({ states }: Path): number => states.at(-1)?.hypothesis ?? HEALTHY;

/** What was wrong on a path when an entry was made. */
export const atEntry = ({ states }: Path, entry: number): number =>
  states.findLast(({ from }) => from <= entry)?.hypothesis ?? HEALTHY;

/** Probability of each hypothesis to have been what was wrong at any time. */
export function passedThrough(
  paths: readonly Path[],
  shares: Float64Array,
  hypotheses: number,
): Float64Array {
  const passed = new Float64Array(hypotheses);
  paths.forEach(({ states }, i) => {
    for (const { hypothesis } of states)
      passed[hypothesis] = (passed[hypothesis] ?? 0) + (shares[i] ?? 0);
  });
  return passed;
}

/** Probability of an entry on each path: it speaks of the unit as it was then. */
export function weightsOnPaths(
  predictor: UnitPredictor,
  paths: readonly Path[],
  entry: Evidence,
  place: number,
): Float64Array {
  const weights = entryLikelihood(predictor, entry);
  return Float64Array.from(paths, (path) => weights[atEntry(path, place)] ?? 1);
}

/** What happens to the paths of one unit when something is done to it. */
export class Chapters {
  /** Places of the hypotheses by their causes and all that is wrong with them. */
  private readonly byFaults = new Map<string, number>();
  /** Places by the causes alone, of those that have opened all that they open. */
  private readonly byCauses = new Map<string, number>();
  /** For each hypothesis the place of the one with the same causes that has opened all that they open. */
  private readonly opened: Int16Array;

  constructor(private readonly predictor: UnitPredictor) {
    const { hypotheses } = predictor;
    hypotheses.forEach(({ causes, faults }, i) => {
      this.byFaults.set(JSON.stringify([causes, faults]), i);
      const key = JSON.stringify(causes);
      const most = hypotheses[this.byCauses.get(key) ?? i]?.faults.length ?? 0;
      if (faults.length >= most) this.byCauses.set(key, i);
    });
    this.opened = Int16Array.from(
      hypotheses,
      ({ causes }) => this.byCauses.get(JSON.stringify(causes)) ?? -1,
    );
  }

  /**
   * The paths after a repair: what it puts right is gone, a new part may be bad, and a protector that
   * was put in anew is whole until its cause opens it again. Paths that end in the same fault are one
   * from here on, with the past of the likelier.
   * @param from the first entry that finds the unit so
   */
  after(paths: readonly Path[], repair: Repair, from: number): Path[] {
    const news = this.newAndBad(repair);
    const ends = new Map<string, Path>();
    const add = (path: Path, hypothesis: number, share: number): void => {
      if (share <= 0 || path.log === -Infinity) return;
      const states =
        hypothesis === nowOn(path) ? path.states : [...path.states, { from, hypothesis }];
      const next = { states, log: path.log + Math.log(share) };
      // What was put right is told apart by what it was.
      const key = hypothesis === HEALTHY ? `right ${ends.size}` : `${hypothesis}`;
      const before = ends.get(key);
      ends.set(key, before ? asOne(before, next) : next);
    };
    for (const path of paths) {
      const now = nowOn(path);
      const hypothesis = this.predictor.hypotheses[now];
      const right = hypothesis && this.putRight(hypothesis, repair);
      if (!right) {
        const whole =
          hypothesis && putsInAnew(repair) ? this.renewed(hypothesis, repair.part) : undefined;
        add(path, whole ?? now, 1);
        continue;
      }
      const bad = news.length && right.left === HEALTHY ? NEW_AND_BAD : 0;
      add(path, now, 1 - right.share);
      add(path, right.left, right.share * (1 - bad));
      for (const each of news) add(path, each.hypothesis, right.share * bad * each.share);
    }
    return [...ends.values()];
  }

  /** After the unit has run: a protector that was put in anew is open again where its cause still stands. */
  afterUse(paths: readonly Path[], entry: Evidence, from: number): readonly Path[] {
    const steps = entry.kind === 'statement' || entry.kind === 'reading' ? entry.steps : undefined;
    if (steps === undefined) return paths;
    return paths.map((path) => {
      const now = nowOn(path);
      const hypothesis = this.opened[now] ?? -1;
      if (hypothesis < 0 || hypothesis === now) return path;
      const { faults = [] } = this.predictor.hypotheses[hypothesis] ?? {};
      const opens = faults.some((each) => {
        const outcome = this.predictor.outcome(now, steps, ownerOf(each));
        return outcome === 'opens' || outcome === 'open';
      });
      return opens ? { ...path, states: [...path.states, { from, hypothesis }] } : path;
    });
  }

  /** What is left wrong where a repair puts right one cause of a hypothesis, and how often it does. */
  private putRight(
    { suspect, causes }: UnitHypothesis,
    { part, act }: Repair,
  ): { left: number; share: number } | undefined {
    const wrong = causes.filter((each) => !effectOf(each, 'slow'));
    const touched = wrong.find(
      (each) =>
        ownerOf(each) === part ||
        (wrong.length === 1 && suspect === part) ||
        (act !== 'replace' && this.reaches(each, part)),
    );
    if (!touched) return undefined;
    const share = PUTS_RIGHT[act][modeOf(touched.mode).remedy.kind] ?? 0;
    const left = wrong.filter((each) => each !== touched);
    const place = left.length ? this.byCauses.get(JSON.stringify(left)) : HEALTHY;
    return place === undefined ? undefined : { left: place, share };
  }

  /** Whether a switch that is not moved and the bracket that should reach it are put right as one. */
  private reaches(fault: Fault, part: string): boolean {
    if (!effectOf(fault, 'stands')) return false;
    const owner = ownerOf(fault);
    return this.predictor.diagram.parts.some(
      (each) =>
        each.kind === 'hardware' &&
        ((each.id === part && each.serves.includes(owner)) ||
          (each.id === owner && each.serves.includes(part))),
    );
  }

  /** The same causes with a protector that they have opened put in anew. */
  private renewed(hypothesis: UnitHypothesis, part: string): number | undefined {
    const faults = withoutOpened(hypothesis, part);
    return faults.length < hypothesis.faults.length
      ? this.byFaults.get(JSON.stringify([hypothesis.causes, faults]))
      : undefined;
  }

  /** The faults that a new part may have, with their shares; only where a part was put in. */
  private newAndBad({ part, act }: Repair): { hypothesis: number; share: number }[] {
    if (act !== 'replace') return [];
    const { hypotheses } = this.predictor;
    const own = [...hypotheses.keys()].filter((i) => {
      const each = hypotheses[i];
      return each?.suspect === part && each.causes.length === 1 && each.prior > 0;
    });
    const total = own.reduce((sum, i) => sum + (hypotheses[i]?.prior ?? 0), 0);
    return own.map((hypothesis) => ({
      hypothesis,
      share: (hypotheses[hypothesis]?.prior ?? 0) / total,
    }));
  }
}

/** Two paths to the same fault: their chances together, with the past of the likelier. */
function asOne(one: Path, two: Path): Path {
  const [more, less] = one.log >= two.log ? [one, two] : [two, one];
  return { states: more.states, log: more.log + Math.log1p(Math.exp(less.log - more.log)) };
}

const withoutOpened = ({ causes, faults }: UnitHypothesis, part: string): Fault[] =>
  faults.filter((each) => causes.includes(each) || ownerOf(each) !== part);

/**
 * What has to be weighed besides once a protector was put in anew: each explanation that had opened
 * it, with the new one still whole. None where no such repair was made.
 */
export function hypothesesRenewed(
  hypotheses: readonly UnitHypothesis[],
  entries: readonly Evidence[],
): UnitHypothesis[] {
  const renewed = new Set(
    entries
      .filter(isRepair)
      .filter(putsInAnew)
      .map(({ part }) => part),
  );
  return [...renewed].flatMap((part) =>
    hypotheses.flatMap((each): UnitHypothesis[] => {
      const faults = withoutOpened(each, part);
      return faults.length < each.faults.length ? [{ ...each, faults, prior: 0 }] : [];
    }),
  );
}
