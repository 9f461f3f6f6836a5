import { exactly, mode, sizedMode, type Remedy, type Sizes } from '../mode';
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

/** Metal on metal through a cut sleeve, or strands that touch now and then; from memory. */
const CHAFED: Sizes = {
  typical: [2, 2_000].map(exactly),
  every: [2, 2_000],
  unsaid: { nominal: 5, low: 0.1, high: 50_000 },
};

/** Faults of wires and of what holds them. Shares from memory. */
export const WIRE_MODES = {
  'wire-open': mode({
    on: 'wire',
    says: 'broken',
    where: atWires(0.5),
    effects: [{ kind: 'wire-open' }],
    remedy: RECONNECT,
  }),
  chafed: sizedMode({
    on: 'wire',
    says: 'rubbed through to the frame',
    where: (diagram) => (diagram.frame === undefined ? [] : atWires(0)(diagram)),
    sizes: () => CHAFED,
    effects: [
      {
        kind: 'bridge',
        between: ({ wire }, { wires, frame }) => {
          const from = wires.find((each) => each.id === wire)?.from;
          return from === undefined || frame === undefined || from === frame
            ? undefined
            : [from, frame];
        },
      },
    ],
    remedy: { kind: 'reconnect', says: 'Not a part: sleeve or renew the wire, and lead it clear.' },
  }),
  'wire-off': mode({
    on: 'terminal',
    says: 'wire off',
    // Where a wire has its terminal to itself it reads as a broken one.
    where: atWiredTerminals(0, 0.1),
    effects: [{ kind: 'wires-off' }],
    remedy: RECONNECT,
  }),
  loose: sizedMode({
    on: 'terminal',
    says: 'loose on its terminal',
    where: atWiredTerminals(0.3, 0),
    sizes: () => LOOSE,
    effects: [{ kind: 'in-series' }],
    remedy: RECONNECT,
  }),
} as const;
