import { terminalRef } from '../../diagram/terminal';
import { mode, REPLACE, sizedMode, type Sizes } from '../mode';
import { atElements, atLoadTerminals, atParts } from '../place';

/** What is left of the ohms of a winding or element with shorted turns; from memory. */
const SHORTED_TURNS = { nominal: 0.5, low: 0.2, high: 0.8 };
/** Ohms of one that is made for less power, beside those on the sheet; from memory. */
const WEAKER = { nominal: 2, low: 1.6, high: 2.8 };
/** Metal on metal, a damp element; from memory. */
const GROUND_FAULT: Sizes = {
  typical: [{ nominal: 5, low: 0.5, high: 50_000 }],
  every: [2, 20_000],
  unsaid: { nominal: 5, low: 0.5, high: 50_000 },
};

/** Faults of elements and windings, and of what protects them. Shares from memory. */
export const LOAD_MODES = {
  open: mode({
    on: 'element',
    says: 'open',
    where: atElements(0.68),
    effects: [{ kind: 'element', leaves: 'open' }],
    remedy: REPLACE,
  }),
  shorted: mode({
    on: 'element',
    says: 'shorted',
    where: atElements(0.08),
    effects: [{ kind: 'element', leaves: 'short' }],
    remedy: REPLACE,
  }),
  'shorted-turns': mode({
    on: 'element',
    says: 'partly shorted',
    formerly: 'part-shorted',
    where: atElements(0.05),
    effects: [{ kind: 'element', leaves: SHORTED_TURNS }],
    remedy: REPLACE,
  }),
  'other-rating': mode({
    on: 'element',
    says: 'not the one on the sheet: more ohms than it should have',
    where: atElements(0.03),
    effects: [{ kind: 'element', leaves: WEAKER }],
    remedy: {
      kind: 'replace',
      says: 'Compare its marking with the sheet of this very model: put the right one in, or mend the sheet.',
    },
  }),
  'ground-fault': sizedMode({
    on: 'terminal',
    says: 'leaks to the frame',
    formerly: 'to-frame',
    where: atLoadTerminals(0.04),
    sizes: () => GROUND_FAULT,
    effects: [
      {
        kind: 'bridge',
        between: ({ part, terminal }, { frame }) =>
          frame === undefined ? undefined : [terminalRef(part, terminal), frame],
      },
    ],
    remedy: { kind: 'replace', says: 'Replace it, and do not run the unit before that.' },
  }),
  blown: mode({
    on: 'part',
    says: 'blown',
    where: atParts((part) =>
      part.kind === 'protector' && part.protector !== 'overload' ? 1 : undefined,
    ),
    effects: [{ kind: 'opens' }],
    remedy: {
      kind: 'replace',
      says: 'Replace it by the same rating, and find the cause first.',
    },
  }),
} as const;
