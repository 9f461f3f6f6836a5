import { chanceFrom } from '../../core/chance';
import { lintWhole } from '../../core/circuit/lintCircuit';
import type { Diagram } from '../../core/diagram/diagram';
import { complaintOf } from '../../core/inference/complaint';
import { ORDINARY_METER } from '../../core/meter/meter';
import { UnitDiagnosis } from '../../core/plan/unitDiagnosis';
import { poorlyKnown, SHORTFALLS, type Shortfall } from '../../core/simulate/poorerModel';
import { workCall } from '../../core/simulate/simulatedCall';
import { LIBRARY } from '../../library/library';
import { madeUpUnit } from '../../library/madeUp/madeUpUnit';
import { EXIT, out, outJson } from '../commands/command';
import { count, emptyTally, percent, shortOf, type Tally } from './tally';

const SLIPS = 0.02;
/** Faults that are drawn of each unit, and calls of each shortfall. */
const DRAWN = { faults: 6, shortfalls: 1 };
/** Units between two lines of how far it is. */
const TOLD_EVERY = 25;

/** How units that the engine was not made on fare, and units that are not quite as their diagram says. */
interface Generality {
  seed: number;
  units: number;
  clean: Tally;
  slips: Tally;
  poorer: Record<Shortfall, Tally>;
  /** What went wrong, to be looked at: the unit, its fault, what was named. */
  condemned: string[];
}

/**
 * `./yarrix bench generality [--units N] [--seed S] [--json]`: made-up units worked with and without slips,
 * then these and the built-in ones worked by a diagram or a complaint that is not quite theirs.
 */
export function benchGenerality(units: number, seed: number, json: boolean): number {
  const found: Generality = {
    seed,
    units,
    clean: emptyTally(),
    slips: emptyTally(),
    poorer: Object.fromEntries(SHORTFALLS.map((each) => [each, emptyTally()])) as Record<
      Shortfall,
      Tally
    >,
    condemned: [],
  };
  for (let i = 0; i < units; i++) {
    const unit = madeUpUnit(seed + i);
    const [unsound] = lintWhole(unit);
    if (unsound) throw new Error(`${unit.id} is not sound: ${unsound.message}`);
    const own = new UnitDiagnosis(unit, ORDINARY_METER);
    ofUnit(own, unit, seed + i, found);
    poorerOf(own, unit, seed + i, found);
    if (!json && (i + 1) % TOLD_EVERY === 0) say(found, i + 1);
  }
  LIBRARY.forEach((unit, i) => {
    poorerOf(new UnitDiagnosis(unit, ORDINARY_METER), unit, seed + i, found);
  });
  if (json) outJson(found);
  else {
    say(found, units);
    for (const [shortfall, tally] of Object.entries(found.poorer))
      out(`${shortfall.padEnd(18)} ${sayTally(tally)}`);
    for (const each of found.condemned) out(`wrongly: ${each}`);
  }
  return EXIT.done;
}

function ofUnit(own: UnitDiagnosis, unit: Diagram, seed: number, found: Generality): void {
  const { predictor } = own;
  const chance = chanceFrom(seed);
  const drawn = [...predictor.hypotheses.keys()]
    .map((index) => ({ index, complaint: complaintOf(predictor, index), at: chance() }))
    .filter(({ index }) => predictor.hypotheses[index]?.suspect !== undefined)
    .sort((one, two) => one.at - two.at);
  let taken = 0;
  for (const { index, complaint } of drawn) {
    const truth = predictor.hypotheses[index];
    if (!truth || !complaint || taken++ >= DRAWN.faults) continue;
    for (const kind of ['clean', 'slips'] as const) {
      const slips = kind === 'slips' ? SLIPS : 0;
      const call = workCall(own, truth, complaint, { chance: chanceFrom(seed + index), slips });
      count(found[kind], call.verdict, (id) => id === truth.suspect);
      note(
        found,
        `${unit.id}, ${kind}`,
        JSON.stringify(truth.causes),
        call.verdict,
        (id) => id === truth.suspect,
      );
    }
  }
}

function poorerOf(own: UnitDiagnosis, unit: Diagram, seed: number, found: Generality): void {
  for (const shortfall of SHORTFALLS)
    for (let k = 0; k < DRAWN.shortfalls; k++) {
      const known = poorlyKnown(own.predictor, shortfall, seed + 7919 * k);
      if (!known) continue;
      const { model, truth, complaint, rightly } = known;
      const worked = model === unit ? own : new UnitDiagnosis(model, ORDINARY_METER);
      const chance = chanceFrom(seed + k);
      const { verdict } = workCall(worked, truth, complaint, { chance, world: unit });
      const right = (id: string | undefined): boolean => id !== undefined && rightly.has(id);
      count(found.poorer[shortfall], verdict, right);
      note(found, `${unit.id}, ${shortfall}`, JSON.stringify(truth.causes), verdict, right);
    }
}

function note(
  found: Generality,
  where: string,
  truth: string,
  verdict: ReturnType<typeof workCall>['verdict'],
  rightly: (id: string | undefined) => boolean,
): void {
  const short = shortOf(verdict, rightly);
  if (short && verdict.kind === 'named') found.condemned.push(`${where}: ${truth} ${short}`);
}

function say({ seed, clean, slips, poorer }: Generality, units: number): void {
  const all = Object.values(poorer).reduce(
    (sum, each) => ({
      calls: sum.calls + each.calls,
      right: sum.right + each.right,
      group: sum.group + each.group,
      condemned: sum.condemned + each.condemned,
    }),
    emptyTally(),
  );
  out(`${units} made-up units from seed ${seed}`);
  out(`  without slips    ${sayTally(clean)}`);
  out(`  with 2 % slips   ${sayTally(slips)}`);
  out(`  poorer models    ${sayTally(all)}`);
}

const sayTally = ({ calls, right, group, condemned }: Tally): string =>
  `${String(calls).padStart(5)} calls, right or group ${percent(right + group, calls)}, condemned ${condemned} (${percent(condemned, calls)})`;
