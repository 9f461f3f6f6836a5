import type { UseRuns } from '../behaviour/useRuns';
import type { OhmAnswer } from '../circuit/ohmReading';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';
import { ownerOf, type Fault } from '../fault/fault';
import { consequencesOf, type UnitHypothesis } from './unitHypotheses';
import type { UnitPredictor } from './unitPredictor';

/** How the unit stands while it is read: dead in a setup, or live after some steps or a while into the last. */
export type ReadAt = { setup: Setup } | { steps: string; second?: number };

/** What a meter shows between two points, dead in ohms and live in volts, or a clamp around a wire; or why nobody can say. */
export type Shown =
  | { kind: 'ohms'; answer: OhmAnswer }
  | { kind: 'volts'; volts: number }
  | { kind: 'amps'; low: number; high: number }
  | { kind: 'none'; reason: string };

/**
 * What one explanation shows between two points: the one answer that the planner, the drawing and the
 * teaching bench give. The unit has run with its fault, so that what is driven stands as it would.
 */
export function shownUnder(
  predictor: UnitPredictor,
  index: number,
  at: ReadAt,
  from: TerminalRef,
  to: TerminalRef,
): Shown {
  if ('setup' in at) {
    const answer = predictor.ohms(index, at.setup, from, to);
    return answer.kind === 'open' || answer.kind === 'ohms'
      ? { kind: 'ohms', answer }
      : { kind: 'none', reason: answer.reason };
  }
  const volts = predictor.volts(at.steps, from, to, { second: at.second })(index);
  return volts === undefined
    ? { kind: 'none', reason: 'nothing joins the two points: a meter shows any small volts' }
    : { kind: 'volts', volts };
}

/** A unit with some faults as an explanation of its own, outside the list of those that are weighed. */
export function asHypothesis(diagram: Diagram, runs: UseRuns, causes: Fault[]): UnitHypothesis {
  const uses = runs.of(causes);
  const [first] = causes;
  return {
    suspect: first && ownerOf(first),
    causes,
    faults: [...causes, ...consequencesOf(diagram, uses, causes)],
    prior: 1,
    uses,
  };
}
