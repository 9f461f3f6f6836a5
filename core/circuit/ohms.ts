import type { CircuitClass, LoadElement, LoadPart, Ohms } from '../diagram/diagram';

/**
 * Ohms of a sound closed contact by what it carries: a contact that is made for a heater is another
 * than one for a signal. Common practice, values from memory.
 */
export const SOUND_CONTACT: Record<CircuitClass, Ohms> = {
  thermocouple: { nominal: 0.004, low: 0.002, high: 0.01 },
  thermopile: { nominal: 0.03, low: 0.01, high: 0.1 },
  heater: { nominal: 0.015, low: 0.005, high: 0.05 },
  control: { nominal: 0.05, low: 0.01, high: 0.3 },
  signal: { nominal: 0.3, low: 0.01, high: 5 },
};

/** Ohms of sound metal: order of magnitude, common practice (near zero once the leads are off). */
export const WIRE: Ohms = { nominal: 0.02, low: 0.001, high: 0.1 };
export const JOIN: Ohms = { nominal: 0.01, low: 0.001, high: 0.1 };
export const SHORT: Ohms = { nominal: 0.05, low: 0.001, high: 0.5 };
export const JUMPER: Ohms = { nominal: 0.02, low: 0.001, high: 0.1 };

/** A motor that is held still takes about this many times its running current; from memory. */
const STALLED = 5;

export const scaled = (ohms: Ohms, factor: number, spread = 0): Ohms => ({
  nominal: ohms.nominal * factor,
  low: ohms.low * factor * (1 - spread),
  high: ohms.high * factor * (1 + spread),
});

/** Ohms of an element when cold, as a meter finds it. R = V squared / P for a heater. */
export function coldOhms({ value }: LoadElement): Ohms {
  if ('nominal' in value) return value;
  return scaled(plateOhms(value), 1 / (value.coldToHot ?? 1));
}

/** Ohms of an element while it works; of a motor that does not turn, while it is stalled. */
export function workingOhms(part: LoadPart, element: LoadElement, turning: boolean): Ohms {
  const { value, working } = element;
  if (!working) return 'nominal' in value ? value : plateOhms(value);
  return part.load === 'motor' && !turning ? scaled(working, 1 / STALLED) : working;
}

function plateOhms({
  watts,
  volts,
  tolerancePercent,
}: {
  watts: number;
  volts: number;
  tolerancePercent: number;
}): Ohms {
  const nominal = (volts * volts) / watts;
  const part = tolerancePercent / 100;
  return { nominal, low: nominal * (1 - part), high: nominal * (1 + part) };
}

/** Volts that an element is made for. */
export const ratedVolts = ({ value, volts }: LoadElement): number | undefined =>
  'volts' in value ? value.volts : volts;
