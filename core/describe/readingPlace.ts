import type { ReadingPlace } from '../call/reading';
import type { Diagram, SwitchPart } from '../diagram/diagram';
import { switchPosition } from '../diagram/setup';
import { splitRef } from '../diagram/terminal';
import { sayPosition } from './position';

/** Where a reading is or was taken: "COM to NO, door closed". */
export function sayReadingPlace(
  { diagram, part }: { diagram: Diagram; part: SwitchPart },
  place: ReadingPlace,
): string {
  const position = switchPosition(place.setup, part);
  const state =
    position === undefined ? 'position unknown' : sayPosition(diagram, part.actuator, position);
  const by = part.id in place.setup.byHand ? ', by hand' : '';
  return `${splitRef(place.from).terminal} to ${splitRef(place.to).terminal}, ${state}${by}${place.wiggle ? ', wiggled' : ''}`;
}
