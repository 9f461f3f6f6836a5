import { alike, saidBeside, type Outcome } from '../behaviour/statement';
import type { StatementEvidence } from '../call/evidence';
import { HEALTHY } from './entryLikelihood';
import type { UnitPredictor } from './unitPredictor';

/** Something that can be told of a unit: what one subject does in one moment of its uses. */
export interface Tellable extends Pick<StatementEvidence, 'steps' | 'subject' | 'outcome'> {
  /** A good unit does it too: telling it clears what would do otherwise. */
  works: boolean;
  /** How much of what may be wrong, by its priors, it speaks of. */
  share: number;
}

/**
 * Everything that some fault of a unit does and a good one does not, each in the moment in which most faults do it,
 * and for each subject of it that it works; what speaks of most comes first.
 */
export function tellable({ diagram, hypotheses }: UnitPredictor): Tellable[] {
  const healthy = hypotheses[HEALTHY]?.uses.outcomes ?? new Map<string, Map<string, Outcome>>();
  const all = hypotheses.reduce((sum, each) => sum + (each.suspect ? each.prior : 0), 0) || 1;
  const wrong = new Tally();
  const works = new Tally();
  for (const { suspect, prior, uses } of hypotheses) {
    if (suspect === undefined) continue;
    for (const [steps, outcomes] of uses.outcomes)
      for (const [subject, outcome] of outcomes) {
        const good = healthy.get(steps)?.get(subject);
        if (good === undefined) continue;
        const said = saidBeside(diagram, subject, outcome, good);
        // Nobody tells what is off from what has just stopped.
        if (alike(said, good)) continue;
        wrong.add({ steps, subject, outcome: said }, prior / all);
        if (good === 'runs' || good === 'cycles')
          works.add({ steps, subject, outcome: good }, prior / all);
      }
  }
  return [
    ...wrong.best(({ subject, outcome }) => `${subject} ${outcome}`, false),
    ...works.best(({ subject }) => subject, true),
  ].sort((a, b) => b.share - a.share);
}

/** What one subject may be told to do in one moment: what a good unit does, and all that some fault makes of it. */
export interface Sayable {
  steps: string;
  subject: string;
  outcomes: Outcome[];
}

/** Moments and subjects at which some fault makes a difference; anything else says nothing of the unit. */
export function sayable({ diagram, hypotheses }: UnitPredictor): Sayable[] {
  const healthy = hypotheses[HEALTHY]?.uses.outcomes ?? new Map<string, Map<string, Outcome>>();
  return [...healthy].flatMap(([steps, goods]) =>
    [...goods].flatMap(([subject, good]): Sayable[] => {
      const outcomes = [good];
      for (const { uses } of hypotheses) {
        const does = uses.outcomes.get(steps)?.get(subject);
        const said = does && saidBeside(diagram, subject, does, good);
        if (said && !outcomes.some((each) => alike(each, said))) outcomes.push(said);
      }
      return outcomes.length > 1 ? [{ steps, subject, outcomes }] : [];
    }),
  );
}

/** Part of the largest share from which on an earlier moment is taken: people tell what they see first. */
const NEARLY = 0.85;

type Told = Omit<Tellable, 'works' | 'share'>;

/** Shares of what is told, and of those that are told alike the one with the largest. */
class Tally {
  private readonly shares = new Map<string, { told: Told; share: number }>();

  add(told: Told, share: number): void {
    const key = JSON.stringify(told);
    const known = this.shares.get(key) ?? { told, share: 0 };
    known.share += share;
    this.shares.set(key, known);
  }

  /** Of each thing that is told alike, the earliest moment whose share is nearly the largest. */
  best(same: (told: Told) => string, works: boolean): Tellable[] {
    const all = [...this.shares.values()];
    const most = new Map<string, number>();
    for (const { told, share } of all)
      most.set(same(told), Math.max(share, most.get(same(told)) ?? 0));
    const first = new Map<string, Tellable>();
    for (const { told, share } of all)
      if (!first.has(same(told)) && share >= NEARLY * (most.get(same(told)) ?? 0))
        first.set(same(told), { ...told, works, share });
    return [...first.values()];
  }
}
