import type {
  Condition,
  Panel,
  QuantityActuator,
  DrivenActuator,
  HandActuator,
  MomentaryActuator,
} from '../../core/diagram/diagram';

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
export const relayActuator = (id: string, name: string, says: string): DrivenActuator =>
  drivenBy('board', id, name, [`${says} idle`, `${says} pulled in`]);

/** The door or lid of a unit. */
export const door = (shape: 'door' | 'lid' = 'door'): HandActuator =>
  handActuator(shape, shape === 'door' ? 'Door' : 'Lid', shape, {
    closed: `${shape} closed`,
    open: `${shape} open`,
  });

/** What a load, or a board, moves: idle until that works. */
export const drivenBy = (
  by: string,
  id: string,
  name: string,
  [rest, running]: [rest: string, running: string],
): DrivenActuator => ({
  id,
  name,
  kind: 'driven',
  by,
  rest: 'idle',
  running: 'pulled',
  positions: [
    { id: 'idle', name: rest },
    { id: 'pulled', name: running },
  ],
});

/** A temperature in °F, with what heats or cools it and what is known to go wrong with it. */
export const temperature = (
  id: string,
  name: string,
  driven?: QuantityActuator['driven'],
  conditions?: Condition[],
): QuantityActuator => quantity('temperature', '°F', id, name, driven, conditions);

export const quantity = (
  kind: QuantityActuator['quantity'],
  unit: string,
  id: string,
  name: string,
  driven?: QuantityActuator['driven'],
  conditions?: Condition[],
): QuantityActuator => ({
  id,
  name,
  kind: 'quantity',
  quantity: kind,
  unit,
  ...(driven && { driven }),
  ...(conditions && { conditions }),
});

/** What is opened to reach parts: by what it is held, how long it takes, and from which side. */
export const panel = (
  id: string,
  name: string,
  fastener: string,
  minutes: number,
  side: NonNullable<Panel['side']>,
  more: Partial<Pick<Panel, 'tool' | 'helper' | 'tethered' | 'coldOnly'>> = {},
): Panel => ({ id, name, fastener, minutes, side, ...more });

/** Tools that open panels. */
export const TOOLS = {
  cross: 'cross-head screwdriver',
  nut: 'quarter-inch nut driver',
  nut516: 'five-sixteenths nut driver',
  putty: 'putty knife',
  star: 'star-head screwdriver, size 20',
} as const;
