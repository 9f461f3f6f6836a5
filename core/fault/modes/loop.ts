import { sizedMode, type Sizes } from '../mode';
import { atLoops } from '../place';

/** What each contact of a worn loop has, by what feeds it; from memory. */
const worn = (low: number, nominal: number, high: number): Sizes => ({
  typical: [{ low, nominal, high }],
  every: [nominal / 2, nominal],
  unsaid: { nominal, low, high },
});
const WORN = {
  thermopile: worn(0.15, 0.8, 2),
  thermocouple: worn(0.012, 0.03, 0.1),
  control: worn(3, 8, 20),
};

/** Loss in series contacts adds up: a loop may be bad without any of its contacts being bad. */
export const LOOP_MODES = {
  worn: sizedMode({
    on: 'loop',
    says: 'worn as a whole: each contact a little',
    where: atLoops(1),
    sizes: (circuit) =>
      circuit === 'thermocouple' || circuit === 'control' ? WORN[circuit] : WORN.thermopile,
    effects: [{ kind: 'contact', makes: (cell) => (cell === 'open' ? cell : 'own-ohms') }],
    remedy: {
      kind: 'clean',
      says: 'Not one part: clean or replace its contacts, the worst first, until the whole loop is under its limit.',
    },
  }),
} as const;
