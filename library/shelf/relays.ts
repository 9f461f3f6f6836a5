import type {
  BoardInput,
  BoardPart,
  BoardState,
  CircuitClass,
  DrivenActuator,
  SwitchPart,
} from '../../core/diagram/diagram';
import { drivenBy, relayActuator } from './actuators';
import { coil } from './loads';
import { commonPractice } from './practice';
import { relayContact, table } from './switches';
import type { Assembly } from './unit';

interface Relay {
  id: string;
  name: string;
  role: string;
  panel?: string;
  where?: string;
  /** The coil: what it is made for, its ohms, and what it amounts to once it has pulled in. */
  coil: { volts: number; ohms: number; pulledIn?: number };
  /** Its contacts, `NO` or `NC` each with a name: `{ NO: ['control', 18] }`. */
  contacts: Record<string, { throw: 'NO' | 'NC'; carries: [circuit: CircuitClass, amps: number] }>;
  weight?: number;
  /** How a hand moves it; a sealed one cannot be. */
  pushed?: string;
}

/**
 * A relay or contactor of its own: coil `ID-coil` with terminals a and b, and contacts `ID`, each from
 * `C` + its name to its name.
 */
export function relayWithCoil({ id, name, role, panel, where, ...relay }: Relay): Assembly {
  const at = { ...(panel !== undefined && { panel }), ...(where !== undefined && { where }) };
  const names = Object.keys(relay.contacts);
  const common = (each: string): string => (names.length === 1 ? 'C' : `C${each}`);
  const contacts: SwitchPart = {
    id,
    name,
    role,
    prior: commonPractice(relay.weight ?? 2),
    companions: [`${id}-coil`],
    actuator: `${id}-pull`,
    ...at,
    kind: 'switch',
    terminals: names.flatMap((each) => [{ id: common(each) }, { id: each }]),
    contacts: Object.entries(relay.contacts).map(([each, { throw: throws, carries }]) => ({
      id: each,
      between: [common(each), each],
      circuit: carries[0],
      amps: carries[1],
      throw: throws,
    })),
    free: 'idle',
    byHand: relay.pushed ?? 'It is sealed: it cannot be moved by hand.',
    ...(relay.pushed === undefined && { handless: true }),
    table: table({
      idle: names.filter((each) => relay.contacts[each]?.throw === 'NC'),
      pulled: names.filter((each) => relay.contacts[each]?.throw === 'NO'),
    }),
  };
  const { volts, ohms, pulledIn } = relay.coil;
  const says = name.toLowerCase();
  return {
    actuators: [drivenBy(`${id}-coil`, `${id}-pull`, name, [`${says} idle`, `${says} pulled in`])],
    parts: [
      coil(
        {
          id: `${id}-coil`,
          name: `Coil of the ${says}`,
          role: `pulls the ${says} in`,
          seenAs: { name, off: 'does not pull in', runs: 'pulls in', close: true },
          soldAs: `the ${says} as a whole`,
          prior: commonPractice(1),
          ...at,
        },
        ohms,
        volts,
        pulledIn,
      ),
      contacts,
    ],
  };
}

/** A relay on a board: what it is called, what it does, what its contact carries, and how often it fails. */
type OnBoard = [name: string, role: string, amps: number, weight?: number];

/** Relays on a board, which drives `NAME-relay` and is sold with their contacts, `NAME-contact`. */
export const boardRelays = (
  { panel, soldAs = 'the board' }: { panel: string; soldAs?: string },
  relays: Record<string, OnBoard>,
): { actuators: DrivenActuator[]; parts: SwitchPart[] } => ({
  actuators: Object.entries(relays).map(([id, [name]]) =>
    relayActuator(`${id}-relay`, name, name.toLowerCase()),
  ),
  parts: Object.entries(relays).map(([id, [name, role, amps, weight]]) =>
    relayContact(
      {
        id: `${id}-contact`,
        name: `${name} contact`,
        role,
        actuator: `${id}-relay`,
        panel,
        soldAs,
        ...(weight !== undefined && { prior: commonPractice(weight) }),
      },
      amps,
    ),
  ),
});

/** A board: its inputs by their two terminals, and what it does. */
export const board = (
  part: { id: string; name: string; role: string } & Partial<
    Pick<BoardPart, 'panel' | 'where' | 'prior' | 'seenAs' | 'soldAs' | 'causes' | 'aliases'>
  >,
  inputs: BoardInput[],
  states: [BoardState, ...BoardState[]],
): BoardPart => ({
  ...part,
  kind: 'board',
  terminals: [...new Set(inputs.flatMap(({ between }) => between))].map((id) => ({ id })),
  inputs,
  logic: { power: inputs[0]?.id ?? '', states },
});

/** What feeds a board, by its ohms and the volts from which on it wakes. */
export const powerInput = (
  between: [string, string],
  low: number,
  high: number,
  fedFrom: number,
): BoardInput => ({ id: 'power', between, ohms: { low, high }, fedFrom });

/** An input that is fed or not, as a 24 V thermostat line is. */
export const fedInput = (id: string, between: [string, string], fedFrom = 15): BoardInput => ({
  id,
  between,
  ohms: { low: 500, high: 2000 },
  fedFrom,
});
