import { switches } from '../../diagram/terminal';
import { mode } from '../mode';
import { atQuantities } from '../place';

/** What is no fault of any part: the switch does what it should, and something else is not where it should be. */
export const CONDITION_MODES = {
  'out-of-place': mode({
    on: 'quantity',
    says: 'not where it should be',
    where: atQuantities,
    effects: [
      {
        kind: 'stands',
        // Beyond one set point it is beyond all that come before it.
        position: ({ actuator, beyond, side }, part, diagram) => {
          const passed = switches(diagram).find((each) => each.id === beyond)?.setPoints;
          const own = part.setPoints;
          if (part.actuator !== actuator || !own || !passed) return undefined;
          const comes =
            side === 'above'
              ? own.rising.at <= passed.rising.at
              : own.falling.at >= passed.falling.at;
          return comes ? side : undefined;
        },
      },
    ],
    remedy: {
      kind: 'outside',
      says: 'Not the switch, which does what it should: put right what moves it, and read it again then.',
    },
  }),
} as const;
