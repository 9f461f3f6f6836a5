import type { LinePath, LineWay } from '../behaviour/linePath';
import type { StatementEvidence } from '../call/evidence';
import type { TerminalRef } from '../diagram/diagram';

/** What a line is chosen by. */
export interface InHand {
  /** The points that are read next; none where no meter is in hand. */
  points: readonly TerminalRef[];
  /** What was told of the unit. */
  said: readonly Pick<StatementEvidence, 'subject' | 'steps' | 'outcome'>[];
  /** Ids of parts and wires, the likeliest first. */
  suspects: readonly string[];
}

/**
 * The line that is looked at: through the load that was complained of, at the moment that was spoken of, with the points in hand and
 * the likeliest suspects on it. Points in hand weigh most: who puts the probes somewhere wants to see them.
 */
export function lineInHand(lines: readonly LinePath[], hand: InHand): LinePath | undefined {
  const amiss = hand.said.filter(({ outcome }) => outcome !== 'runs');
  const worth = ({ load, moments, ways }: LinePath): number => {
    const owners = new Set(ways.map(({ owner }) => owner));
    const there = hand.points.filter((ref) => pointsOf(ways).includes(ref)).length;
    const first = hand.suspects.findIndex((id) => owners.has(id));
    const told = amiss.some(({ subject }) => subject === load);
    const then = amiss.some((each) => each.subject === load && moments.includes(each.steps));
    return (
      100 * there + (told ? 20 : 0) + (then ? 10 : 0) + (first < 0 ? 0 : Math.max(1, 8 - first))
    );
  };
  return lines.reduce<LinePath | undefined>(
    (best, line) => (best && worth(best) >= worth(line) ? best : line),
    undefined,
  );
}

/** The points of a line, from the hot side on. */
export const pointsOf = (ways: readonly LineWay[]): TerminalRef[] =>
  ways.flatMap(({ from, to }, i) => (i === 0 ? [from, to] : [to]));
