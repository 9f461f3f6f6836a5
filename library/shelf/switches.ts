import type { SwitchPart, TableRow } from '../../core/diagram/diagram';

/** What a part may say of itself besides what makes it the switch that it is. */
export type Place = Partial<Pick<SwitchPart, 'panel' | 'where' | 'aliases' | 'prior' | 'causes'>>;

/** A contact table from the contacts closed in each position. */
export const table = (closed: Record<string, string[]>): SwitchPart['table'] => ({
  known: 'sheet',
  rows: Object.entries(closed).map(([position, contacts]): TableRow => ({
    position,
    closed: contacts,
  })),
});

/** A switch with one contact: closed in the positions named so, open in all others. */
export const plainSwitch = (
  part: {
    id: string;
    name: string;
    role: string;
    actuator: string;
    free: string;
    byHand: string;
  } & Place &
    Partial<Pick<SwitchPart, 'safety'>>,
  contact: Omit<SwitchPart['contacts'][number], 'id' | 'between'>,
  positions: Record<string, 'closed' | 'open'>,
  [a, b]: [string, string] = ['1', '2'],
): SwitchPart => ({
  ...part,
  kind: 'switch',
  terminals: [{ id: a }, { id: b }],
  contacts: [{ id: `${a}-${b}`, between: [a, b], ...contact }],
  table: table(
    Object.fromEntries(
      Object.entries(positions).map(([each, state]) => [
        each,
        state === 'closed' ? [`${a}-${b}`] : [],
      ]),
    ),
  ),
});

/** A safety with two terminals that opens when a quantity rises, closed below. */
export const opensOnRise = (
  part: { id: string; name: string; role: string; actuator: string } & Place &
    Partial<Pick<SwitchPart, 'reset' | 'safety'>>,
  contact: Omit<SwitchPart['contacts'][number], 'id'>,
  rising: number,
  falling: number,
  tolerance: number,
): SwitchPart => {
  const [a, b] = contact.between;
  const id = `${a}-${b}`;
  return {
    ...part,
    kind: 'switch',
    terminals: [{ id: a }, { id: b }],
    contacts: [{ id, ...contact }],
    free: 'below',
    byHand: 'It cannot be moved by hand: warm it.',
    setPoints: { rising: { at: rising, tolerance }, falling: { at: falling, tolerance } },
    table: table({ below: [id], above: [] }),
  };
};

/** An infinite switch: pilot on the steady leg, the other leg cycles. */
export const infiniteSwitch = (
  part: { name: string; id?: string; actuator?: string } & Place,
  amps: number,
): SwitchPart => ({
  id: 'infinite',
  actuator: 'knob',
  ...part,
  role: 'cycles the burner',
  kind: 'switch',
  terminals: [{ id: 'L1' }, { id: 'H1' }, { id: 'P' }, { id: 'L2' }, { id: 'H2' }],
  contacts: [
    { id: 'L1-H1', between: ['L1', 'H1'], circuit: 'heater', amps },
    { id: 'L1-P', between: ['L1', 'P'], circuit: 'control', amps: 0.1 },
    { id: 'L2-H2', between: ['L2', 'H2'], circuit: 'heater', amps },
  ],
  free: 'off',
  byHand: 'Pull the knob and turn the shaft itself with pliers.',
  table: {
    known: 'sheet',
    rows: [
      { position: 'off', closed: [] },
      {
        position: 'low',
        closed: ['L1-H1', 'L1-P'],
        either: ['L2-H2'],
        cycles: { closed: 5, open: 25 },
      },
      { position: 'high', closed: ['L1-H1', 'L1-P', 'L2-H2'] },
    ],
  },
});

/** The switch on the shaft of a dryer's motor; its last contact lets the heat on. */
export const centrifugalSwitch = (
  role: string,
  [a, b]: [string, string],
  heat: Pick<SwitchPart['contacts'][number], 'circuit' | 'amps'>,
): SwitchPart => ({
  id: 'centrifugal',
  name: 'Centrifugal switch',
  role,
  kind: 'switch',
  terminals: [{ id: 'H' }, { id: 'M' }, { id: 'S' }, { id: a }, { id: b }],
  contacts: [
    { id: 'H-M', between: ['H', 'M'], circuit: 'control', amps: 6, throw: 'NO' },
    { id: 'M-S', between: ['M', 'S'], circuit: 'control', amps: 7, throw: 'NC' },
    { id: `${a}-${b}`, between: [a, b], ...heat, throw: 'NO' },
  ],
  actuator: 'speed',
  free: 'still',
  byHand: 'Slide the white collar on the shaft outward with two fingers.',
  table: table({ still: ['M-S'], turning: ['H-M', `${a}-${b}`] }),
  panel: 'front',
  where: 'On top of the motor',
});

/** The contact of such a relay, or of a contactor, whose armature a hand can push in. */
export const relayContact = (
  part: { id: string; name: string; role: string; actuator: string } & Place,
  amps: number,
  pushed?: string,
): SwitchPart => ({
  ...part,
  kind: 'switch',
  terminals: [{ id: 'C' }, { id: 'NO' }],
  contacts: [{ id: 'NO', between: ['C', 'NO'], circuit: 'control', amps, throw: 'NO' }],
  free: 'idle',
  byHand: pushed ?? 'It is soldered to the board and cannot be moved by hand.',
  ...(pushed === undefined && { handless: true }),
  table: table({ idle: [], pulled: ['NO'] }),
});
