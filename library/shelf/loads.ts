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
    Pick<LoadPart, 'panel' | 'where' | 'prior' | 'aliases' | 'seenAs'>
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
