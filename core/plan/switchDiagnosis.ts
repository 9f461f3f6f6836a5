import type { Reading, ProofStep } from '../call/reading';
import type { Diagram, SwitchPart } from '../diagram/diagram';
import { SwitchPredictor } from '../inference/switchPredictor';
import { switchState, type SwitchState } from '../inference/switchVerdict';
import { nextReading, type NextReading } from './nextReading';
import { proofOf, type Depth } from './proof';

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
}
