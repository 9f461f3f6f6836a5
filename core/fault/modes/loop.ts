import { sizedMode, type Sizes } from '../mode';
import { atLoops } from '../place';

/** What each contact of a worn loop has, of a thermopile or of a thermocouple; from memory. */
const worn = (low: number, nominal: number, high: number): Sizes => ({
  typical: [{ low, nominal, high }],
  every: [nominal / 2, nominal],
  unsaid: { nominal, low, high },
});
const WORN = worn(0.15, 0.8, 2);
const WORN_THERMOCOUPLE = worn(0.012, 0.03, 0.1);

/** Loss in series contacts adds up: a loop may be bad without any of its contacts being bad. */
export const LOOP_MODES = {
  worn: sizedMode({
    on: 'loop',
    says: 'worn as a whole: each contact a little',
    where: atLoops(1),
    sizes: (circuit) => (circuit === 'thermocouple' ? WORN_THERMOCOUPLE : WORN),
    effects: [{ kind: 'contact', makes: (cell) => (cell === 'open' ? cell : 'own-ohms') }],
    remedy: {
      kind: 'clean',
      says: 'Not one part: clean or replace its contacts, the worst first, until the whole loop is under its limit.',
    },
  }),
} as const;
