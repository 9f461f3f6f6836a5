import type { CircuitClass } from '../../diagram/diagram';
import { isMillivolts } from '../../diagram/millivolts';
import { terminalRef } from '../../diagram/terminal';
import { mode, REPLACE, sizedMode, type Sizes } from '../mode';
import { atCommons, atContacts, atCyclers, atNeverPairs } from '../place';

/** What makes badly: a way with these ohms, and far gone to where hardly anything gets through. */
const badly = (
  low: number,
  nominal: number,
  high: number,
  gone: number,
  every: number[],
): Sizes => ({
  typical: [
    { low, nominal, high },
    { low: high, nominal: gone, high: 5e6 },
  ],
  every,
  unsaid: { nominal, low, high: 5e6 },
});
/**
 * By what the contact carries: a tenth of an ohm puts a pilot out, and kilohms go by unnoticed in the
 * input of a board. Common practice, values from memory.
 */
const RESISTIVE: Record<CircuitClass, Sizes> = {
  thermocouple: badly(0.05, 0.2, 0.5, 200, [0.05, 0.15, 0.5, 100]),
  thermopile: badly(0.3, 1.5, 5, 1_000, [0.3, 0.8, 3, 5, 2_000]),
  // From a warm contact to a burnt one: what it makes of watts decides.
  heater: badly(0.2, 10, 20, 5_000, [0.2, 0.6, 4, 20, 820_000]),
  control: badly(1, 30, 1_000, 50_000, [1, 4, 60, 900, 820_000]),
  // A signal passes what a load would not: only what is far above its contact's limit is a fault.
  signal: badly(100, 20_000, 1e6, 3e6, [200, 20_000, 820_000, 4e6]),
};
/** A carbon track, wet dirt, a film across what is open; from memory. */
const LEAKING: Sizes = {
  typical: [{ low: 500, nominal: 100_000, high: 10e6 }],
  every: [1_000, 100_000, 4.7e6],
  unsaid: { nominal: 100_000, low: 100, high: 20e6 },
};
/** The same in a loop of millivolts, where nothing but metal or water leaks enough to matter. */
const LEAKING_MILLIVOLTS: Sizes = {
  typical: [{ low: 5, nominal: 200, high: 100_000 }],
  every: [5, 500, 100_000],
  unsaid: { nominal: 200, low: 1, high: 1e6 },
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
    where: atContacts(0.34),
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
    sizes: (circuit = 'control') => RESISTIVE[circuit],
    effects: [{ kind: 'contact', makes: (cell) => (cell === 'open' ? cell : 'own-ohms') }],
    remedy: REPLACE,
  }),
  leaking: sizedMode({
    on: 'contact',
    says: 'leaking when open',
    where: atContacts(0.03),
    sizes: (circuit) => (isMillivolts(circuit) ? LEAKING_MILLIVOLTS : LEAKING),
    effects: [{ kind: 'contact', makes: (cell) => (cell === 'closed' ? cell : 'own-ohms') }],
    remedy: REPLACE,
  }),
  film: mode({
    on: 'contact',
    says: 'film on the contact',
    // In use it is closed: it shows where the switch is read alone, and nowhere else.
    where: atContacts(0.02, 'alone'),
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
    inBadMoment: 'stuck-open',
    remedy: REPLACE,
  }),
  'common-open': mode({
    on: 'terminal',
    says: 'blade broken inside its common',
    where: atCommons(0.02),
    effects: [{ kind: 'contact', makes: () => 'open' }],
    remedy: REPLACE,
  }),
  'always-on': mode({
    on: 'contact',
    says: 'does not cycle: only HIGH',
    where: atCyclers(0.1),
    effects: [{ kind: 'contact', makes: (cell) => (cell === 'either' ? 'closed' : cell) }],
    remedy: REPLACE,
  }),
  'only-low': mode({
    on: 'contact',
    says: 'cycles as at its lowest: only LOW',
    where: atCyclers(0.1),
    // Cold it is closed as it should be: it cycles by its own heat.
    effects: [
      { kind: 'contact', makes: (cell, warm) => (warm && cell === 'closed' ? 'either' : cell) },
    ],
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
