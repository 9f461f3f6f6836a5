import { mode, sizedMode, type Remedy, type Sizes } from '../mode';
import { atJoins } from '../place';

const MAKE_GOOD: Remedy = {
  kind: 'replace',
  says: 'Renew the connection with what is plugged into it, cut back to bright metal.',
};
/** Burnt pins, a jack that has lost its spring, a fuse in a tired holder; common practice and from memory. */
const POOR: Sizes = {
  typical: [
    { low: 0.5, nominal: 12, high: 30 },
    { low: 30, nominal: 5_000, high: 2e6 },
  ],
  every: [0.8, 12, 5_000],
  unsaid: { nominal: 100, low: 0.5, high: 5e6 },
};

/** Faults of plugs, blocks, jacks, splices and holders. Shares from memory. */
export const CONNECTION_MODES = {
  parted: mode({
    on: 'terminals',
    says: 'does not connect',
    // A protector that is open has blown or tripped.
    where: atJoins(({ kind }) => (kind === 'connection' ? 0.35 : 0.01)),
    effects: [{ kind: 'contact', makes: () => 'open' }],
    remedy: MAKE_GOOD,
  }),
  'poor-connection': sizedMode({
    on: 'terminals',
    says: 'connects badly',
    where: atJoins(({ kind }) => (kind === 'connection' ? 0.4 : 0.05)),
    sizes: () => POOR,
    effects: [{ kind: 'contact', makes: () => 'own-ohms' }],
    remedy: MAKE_GOOD,
  }),
  'loose-inside': mode({
    on: 'terminals',
    says: 'connects now and then',
    where: atJoins(({ kind }) => (kind === 'connection' ? 0.25 : 0.03)),
    effects: [],
    inBadMoment: 'parted',
    remedy: MAKE_GOOD,
  }),
} as const;
