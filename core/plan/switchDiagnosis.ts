import type { Reading, ProofStep } from '../call/reading';
import type { Diagram, SwitchPart } from '../diagram/diagram';
import type { MeterUse } from '../meter/meter';
import type { SwitchHypothesis } from '../inference/switchHypotheses';
import { SwitchPredictor } from '../inference/switchPredictor';
import { noSingleExplains, switchState, type SwitchState } from '../inference/switchVerdict';
import { nextReading, type NextReading } from './nextReading';
import { proofOf, type Depth } from './proof';

const FORESEEN = [{ kind: 'over' }, { kind: 'ohms', ohms: 0.1 }] as const;

/** The diagnosis of one switch; made once for it and kept while it is read. */
export class SwitchDiagnosis {
  readonly predictor: SwitchPredictor;
  private readonly proofs = new Map<Depth, readonly ProofStep[]>();

  constructor(diagram: Diagram, part: SwitchPart) {
    this.predictor = new SwitchPredictor(diagram, part);
  }

  /** Takes a proof that was planned elsewhere: in a worker, where a big table takes its time. */
  takeProof(depth: Depth, steps: readonly ProofStep[]): void {
    this.proofs.set(depth, steps);
  }

  /** The readings that prove the switch, in the order with the fewest moves. */
  proof(depth: Depth): readonly ProofStep[] {
    const { diagram, part } = this.predictor;
    const known = this.proofs.get(depth) ?? proofOf(diagram, part, depth);
    this.proofs.set(depth, known);
    return known;
  }

  /** What the readings that still count say together, oldest first, and the one to take next. */
  of(
    readings: readonly Reading[],
    depth: Depth,
  ): { state: SwitchState; next: NextReading | undefined } {
    const state = switchState(this.predictor, readings, this.proof(depth));
    return { state, next: nextReading(this.predictor, readings, state) };
  }

  /**
   * Works out ahead, a little at each step, what the next reading will be weighed by: for a closed contact and for an open one.
   * @param next what `of` asks for
   * @param taken the meter that will be used
   */
  *foresee(
    readings: readonly Reading[],
    next: NextReading,
    taken: MeterUse,
    depth: Depth,
  ): Generator<void> {
    for (const display of FORESEEN) {
      const all = [...readings, { ...next.place, id: 'foreseen', display, taken }];
      yield* this.weigh(this.predictor.hypotheses, all);
      if (noSingleExplains(this.predictor, all)) yield* this.weigh(this.predictor.withDoubles, all);
      this.of(all, depth);
      yield;
    }
  }

  private *weigh(
    hypotheses: readonly SwitchHypothesis[],
    readings: readonly Reading[],
  ): Generator<void> {
    for (const hypothesis of hypotheses) {
      for (const each of readings) this.predictor.likelihood(each, hypothesis);
      yield;
    }
  }
}
