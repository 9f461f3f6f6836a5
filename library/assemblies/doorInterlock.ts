import type { Contact, SwitchPart } from '../../core/diagram/diagram';
import { handActuator } from '../shelf/actuators';
import { hardware } from '../shelf/connections';
import { CAUSES, commonPractice, look } from '../shelf/practice';
import { table } from '../shelf/switches';
import type { Assembly } from '../shelf/unit';

/** A switch of the interlock that a unit has, with what is its own there. */
export type Role = 'primary' | 'secondary' | 'sense' | 'monitor';
type Own = Partial<Pick<SwitchPart, 'role' | 'where' | 'aliases' | 'companions'>> & {
  weight?: number;
  /** What is stamped on it where that is not COM and NO or NC. */
  marks?: [common: string, thrown: string];
  /** Its throw to the other side is there and carries nothing. */
  idleThrow?: true;
};

const NAMES: Record<Role, [name: string, role: string]> = {
  primary: ['Primary door switch', 'primary interlock'],
  secondary: ['Secondary door switch', 'second interlock'],
  sense: ['Door sense switch', 'tells the board that the door is closed'],
  monitor: ['Monitor switch', 'blows the fuse if an interlock fails to open'],
};

/** One of them, off its bracket a plain microswitch: ajar the interlocks have opened, the monitor not closed yet. */
function doorSwitch(
  role: Role,
  panel: string,
  { weight = role === 'monitor' || role === 'primary' ? 3 : 2, marks, idleThrow, ...own }: Own,
): SwitchPart {
  const [name, what] = NAMES[role];
  const thrown = role === 'monitor' ? 'NC' : 'NO';
  const [common, mark] = marks ?? ['COM', thrown];
  const id = marks ? marks.join('-') : thrown;
  const idle = idleThrow ? ['NC'] : [];
  const circuit = role === 'sense' ? 'signal' : 'control';
  const main: Contact = {
    id,
    between: [common, mark],
    circuit,
    ...((role === 'primary' || role === 'secondary') && { amps: 13 }),
    throw: thrown,
  };
  return {
    id: role,
    name,
    role: what,
    causes: [...CAUSES.interlock],
    prior: commonPractice(weight),
    ...own,
    kind: 'switch',
    terminals: [common, mark, ...idle].map((each) => ({ id: each })),
    contacts: [
      main,
      ...idle.map((each): Contact => ({
        id: each,
        between: [common, each],
        circuit,
        throw: 'NC',
      })),
    ],
    actuator: 'door',
    safety: true,
    free: 'open',
    byHand: 'Take the switch off its bracket and press the plunger with a finger.',
    mounting:
      'The maker’s own kind, NO and NC not mixed up; plunger towards its hook, posts snapped home, no play.',
    provedBy:
      role === 'monitor'
        ? 'Read cold closed, ajar and open; then, still cold, from the blades of the plug: with the door open and what stands before it pressed by hand it reads near zero.'
        : 'Read cold closed, ajar and open: it opens before the monitor closes; then the leakage check with a load in the cavity.',
    table: table(
      role === 'monitor'
        ? { closed: [], ajar: [], open: [id] }
        : { closed: [id], ajar: idle, open: idle },
    ),
    panel,
  };
}

/**
 * The door of a microwave oven with its switches on one bracket: primary, secondary and sense close with
 * the door, the monitor is the other way round, and ajar all are open. The wires between them are the unit's.
 */
export function doorInterlock(panel: string, switches: Partial<Record<Role, Own>>): Assembly {
  const roles = (Object.keys(NAMES) as Role[]).filter((role) => switches[role]);
  return {
    actuators: [
      handActuator('door', 'Door', 'door', {
        closed: 'door closed',
        ajar: 'door ajar',
        open: 'door open',
      }),
    ],
    parts: [
      ...roles.map((role) => doorSwitch(role, panel, switches[role] ?? {})),
      hardware(
        {
          id: 'bracket',
          name: 'Latch bracket',
          role: 'holds the door switches to the latch',
          panel,
        },
        roles,
      ),
    ],
    looks: [
      look(
        'clicks',
        'A click of the door switches is missing when the door closes',
        [...roles, 'bracket:broken'],
        [0.6, 0.05],
        0.5,
      ),
      look(
        'door',
        'The door hangs or has play, its hooks are worn',
        ['bracket:broken', ...roles.map((role) => `${role}:not-actuated`)],
        [0.6, 0.05],
        0.5,
      ),
    ],
  };
}
