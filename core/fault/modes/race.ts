import { mode, type Remedy } from '../mode';
import { atParts, atSupplies } from '../place';

const RATING: Remedy = {
  kind: 'replace',
  says: 'Look at its type and rating beside the plate, and put the right one in.',
};

/**
 * On a dead short a fuse and a breaker race, whatever their ratings, and a larger fuse than the plate says
 * may stand there too: nothing that is wrong by itself, but what follows a short may be either.
 */
export const RACE_MODES = {
  'slow-fuse': mode({
    on: 'part',
    says: 'stands while another one opens',
    where: atParts((part) =>
      part.kind === 'protector' && part.protector === 'fuse' ? 0 : undefined,
    ),
    effects: [{ kind: 'slow' }],
    remedy: RATING,
  }),
  'slow-breaker': mode({
    on: 'supply',
    says: 'stands while another one opens',
    where: atSupplies(() => 0),
    effects: [{ kind: 'slow' }],
    remedy: RATING,
  }),
} as const;
