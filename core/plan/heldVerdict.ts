import { placeKey, type Evidence, type ReadingEvidence } from '../call/evidence';
import { partAt } from '../diagram/terminal';
import type { Mode } from '../fault/fault';
import {
  readingsFor,
  type BeliefState,
  type Misfit,
  type Suspect,
  type UnitVerdict,
} from '../inference/beliefState';
import { onceMore, secondLook, type SecondLook } from '../inference/secondLook';
import { movedByQuantity, setPointsMissing } from '../inference/setPoints';
import { misfit, otherWay } from '../inference/surprise';
import type { UnitPredictor } from '../inference/unitPredictor';
import type { Advice, UnitPlanner } from './unitPlanner';
import type { UnitTest } from './unitTests';

/** What stands in the way of a verdict: what is said instead, with the tests that lead on. */
export interface Held {
  now: { verdict: UnitVerdict; tests: Advice[] };
  secondLook?: SecondLook;
}

/**
 * What a verdict waits for before it is said: a second look at a reading, the entry that does not go
 * together with it, set points or a quantity that nobody knows; undefined where nothing is in its way.
 */
export function heldVerdict(
  planner: UnitPlanner,
  entries: readonly Evidence[],
  state: BeliefState,
  verdict: UnitVerdict,
): Held | undefined {
  const { predictor } = planner;
  const open = (
    needs: Extract<UnitVerdict, { kind: 'open' }>['needs'],
    ...tests: UnitTest[]
  ): Held['now'] => ({
    verdict: { kind: 'open', needs },
    tests: tests.map((each) => planner.asked(each, entries)),
  });
  const odd = endsCall(verdict)
    ? misfit(predictor, entries, state, state.suspects[0]?.id)
    : undefined;
  const named = verdict.kind === 'named' ? verdict.suspect : undefined;
  const beside = named && odd?.stands ? besideOddOne(predictor, entries, odd, named) : undefined;
  const again =
    secondLook(predictor, entries, state) ??
    (named && onceMore(predictor, entries, named)) ??
    (odd && readAgain(entries, odd));
  if (again) return { now: open('second-look'), secondLook: again };
  if (beside?.kind === 'confirm') return { now: open('another-way', beside.test) };
  const other = odd && !beside && inOtherWay(entries, odd.entry);
  if (other) return { now: open('another-way', other) };
  if (odd && !beside) return { now: { verdict: { kind: 'surprise', misfit: odd }, tests: [] } };
  const blocked = named && blockedBy(predictor, entries, named);
  if (!blocked) return undefined;
  return blocked.needs === 'quantity'
    ? { now: open('quantity', { kind: 'measure', actuator: blocked.actuator }) }
    : { now: open(blocked.needs) };
}

const endsCall = ({ kind }: UnitVerdict): boolean =>
  kind === 'named' || kind === 'group' || kind === 'nothing-found';

/**
 * One odd cold reading that stands does not outweigh a part that was read in several ways, which no one
 * slip makes; read in one way, it is read in another before anything is said. What was seen of the unit,
 * and stands, outweighs it.
 */
function besideOddOne(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
  odd: Misfit,
  suspect: Suspect,
): { kind: 'read-in-several' } | { kind: 'confirm'; test: UnitTest } | undefined {
  if (!isCold(entries.find((each) => each.id === odd.entry))) return undefined;
  const own = readingsFor(predictor, suspect, entries);
  const places = own.map((each) => (each.kind === 'reading' ? placeKey(each) : each.actuator));
  if (new Set(places).size > 1) return { kind: 'read-in-several' };
  const read = own.find((each): each is ReadingEvidence => isCold(each));
  if (!read) return undefined;
  const other = inOtherWay(entries, read.id);
  return other && { kind: 'confirm', test: other };
}

/** A cold reading taken with the wires moved, or not moved this time; undefined where that was done. */
function inOtherWay(entries: readonly Evidence[], id: string): UnitTest | undefined {
  const read = entries.find((each) => each.id === id);
  if (!isCold(read)) return undefined;
  const other = otherWay(read);
  const taken = entries.some(
    (each) => each.kind === 'reading' && placeKey(each) === placeKey(other),
  );
  const { from, to, setup, wiggle } = other;
  const reach = partAt(from) !== undefined && partAt(from) === partAt(to) ? 'own' : 'through';
  return taken ? undefined : { kind: 'ohm', reach, from, to, setup, wiggle };
}

const isCold = (entry: Evidence | undefined): entry is ReadingEvidence =>
  entry?.kind === 'reading' && entry.shows.kind !== 'volts';

/** A cold reading that does not fit is taken once more before anything is said. */
const readAgain = (entries: readonly Evidence[], odd: Misfit): SecondLook | undefined =>
  isCold(entries.find((each) => each.id === odd.entry)) && !odd.stands
    ? { entry: odd.entry, slip: 'misfit' }
    : undefined;

/** Faults that a switch shows as well while it is right and its quantity is not where it should be. */
const LOOKS_RIGHT: readonly Mode[] = ['stuck-open', 'stuck-closed', 'not-actuated', 'tripped'];

/**
 * A switch that pressure or heat moves is not condemned while nobody knows when it should go over, nor
 * while nobody has read what moves it: open can be right. Read alone, moved by hand or warmed, or felt
 * to be cold, it stands under a quantity that is known.
 */
function blockedBy(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
  suspect: Suspect,
): { needs: 'set-points' } | { needs: 'quantity'; actuator: string } | undefined {
  const { diagram } = predictor;
  for (const fault of suspect.leading.causes) {
    if (setPointsMissing(diagram, fault)) return { needs: 'set-points' };
    const moved = movedByQuantity(diagram, fault);
    if (!moved?.part.setPoints || moved.part.id !== suspect.id) continue;
    if (!LOOKS_RIGHT.includes(fault.mode)) continue;
    const { part, quantity } = moved;
    const measured = entries.some(
      (each) => each.kind === 'measurement' && each.actuator === quantity.id,
    );
    const known = readingsFor(predictor, suspect, entries).some(
      (each) =>
        each.kind === 'reading' &&
        (part.id in each.setup.byHand || typeof each.setup.actuators[quantity.id] === 'string'),
    );
    if (!measured && !known) return { needs: 'quantity', actuator: quantity.id };
  }
  return undefined;
}
