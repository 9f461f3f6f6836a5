import { terminalRef } from '../../diagram/terminal';
import { mode, REPLACE, sizedMode, type Sizes } from '../mode';
import { atContacts, atNeverPairs } from '../place';

/**
 * What makes badly, in two sizes that a circuit takes differently: some ohm, lost in a long way but
 * felt by a heater, and more than any load. Common practice and from memory.
 */
const RESISTIVE: Sizes = {
  typical: [
    { low: 1.5, nominal: 12, high: 30 },
    { low: 30, nominal: 5_000, high: 2e6 },
  ],
  // From a warm heater contact to a burnt one.
  every: [0.8, 4, 60, 2_000, 820_000],
  unsaid: { nominal: 1_000, low: 2, high: 5e6 },
};
/** A signal passes what a load would not: only what is far above its contact's limit is a fault. */
const RESISTIVE_SIGNAL: Sizes = {
  ...RESISTIVE,
  typical: [{ low: 200, nominal: 20_000, high: 5e6 }],
};
/** A carbon track, wet dirt, a film across what is open; from memory. */
const LEAKING: Sizes = {
  typical: [{ low: 500, nominal: 100_000, high: 10e6 }],
  every: [1_000, 100_000, 4.7e6],
  unsaid: { nominal: 100_000, low: 100, high: 20e6 },
};
/** A whisker of metal between terminals, or dirt; from memory. */
const METAL_BRIDGE = { nominal: 0.05, low: 0.005, high: 0.5 };
const BRIDGED: Sizes = {
  typical: [METAL_BRIDGE, LEAKING.unsaid],
  every: [0.05],
  unsaid: METAL_BRIDGE,
};
/** Megohm to a meter, closed at working volts: common practice. */
const FILM_OHMS = { nominal: 2e6, low: 1e5, high: 20e6 };

/** Faults of a contact, and of the room between contacts. Shares of a switch's failures from memory. */
export const CONTACT_MODES = {
  'stuck-open': mode({
    on: 'contact',
    says: 'stuck open',
    where: atContacts(0.38),
    effects: [{ kind: 'contact', makes: () => 'open' }],
    remedy: REPLACE,
  }),
  'stuck-closed': mode({
    on: 'contact',
    says: 'stuck closed',
    where: atContacts(0.2),
    effects: [{ kind: 'contact', makes: () => 'closed' }],
    remedy: REPLACE,
  }),
  resistive: sizedMode({
    on: 'contact',
    says: 'resistive when closed',
    where: atContacts(0.16),
    sizes: (circuit) => (circuit === 'signal' ? RESISTIVE_SIGNAL : RESISTIVE),
    effects: [{ kind: 'contact', makes: (cell) => (cell === 'open' ? cell : 'own-ohms') }],
    remedy: REPLACE,
  }),
  leaking: sizedMode({
    on: 'contact',
    says: 'leaking when open',
    where: atContacts(0.03),
    sizes: () => LEAKING,
    effects: [{ kind: 'contact', makes: (cell) => (cell === 'closed' ? cell : 'own-ohms') }],
    remedy: REPLACE,
  }),
  film: mode({
    on: 'contact',
    says: 'film on the contact',
    where: atContacts(0),
    effects: [
      {
        kind: 'contact',
        makes: (cell, warm) =>
          cell === 'closed' && !warm
            ? {
                unsure: FILM_OHMS,
                because: 'a film, megohms to a meter and closed at working volts',
              }
            : cell,
      },
    ],
    remedy: REPLACE,
  }),
  intermittent: mode({
    on: 'contact',
    says: 'intermittent',
    where: atContacts(0.08),
    // In a steady moment it makes as it should.
    effects: [],
    remedy: REPLACE,
  }),
  bridged: sizedMode({
    on: 'terminals',
    says: 'path between terminals that have no contact',
    where: atNeverPairs(0.025),
    sizes: () => BRIDGED,
    effects: [
      {
        kind: 'bridge',
        between: ({ part, between: [a, b] }) => [terminalRef(part, a), terminalRef(part, b)],
      },
    ],
    remedy: REPLACE,
  }),
} as const;
