import type { SwitchPart } from '../../core/diagram/diagram';
import { handActuator } from '../shelf/actuators';
import { hardware } from '../shelf/connections';
import { CAUSES, commonPractice, look } from '../shelf/practice';
import { microswitch } from '../shelf/switches';
import type { Assembly } from '../shelf/unit';

/** A switch of the interlock that a unit has, with what is its own there. */
export type Role = 'primary' | 'secondary' | 'sense' | 'monitor';
type Own = Partial<Pick<SwitchPart, 'role' | 'where' | 'aliases' | 'companions'>> & {
  weight?: number;
};

const NAMES: Record<Role, [name: string, role: string]> = {
  primary: ['Primary door switch', 'primary interlock'],
  secondary: ['Secondary door switch', 'second interlock'],
  sense: ['Door sense switch', 'tells the board that the door is closed'],
  monitor: ['Monitor switch', 'blows the fuse if an interlock fails to open'],
};

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
      ...roles.map((role): SwitchPart => {
        const { weight = role === 'monitor' || role === 'primary' ? 3 : 2, ...own } =
          switches[role] ?? {};
        const [name, what] = NAMES[role];
        const made = microswitch(
          {
            id: role,
            name,
            role: what,
            causes: [...CAUSES.interlock],
            prior: commonPractice(weight),
            actuator: 'door',
            safety: true,
            byHand: 'Take the switch off its bracket and press the plunger with a finger.',
            panel,
            mounting:
              'The maker’s own kind, NO and NC not mixed up; plunger towards its hook, posts snapped home, no play.',
            provedBy:
              role === 'monitor'
                ? 'Read cold closed, ajar and open; then, still cold, from the blades of the plug: with the door open and what stands before it pressed by hand it reads near zero.'
                : 'Read cold closed, ajar and open: it opens before the monitor closes; then the leakage check with a load in the cavity.',
            ...own,
          },
          role === 'monitor'
            ? { NC: ['control', 0] }
            : { NO: role === 'sense' ? ['signal', 0.005] : ['control', 13] },
          { pressed: ['closed'], free: ['open'] },
        );
        // Ajar the interlocks have opened, and the monitor has not closed yet.
        const [closed, open] = made.table.rows;
        return {
          ...made,
          table: {
            known: 'sheet',
            rows: [
              ...(closed ? [closed] : []),
              { position: 'ajar', closed: [] },
              ...(open ? [open] : []),
            ],
          },
        };
      }),
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
        'latch',
        'The door hangs, or its hooks have play or are broken',
        ['bracket:broken', ...roles.map((role) => `${role}:not-actuated`)],
        [0.6, 0.05],
        0.5,
      ),
    ],
  };
}
