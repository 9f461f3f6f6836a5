import type { LoadPart, Ohms } from '../../core/diagram/diagram';

/** Ohms with the same spread both ways. */
export const about = (nominal: number, percent: number): Ohms => ({
  nominal,
  low: nominal * (1 - percent / 100),
  high: nominal * (1 + percent / 100),
});

const ELEMENT = { heater: 'element', lamp: 'lamp', coil: 'coil', motor: 'winding' } as const;

/** A load with one element between its terminals a and b. */
export const plainLoad = (
  part: { id: string; name: string; role: string } & Partial<
    Pick<
      LoadPart,
      | 'panel'
      | 'where'
      | 'prior'
      | 'aliases'
      | 'seenAs'
      | 'causes'
      | 'soldAs'
      | 'companions'
      | 'startsFrom'
      | 'holdsFrom'
    >
  >,
  load: keyof typeof ELEMENT,
  element: Pick<LoadPart['elements'][number], 'value' | 'working' | 'volts'>,
): LoadPart => ({
  ...part,
  kind: 'load',
  load,
  terminals: [{ id: 'a' }, { id: 'b' }],
  elements: [{ id: ELEMENT[load], between: ['a', 'b'], ...element }],
});

/** A neon lamp with its resistor: far above anything that a beeper sees. */
export const neonLamp = (
  id: string,
  name: string,
  role: string,
  panel: string,
  volts: number,
): LoadPart => ({
  id,
  name,
  role,
  kind: 'load',
  load: 'lamp',
  terminals: [{ id: 'a' }, { id: 'b' }],
  elements: [
    {
      id: 'lamp',
      between: ['a', 'b'],
      value: { nominal: 90_000, low: 60_000, high: 150_000 },
      volts,
    },
  ],
  panel,
});

type Named = Parameters<typeof plainLoad>[0];

/** A heater by its plate. */
export const heater = (part: Named, watts: number, volts: number, coldToHot?: number): LoadPart =>
  plainLoad(part, 'heater', {
    value: { watts, volts, tolerancePercent: 8, ...(coldToHot !== undefined && { coldToHot }) },
  });

/** A motor with one winding to be read: its ohms at rest, and what it amounts to while it turns. */
export const motor = (part: Named, ohms: number, turning: number, volts = 120): LoadPart =>
  plainLoad(part, 'motor', { value: about(ohms, 20), working: about(turning, 20), volts });

/** A motor whose start winding is fed to start it: run from `r` to `c`, start from `s` to `c`. */
export const splitMotor = (
  part: Named,
  {
    run,
    start,
    volts = 120,
  }: {
    run: [cold: number, turning: number];
    start: [cold: number, turning: number];
    volts?: number;
  },
  [r, s, c]: [string, string, string] = ['R', 'S', 'C'],
): LoadPart => ({
  ...part,
  kind: 'load',
  load: 'motor',
  terminals: [{ id: r }, { id: s }, { id: c }],
  startsWith: 'start',
  elements: [
    { id: 'run', between: [r, c], value: about(run[0], 20), working: about(run[1], 20), volts },
    {
      id: 'start',
      between: [s, c],
      value: about(start[0], 20),
      working: about(start[1], 20),
      volts,
    },
  ],
});

/** A coil: of a relay or a valve. On alternating current it takes less once it has pulled in. */
export const coil = (part: Named, ohms: number, volts: number, pulledIn?: number): LoadPart =>
  plainLoad(part, 'coil', {
    value: about(ohms, 20),
    ...(pulledIn !== undefined && { working: about(pulledIn, 20) }),
    volts,
  });

/** A filament lamp: cold a tenth of what it is hot, common practice. */
export const lamp = (part: Named, watts: number, volts = 120): LoadPart =>
  plainLoad(part, 'lamp', {
    value: about((volts * volts) / watts / 12, 25),
    working: about((volts * volts) / watts, 12),
    volts,
  });

/** A control transformer: primary L-N, secondary R-C. */
export const transformer = (
  part: Named,
  {
    primary,
    secondary,
    volts,
    gives,
  }: { primary: number; secondary: number; volts: number; gives: number },
): LoadPart => ({
  ...part,
  kind: 'load',
  load: 'transformer',
  terminals: [{ id: 'L' }, { id: 'N' }, { id: 'R' }, { id: 'C' }],
  windings: { primary: 'primary', secondary: 'secondary' },
  elements: [
    {
      id: 'primary',
      between: ['L', 'N'],
      value: about(primary, 25),
      working: about(primary * 150, 30),
      volts,
    },
    { id: 'secondary', between: ['R', 'C'], value: about(secondary, 30), volts: gives },
  ],
});
