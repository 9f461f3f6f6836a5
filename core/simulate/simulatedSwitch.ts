import type { Diagram } from '../diagram/diagram';
import type { Fault } from '../fault/fault';
import { ohmReading } from '../circuit/ohmReading';
import type { Reading, ReadingPlace } from '../call/reading';
import type { Display } from '../meter/display';
import { showOhms, type Meter } from '../meter/meter';
import type { Depth } from '../plan/proof';
import type { SwitchDiagnosis } from '../plan/switchDiagnosis';
import type { SwitchState } from '../inference/switchVerdict';

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
  diagnosis: SwitchDiagnosis,
  depth: Depth,
  truth: Truth,
  meter: Meter,
): { state: SwitchState; readings: Reading[] } {
  const taken: Reading[] = [];
  let counting: Reading[] = [];
  let now = diagnosis.of(counting, depth);
  while (taken.length < PATIENCE && now.next) {
    const { place, supersedes } = now.next;
    const display = takeReading(diagnosis.predictor.diagram, meter, place, truth);
    const reading = { ...place, id: `r${taken.length}`, display, taken: { meter } };
    taken.push(reading);
    counting = [...counting.filter((each) => !supersedes.includes(each.id)), reading];
    now = diagnosis.of(counting, depth);
  }
  return { state: now.state, readings: taken };
}

function takeReading(diagram: Diagram, meter: Meter, place: ReadingPlace, truth: Truth): Display {
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
