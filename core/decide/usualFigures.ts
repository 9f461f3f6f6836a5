import type { Diagram, Part } from '../diagram/diagram';

/** What a part costs where nobody has said, in the shop's own money: a guess by its kind, from memory. */
export function guessedPrice(part: Part): number {
  switch (part.kind) {
    case 'switch':
      return part.contacts.length > 3 ? 95 : 32;
    case 'load':
      return { heater: 58, motor: 160, coil: 74, transformer: 66, lamp: 9 }[part.load];
    case 'protector':
      return { fuse: 7, 'thermal-cut-off': 21, overload: 28 }[part.protector];
    case 'board':
      return 190;
    case 'connection':
      return 18;
    case 'hardware':
      return 16;
  }
}

/** Minutes to change a part with its panels off and on again; from memory. */
export function minutesToChange({ panels }: Diagram, part: Part): number {
  const panel = panels.find(({ id }) => id === part.panel);
  return 2 * (panel?.minutes ?? 0) + CHANGE[part.kind];
}

const CHANGE: Record<Part['kind'], number> = {
  switch: 15,
  load: 25,
  protector: 12,
  board: 25,
  connection: 20,
  hardware: 15,
};

/** A thermocouple, a cord, a battery: what feeds the unit and is changed; from memory. */
export const SUPPLY = { price: 24, minutes: 20 } as const;

/** How often in a year it comes back after each; from memory, until a shop has counted its own. */
export const PER_YEAR = {
  reset: 0.5,
  clean: 0.4,
  adjust: 0.2,
  reconnect: 0.08,
  replace: 0.04,
  companions: 0.04,
  assembly: 0.03,
  exchange: 0.08,
  salvaged: 0.15,
  /** A companion that was left in. */
  leftIn: 0.18,
} as const;
