import type { CircuitClass, Contact, SwitchPart, TableRow } from '../../core/diagram/diagram';
import { commonPractice } from './practice';

/** What a part may say of itself besides what makes it the switch that it is. */
export type Place = Partial<
  Pick<
    SwitchPart,
    | 'panel'
    | 'where'
    | 'aliases'
    | 'prior'
    | 'causes'
    | 'soldAs'
    | 'companions'
    | 'mounting'
    | 'provedBy'
  >
>;

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

/** An infinite switch: pilot on the steady leg, the other leg cycles. */
export const infiniteSwitch = (
  part: { name: string; id?: string; actuator?: string } & Place,
  amps: number,
): SwitchPart => ({
  id: 'infinite',
  actuator: 'knob',
  ...part,
  role: 'cycles the burner',
  provedBy:
    'At OFF each H open to each L, read cold; then LOW goes on and off, HIGH stays on, the pilot lit at both.',
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

type Named = { id: string; name: string; role: string; actuator: string } & Place &
  Partial<Pick<SwitchPart, 'safety' | 'reset' | 'handless'>>;

/** Contacts by the two terminals that they join, written `A-B`, with what they carry. */
type Carried = Record<string, [circuit: CircuitClass, amps: number]>;

const contactsOf = (carried: Carried): Contact[] =>
  Object.entries(carried).map(([id, [circuit, amps]]) => {
    const [a = '', b = ''] = id.split('-');
    return { id, between: [a, b], circuit, amps };
  });

/** A timer or selector: its contacts, and which are closed in each position; free in its first. */
export const selector = (
  part: Named & { byHand?: string },
  carried: Carried,
  closed: Record<string, string[]>,
): SwitchPart => ({
  byHand: 'Pull the knob and turn the shaft itself with pliers.',
  ...part,
  kind: 'switch',
  terminals: [...new Set(contactsOf(carried).flatMap(({ between }) => between))].map((id) => ({
    id,
  })),
  contacts: contactsOf(carried),
  free: Object.keys(closed)[0] ?? '',
  table: table(closed),
});

/** A microswitch with a common and two throws, or one of them: NO closes when it is pressed. */
export const microswitch = (
  part: Named & { byHand: string },
  throws: Partial<Record<'NO' | 'NC', [circuit: CircuitClass, amps: number]>>,
  { pressed, free }: { pressed: string[]; free: string[] },
): SwitchPart => {
  const ids = (['NO', 'NC'] as const).filter((id) => throws[id]);
  const rows = Object.fromEntries([
    ...pressed.map((at) => [at, ids.filter((id) => id === 'NO')]),
    ...free.map((at) => [at, ids.filter((id) => id === 'NC')]),
  ]) as Record<string, string[]>;
  return {
    ...part,
    kind: 'switch',
    terminals: [{ id: 'COM' }, ...ids.map((id) => ({ id }))],
    contacts: ids.map((id) => {
      const [circuit, amps] = throws[id] ?? ['control', 0];
      return { id, between: ['COM', id], circuit, ...(amps > 0 && { amps }), throw: id };
    }),
    free: free[0] ?? '',
    table: table(rows),
  };
};

/** Moved by a quantity: opens at `opens` and closes again at `closes`, whichever is the higher. */
export const setPointSwitch = (
  part: Named & { byHand?: string },
  [circuit, amps]: [circuit: CircuitClass, amps: number],
  { opens, closes, tolerance }: { opens: number; closes: number; tolerance: number },
  [a, b]: [string, string] = ['1', '2'],
): SwitchPart => {
  const onRise = opens > closes;
  const id = `${a}-${b}`;
  return {
    byHand: 'It cannot be moved by hand: warm it, cool it, or bring it to its pressure.',
    ...part,
    kind: 'switch',
    terminals: [{ id: a }, { id: b }],
    contacts: [{ id, between: [a, b], circuit, amps, throw: onRise ? 'NC' : 'NO' }],
    free: 'below',
    setPoints: {
      rising: { at: Math.max(opens, closes), tolerance },
      falling: { at: Math.min(opens, closes), tolerance },
    },
    table: table(onRise ? { below: [id], above: [] } : { below: [], above: [id] }),
  };
};

/** The switch on the shaft of a motor that drops its start winding, moved by `motorSpeed`. */
export const startSwitch = (place: Pick<Place, 'panel' | 'where'>): SwitchPart =>
  microswitch(
    {
      id: 'start-switch',
      name: 'Start switch of the motor',
      role: 'drops the start winding once the motor turns',
      prior: commonPractice(1.5),
      actuator: 'speed',
      byHand: 'Slide the collar on the shaft outward with two fingers.',
      ...place,
    },
    { NC: ['control', 6] },
    { pressed: ['turning'], free: ['still'] },
  );
