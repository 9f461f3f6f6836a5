import type { Diagram, Energy } from '../diagram/diagram';
import { switches } from '../diagram/terminal';

/**
 * What each energy asks for before a unit is handed back: common practice; the maker's sheet and local
 * codes go before it. The leakage limit is that of 21 CFR 1030.10 for an oven in use, from memory.
 */
const BY_ENERGY: Record<Energy, readonly string[]> = {
  gas: [
    'Every gas joint that was touched: soap or a detector, with the burner on.',
    'Three starts in a row, the flame looked at each time; draft and carbon monoxide measured where it burns indoors.',
  ],
  microwaves: [
    'Leakage with a meter made for it, a load of water in the cavity, the door pulled: no more than 5 mW per square centimetre at 5 cm, or what the maker allows.',
  ],
  water: ['Hoses and joints dry after a whole fill and drain.'],
  refrigerant: ['Caps on, no oil at a joint; pressures only by somebody with a licence.'],
  'stored-charge': ['No capacitor left without its cover, its discharge lead taken off.'],
  'moving-air': ['Filter in, airway open, air felt at the outlet.'],
};

/** What is checked before a unit is handed back, in the order in which it is done. */
export function closingChecks(diagram: Diagram): string[] {
  const safeties = switches(diagram).filter((each) => each.safety);
  const mains = diagram.supplies.some(({ kind }) =>
    ['mains', 'split-phase', 'wye-legs'].includes(kind),
  );
  return [
    'No jumper and no bypass left in; every wire back by the map, every plug pushed home.',
    ...safeties.map(
      ({ name }) => `${name}: it stops the unit when it should. Tried, not supposed.`,
    ),
    ...(mains && diagram.frame !== undefined
      ? [
          'Each leg to the frame reads open, and the frame to the ground pin near zero, before it is plugged in.',
        ]
      : []),
    'Covers and screws on, no wire pinched or against an edge.',
    ...(diagram.energies ?? []).flatMap((each) => BY_ENERGY[each]),
    'One whole run of what was complained of, watched to its end.',
  ];
}
