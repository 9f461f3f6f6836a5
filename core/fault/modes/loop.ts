import { sizedMode, type Sizes } from '../mode';
import { atLoops } from '../place';

/** What each contact of a worn loop has beside a sound one, in thermopile loops; from memory. */
const WORN: Sizes = {
  typical: [{ low: 0.15, nominal: 0.8, high: 2 }],
  every: [0.4, 0.8],
  unsaid: { nominal: 0.8, low: 0.15, high: 2 },
};

/** Loss in series contacts adds up: a loop may be bad without any of its contacts being bad. */
export const LOOP_MODES = {
  worn: sizedMode({
    on: 'loop',
    says: 'worn as a whole: each contact a little',
    where: atLoops(1),
    sizes: () => WORN,
    effects: [{ kind: 'contact', makes: (cell) => (cell === 'open' ? cell : 'own-ohms') }],
    remedy: {
      kind: 'clean',
      says: 'Not one part: clean or replace its contacts, the worst first, until the whole loop is under its limit.',
    },
  }),
} as const;
