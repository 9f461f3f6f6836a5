import type { DrivenActuator, HandActuator, MomentaryActuator } from '../../core/diagram/diagram';

/** A control that a hand moves, with its positions as they are said: `{ closed: 'door closed' }`. */
export const handActuator = (
  id: string,
  name: string,
  shape: HandActuator['shape'],
  positions: Record<string, string>,
): HandActuator => ({
  id,
  name,
  kind: 'hand',
  shape,
  positions: Object.entries(positions).map(([each, says]) => ({ id: each, name: says })),
});

/** A button that starts the unit and springs back. `held` says how it is while it is pressed. */
export const startButton = (id: string, name: string, held: string): MomentaryActuator => ({
  id,
  name,
  kind: 'momentary',
  shape: 'button',
  rest: 'released',
  positions: [
    { id: 'released', name: 'START released' },
    { id: 'pressed', name: held },
  ],
});

/** What the drive motor of a dryer moves its centrifugal switch by. */
export const motorSpeed: DrivenActuator = {
  id: 'speed',
  name: 'Motor speed',
  kind: 'driven',
  by: 'motor',
  rest: 'still',
  running: 'turning',
  positions: [
    { id: 'still', name: 'motor still' },
    { id: 'turning', name: 'motor at speed' },
  ],
};

/** A relay of a board: idle until the board drives it. `says` names it in a sentence. */
export const relayActuator = (id: string, name: string, says: string): DrivenActuator => ({
  id,
  name,
  kind: 'driven',
  by: 'board',
  rest: 'idle',
  running: 'pulled',
  positions: [
    { id: 'idle', name: `${says} idle` },
    { id: 'pulled', name: `${says} pulled in` },
  ],
});
