import { sayPosition, switchPosition } from '../../../core/diagram/setup';
import { splitRef } from '../../../core/diagram/terminal';
import type { ReadingPlace } from '../../../core/call/reading';
import type { SwitchProof } from './useSwitchProof';

/** Where a reading is or was taken: "COM to NO, door closed". */
export function sayReadingPlace(
  { call, part }: Pick<SwitchProof, 'call' | 'part'>,
  place: ReadingPlace,
): string {
  const position = switchPosition(place.setup, part);
  const state =
    position === undefined
      ? 'position unknown'
      : sayPosition(call.diagram, part.actuator, position);
  const by = part.id in place.setup.byHand ? ', by hand' : '';
  return `${splitRef(place.from).terminal} to ${splitRef(place.to).terminal}, ${state}${by}${place.wiggle ? ', wiggled' : ''}`;
}
