import { isMillivolts } from '../../diagram/millivolts';
import { mode, type Remedy } from '../mode';
import { atLegs, atSupplies } from '../place';

const OUTSIDE: Remedy = {
  kind: 'outside',
  says: 'The cause is outside the unit: outlet, breaker, fuse or source.',
};

/** Faults of what feeds the unit. Shares from memory. */
export const SUPPLY_MODES = {
  dead: mode({
    on: 'supply',
    says: 'dead',
    // A flame that is weak, dirty or off its place comes before a source that gives nothing.
    where: atSupplies(({ kind }) => (isMillivolts(kind) ? 0.3 : 0.5)),
    effects: [{ kind: 'source', volts: 0, ohms: Infinity }],
    remedy: OUTSIDE,
  }),
  weak: mode({
    on: 'supply',
    says: 'weak',
    where: atSupplies(({ kind }) => (isMillivolts(kind) ? 0.7 : 0.2)),
    // What is left of the volts of a weak source, and how much more it holds inside; from memory.
    effects: [{ kind: 'source', volts: 0.7, ohms: 3 }],
    remedy: OUTSIDE,
  }),
  'dead-leg': mode({
    on: 'leg',
    says: 'leg dead',
    where: atLegs(0.3),
    effects: [{ kind: 'source', volts: 0, ohms: Infinity }],
    remedy: OUTSIDE,
  }),
} as const;
