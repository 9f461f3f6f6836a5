import type { Fault } from '../fault/modes';
import { ohmReading } from '../circuit/ohmReading';
import type { Reading, ReadingPlace } from '../call/reading';
import type { Display } from '../meter/display';
import { showOhms } from '../meter/meter';
import { nextReading } from '../plan/nextReading';
import type { Depth } from '../plan/proof';
import type { SwitchPredictor } from '../inference/switchPredictor';
import { switchState, type SwitchState } from '../inference/switchVerdict';

/** The hidden truth of a unit, and how the one who reads it errs. */
export interface Truth {
  faults: readonly Fault[];
  /** Where the probes really land and what is really set, when told to go to a place. */
  really: (place: ReadingPlace) => ReadingPlace;
  /** Even in [0, 1): chance for what an intermittent contact does; seeded by the caller. */
  chance: () => number;
}

/** Steps after which a simulated technician gives up; no proof in the library is as long. */
const PATIENCE = 80;

/** Follows the advice on one switch until there is a verdict or nothing more is asked for. */
export function workSwitch(
  predictor: SwitchPredictor,
  depth: Depth,
  truth: Truth,
): { state: SwitchState; readings: Reading[] } {
  const taken: Reading[] = [];
  let counting: Reading[] = [];
  let state = switchState(predictor, counting, depth);
  while (taken.length < PATIENCE) {
    const next = nextReading(predictor, counting, state);
    if (!next) break;
    const display = takeReading(predictor, next.place, truth);
    const reading = { ...next.place, id: `r${taken.length}`, display };
    taken.push(reading);
    counting = [...counting.filter((each) => !next.supersedes.includes(each.id)), reading];
    state = switchState(predictor, counting, depth);
  }
  return { state, readings: taken };
}

function takeReading(
  { diagram, meter }: SwitchPredictor,
  place: ReadingPlace,
  truth: Truth,
): Display {
  const real = truth.really(place);
  const seen = (faults: readonly Fault[]): number => {
    const answer = ohmReading(diagram, real.setup, real.from, real.to, faults);
    return answer.kind === 'ohms'
      ? answer.nominal
      : answer.kind === 'unsure'
        ? answer.low
        : Infinity;
  };
  const whole = seen(truth.faults);
  const jumpy = truth.faults.find((fault) => fault.mode === 'intermittent');
  if (jumpy?.mode === 'intermittent') {
    const apart = seen([{ mode: 'stuck-open', part: jumpy.part, contact: jumpy.contact }]);
    const loose =
      Number.isFinite(apart) !== Number.isFinite(whole) &&
      truth.chance() < (place.wiggle ? 0.85 : 0.1);
    if (loose) return truth.chance() < 0.9 ? { kind: 'unsteady' } : showOhms(meter, apart);
  }
  return showOhms(meter, whole);
}
