import { UseRuns } from '../../core/behaviour/useRuns';
import type { Diagram } from '../../core/diagram/diagram';
import type { FoundCounts } from '../../core/inference/shopPriors';
import { unitHypotheses } from '../../core/inference/unitHypotheses';
import { UnitPredictor } from '../../core/inference/unitPredictor';
import { ORDINARY_METER } from '../../core/meter/meter';
import { UnitDiagnosis, type Prepared } from '../../core/plan/unitDiagnosis';
import type { FirstAdvice } from './firstAdvice';
import { firstAdviceNamed, keepPreparation, nameOf, preparationOf } from './preparations';

/** What is known of one diagram, each thing found out when it is first asked for. */
export class Unit {
  readonly runs: UseRuns;
  private foretells: UnitPredictor | undefined;
  private made: UnitDiagnosis | undefined;
  /** What the shop has found in such units, as the diagnosis was made with it. */
  private found: FoundCounts | undefined;
  private warmed = 0;

  constructor(
    readonly diagram: Diagram,
    private readonly name: string | undefined,
    private kept: Prepared | undefined,
  ) {
    this.runs = new UseRuns(diagram, kept?.runs);
  }

  /** Every single fault with what is noticed of it; needs the uses alone, no tests. */
  get predictor(): UnitPredictor {
    return (
      this.made?.predictor ??
      (this.foretells ??= new UnitPredictor(
        this.diagram,
        ORDINARY_METER,
        unitHypotheses(this.diagram, undefined, this.runs),
      ))
    );
  }

  /** The predictor of the diagnosis where there is one already. */
  get weighed(): UnitPredictor | undefined {
    return this.made?.predictor;
  }

  /** @param progress hears how far it is, where nobody has prepared the unit before */
  diagnosis(progress: (share: number) => void = () => undefined): UnitDiagnosis {
    if (this.made) return this.made;
    const { diagram, runs, kept, found } = this;
    const made = new UnitDiagnosis(diagram, ORDINARY_METER, kept ? undefined : progress, {
      runs,
      candidates: kept?.candidates,
      found,
    });
    if (!kept) void keepPreparation(this.name, (this.kept = made.prepared()));
    return (this.made = made);
  }

  /** Counts what the shop has found from here on; made anew where that has changed. */
  countFound(found: FoundCounts | undefined): void {
    if (JSON.stringify(found) === JSON.stringify(this.found)) return;
    this.found = found;
    this.made = undefined;
  }

  /**
   * Runs one more fault whole, of which only what is noticed was kept: live readings ask how the unit stands meanwhile.
   * @returns whether there are more
   */
  warm(): boolean {
    const next = this.made?.predictor.hypotheses[this.warmed++];
    void next?.uses.courses;
    return next !== undefined;
  }
}

const units = new Map<string, Promise<Unit>>();
const firsts = new Map<string, Promise<FirstAdvice | undefined>>();

/** What comes first on a unit, where that was worked out before. */
export function firstAdviceFor(key: string, diagram: Diagram): Promise<FirstAdvice | undefined> {
  const first = firsts.get(key) ?? nameOf(diagram).then(firstAdviceNamed);
  firsts.set(key, first);
  return first;
}

/** Diagrams with the same key are the same. */
export function unitOf(key: string, diagram: Diagram): Promise<Unit> {
  const unit = units.get(key) ?? open(diagram);
  units.set(key, unit);
  return unit;
}

async function open(diagram: Diagram): Promise<Unit> {
  const name = await nameOf(diagram);
  return new Unit(diagram, name, await preparationOf(name));
}
