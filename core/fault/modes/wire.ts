import { mode, sizedMode, type Remedy, type Sizes } from '../mode';
import { atWiredTerminals, atWires } from '../place';

const RECONNECT: Remedy = {
  kind: 'reconnect',
  says: 'Not a part: make the wire or its terminal good, and look why it got hot or loose.',
};
/** A tab that has lost its spring, strands that are cut; common practice and from memory. */
const LOOSE: Sizes = {
  typical: [
    { low: 1.5, nominal: 12, high: 30 },
    { low: 30, nominal: 5_000, high: 2e5 },
  ],
  every: [2, 500],
  unsaid: { nominal: 1_000, low: 2, high: 5e6 },
};

/** Faults of wires and of what holds them. Shares from memory. */
export const WIRE_MODES = {
  'wire-open': mode({
    on: 'wire',
    says: 'broken',
    where: atWires(0.6),
    effects: [{ kind: 'wire-open' }],
    remedy: RECONNECT,
  }),
  'wire-off': mode({
    on: 'terminal',
    says: 'wire off',
    where: atWiredTerminals(0),
    effects: [{ kind: 'wires-off' }],
    remedy: RECONNECT,
  }),
  loose: sizedMode({
    on: 'terminal',
    says: 'loose on its terminal',
    where: atWiredTerminals(0.4),
    sizes: () => LOOSE,
    effects: [{ kind: 'in-series' }],
    remedy: RECONNECT,
  }),
} as const;
