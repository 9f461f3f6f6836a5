import { buildNetwork, type Network } from '../circuit/network';
import { between, type OhmAnswer } from '../circuit/ohmReading';
import type { Reading, ReadingPlace } from '../call/reading';
import type { Diagram, SwitchPart } from '../diagram/diagram';
import { setupKey } from '../diagram/setupKey';
import { inBadMoment } from '../fault/fault';
import { displayInterval } from '../meter/meter';
import { readingLikelihood } from './likelihood';
import { afterSlip } from './slips';
import { doubleFaults, GOOD, switchHypotheses, type SwitchHypothesis } from './switchHypotheses';
import { nominalOf } from './unitPredictor';

/**
 * Answers and likelihoods of readings on one switch under hypotheses. Keep it while the diagram and
 * the switch stay the same: each network and each pair is worked out once.
 */
export class SwitchPredictor {
  private readonly networks = new Map<string, Network>();
  private readonly answers = new Map<string, OhmAnswer>();
  private readonly likelihoods = new WeakMap<Reading, Map<SwitchHypothesis, number>>();
  private doubles: SwitchHypothesis[] | undefined;
  /** Good, every single fault, every slip. */
  readonly hypotheses: readonly SwitchHypothesis[];

  constructor(
    readonly diagram: Diagram,
    readonly part: SwitchPart,
  ) {
    this.hypotheses = switchHypotheses(diagram, part);
  }

  /** With two faults at once, for readings that no single one explains. */
  get withDoubles(): readonly SwitchHypothesis[] {
    this.doubles ??= [...this.hypotheses, ...doubleFaults(this.diagram, this.part)];
    return this.doubles;
  }

  /** What the circuit would answer at a place, power off, if the hypothesis holds. */
  answer(place: ReadingPlace, hypothesis: SwitchHypothesis): OhmAnswer {
    const slipped = hypothesis.kind === 'slip' && !place.lookedAgain;
    const real = slipped ? afterSlip(this.diagram, this.part, place, hypothesis.slip) : place;
    const faults = hypothesis.kind === 'fault' ? hypothesis.faults : [];
    const where = `${setupKey(real.setup)} ${JSON.stringify(faults)}`;
    const key = `${where} ${real.from} ${real.to}`;
    const known = this.answers.get(key);
    if (known) return known;
    let network = this.networks.get(where);
    if (!network) {
      network = buildNetwork(this.diagram, real.setup, faults);
      this.networks.set(where, network);
    }
    const answer = between(network, real.from, real.to);
    this.answers.set(key, answer);
    return answer;
  }

  /** Which of the answers that a meter tells apart at a glance is to be expected. */
  outcome(
    place: ReadingPlace,
    hypothesis: SwitchHypothesis,
  ): 'unsteady' | 'near zero' | 'load' | 'resistive' | 'open' | 'unknown' {
    const answer = this.answer(place, hypothesis);
    if (place.wiggle && this.whenApart(place, hypothesis)) return 'unsteady';
    if (answer.kind === 'open') return 'open';
    if (answer.kind !== 'ohms') return 'unknown';
    if (answer.high < 1) return 'near zero';
    return answer.low > 1 && answer.high < 1e3 ? 'load' : 'resistive';
  }

  /** Probability of what a reading showed, on the meter it was taken with, if the hypothesis holds. */
  likelihood(reading: Reading, hypothesis: SwitchHypothesis): number {
    let known = this.likelihoods.get(reading);
    if (!known) this.likelihoods.set(reading, (known = new Map()));
    const value =
      known.get(hypothesis) ??
      readingLikelihood({
        display: reading.display,
        shown: displayInterval(reading.display, reading.taken),
        whole: this.answer(reading, hypothesis),
        apart: this.whenApart(reading, hypothesis),
        wiggled: reading.wiggle,
        burnt:
          faultsOf(hypothesis).some((fault) => fault.mode === 'resistive') &&
          nominalOf(this.answer(reading, hypothesis)) !== nominalOf(this.answer(reading, GOOD)),
      });
    known.set(hypothesis, value);
    return value;
  }

  /**
   * What an intermittent contact shows in a bad moment; undefined where nothing is intermittent, and
   * where opening it changes nothing.
   */
  private whenApart(place: ReadingPlace, hypothesis: SwitchHypothesis): OhmAnswer | undefined {
    const bad = faultsOf(hypothesis).flatMap((fault) => inBadMoment(fault) ?? [])[0];
    if (!bad) return undefined;
    const open: SwitchHypothesis = { kind: 'fault', prior: 1, faults: [bad] };
    const apart = this.answer(place, open);
    return apart.kind === this.answer(place, hypothesis).kind ? undefined : apart;
  }
}

const faultsOf = (hypothesis: SwitchHypothesis) =>
  hypothesis.kind === 'fault' ? hypothesis.faults : [];
