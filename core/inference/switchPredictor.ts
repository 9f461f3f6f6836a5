import { buildNetwork, type Network } from '../circuit/network';
import { between, type OhmAnswer } from '../circuit/ohmReading';
import type { Diagram, SwitchPart, TerminalRef } from '../diagram/diagram';
import { actuatorStateFor, positionsOf, switchPosition } from '../diagram/setup';
import { splitRef, terminalRef } from '../diagram/terminal';
import { displayInterval, type Meter } from '../meter/meter';
import type { Reading, ReadingPlace } from '../call/reading';
import { proofOf, type Depth, type ProofStep } from '../plan/proof';
import { doubleFaults, hypothesesFor, type SwitchHypothesis, type Slip } from './switchHypotheses';
import { INTERMITTENT, likelihood } from './likelihood';

/** Where the probes really were and what was really set, if the slip happened. */
export function afterSlip(
  diagram: Diagram,
  part: SwitchPart,
  place: ReadingPlace,
  slip: Slip,
): ReadingPlace {
  const { setup } = place;
  switch (slip.kind) {
    case 'wires-on':
      return { ...place, setup: { ...setup, lifted: [] } };
    case 'swapped': {
      const [a, b] = slip.positions;
      return moved(place, part, (at) => (at === a ? b : at === b ? a : at));
    }
    case 'one-step-off': {
      const positions = positionsOf(diagram, part);
      return moved(place, part, (at) => positions[positions.indexOf(at) + slip.step] ?? at);
    }
    case 'neighbour': {
      const [a, b] = slip.terminals;
      const other = (ref: TerminalRef): TerminalRef => {
        const { terminal } = splitRef(ref);
        return terminalRef(part.id, terminal === a ? b : terminal === b ? a : terminal);
      };
      return { ...place, from: other(place.from), to: other(place.to) };
    }
    case 'twin': {
      const onTwin = (ref: TerminalRef): TerminalRef =>
        splitRef(ref).part === part.id ? terminalRef(slip.twin, splitRef(ref).terminal) : ref;
      return {
        ...place,
        part: slip.twin,
        from: onTwin(place.from),
        to: onTwin(place.to),
        setup: { ...setup, lifted: setup.lifted.map(onTwin) },
      };
    }
  }
}

/** The same reading with the actuator elsewhere; a switch held by hand is where the hand holds it. */
function moved(
  place: ReadingPlace,
  part: SwitchPart,
  to: (position: string) => string,
): ReadingPlace {
  const at = switchPosition(place.setup, part);
  if (at === undefined || part.id in place.setup.byHand) return place;
  const actuators = { ...place.setup.actuators, [part.actuator]: actuatorStateFor(part, to(at)) };
  return { ...place, setup: { ...place.setup, actuators } };
}

/** A burnt contact sometimes jumps too. */
const RESISTIVE_JUMPS = 0.1;

/**
 * Answers and likelihoods of readings on one switch under hypotheses. Keep it while the diagram,
 * the switch and the meter stay the same: each network and each pair is worked out once.
 */
export class SwitchPredictor {
  private readonly networks = new Map<string, Network>();
  private readonly answers = new Map<string, OhmAnswer>();
  private readonly likelihoods = new WeakMap<Reading, Map<SwitchHypothesis, number>>();
  private readonly proofs = new Map<Depth, ProofStep[]>();
  private doubles: SwitchHypothesis[] | undefined;
  /** Good, every single fault, every slip. */
  readonly hypotheses: readonly SwitchHypothesis[];

  constructor(
    readonly diagram: Diagram,
    readonly part: SwitchPart,
    readonly meter: Meter,
  ) {
    this.hypotheses = hypothesesFor(diagram, part);
  }

  /** With two faults at once, for readings that no single one explains. */
  get withDoubles(): readonly SwitchHypothesis[] {
    this.doubles ??= [...this.hypotheses, ...doubleFaults(this.diagram, this.part)];
    return this.doubles;
  }

  /** Takes a proof that was planned elsewhere: in a worker, where a big table takes its time. */
  takeProof(depth: Depth, steps: ProofStep[]): void {
    this.proofs.set(depth, steps);
  }

  proof(depth: Depth): ProofStep[] {
    const known = this.proofs.get(depth) ?? proofOf(this.diagram, this.part, depth);
    this.proofs.set(depth, known);
    return known;
  }

  /** What the circuit would answer at a place, power off, if the hypothesis holds. */
  answer(place: ReadingPlace, hypothesis: SwitchHypothesis): OhmAnswer {
    const slipped = hypothesis.kind === 'slip' && !place.lookedAgain;
    const real = slipped ? afterSlip(this.diagram, this.part, place, hypothesis.slip) : place;
    const faults = hypothesis.kind === 'fault' ? hypothesis.faults : [];
    const where = JSON.stringify([real.setup, faults]);
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
    const jumpy = place.wiggle ? intermittentContact(hypothesis) : undefined;
    if (jumpy !== undefined && this.playsAPart(place, hypothesis, jumpy)) return 'unsteady';
    if (answer.kind === 'open') return 'open';
    if (answer.kind !== 'ohms') return 'unknown';
    if (answer.high < 1) return 'near zero';
    return answer.low > 1 && answer.high < 1e3 ? 'load' : 'resistive';
  }

  /** Probability of what a reading showed, if the hypothesis holds. */
  likelihood(reading: Reading, hypothesis: SwitchHypothesis): number {
    let known = this.likelihoods.get(reading);
    if (!known) this.likelihoods.set(reading, (known = new Map()));
    const value = known.get(hypothesis) ?? this.weigh(reading, hypothesis);
    known.set(hypothesis, value);
    return value;
  }

  private weigh(reading: Reading, hypothesis: SwitchHypothesis): number {
    const shown = displayInterval(reading.display, this.meter, reading.range);
    const usual = likelihood(reading.display, shown, this.answer(reading, hypothesis));
    const contact = intermittentContact(hypothesis);
    if (contact !== undefined && this.playsAPart(reading, hypothesis, contact)) {
      const way = reading.wiggle ? INTERMITTENT.wiggled : INTERMITTENT.steady;
      if (reading.display.kind === 'unsteady') return way.unsteady;
      return way.good * usual + way.open * this.weigh(reading, this.apart(contact));
    }
    const burnt =
      hypothesis.kind === 'fault' && hypothesis.faults.some((fault) => fault.mode === 'resistive');
    return burnt && reading.display.kind === 'unsteady' ? Math.max(usual, RESISTIVE_JUMPS) : usual;
  }

  private apart(contact: string): SwitchHypothesis {
    return {
      kind: 'fault',
      prior: 1,
      faults: [{ mode: 'stuck-open', part: this.part.id, contact }],
    };
  }

  /** A contact can make a reading jump only where opening it would change the answer. */
  private playsAPart(place: ReadingPlace, hypothesis: SwitchHypothesis, contact: string): boolean {
    return this.answer(place, hypothesis).kind !== this.answer(place, this.apart(contact)).kind;
  }
}

function intermittentContact(hypothesis: SwitchHypothesis): string | undefined {
  if (hypothesis.kind !== 'fault') return undefined;
  const jumpy = hypothesis.faults.find((fault) => fault.mode === 'intermittent');
  return jumpy?.mode === 'intermittent' ? jumpy.contact : undefined;
}
