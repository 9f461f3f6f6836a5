import type { CircuitClass, Contact, SwitchPart } from '../diagram/diagram';

/**
 * What a contact may lose at its working current before it counts as bad, and the bounds of that in
 * ohms: below `least` no sound contact is condemned, above `most` it makes badly whatever it carries.
 * Common practice: near zero once the leads are off, a few ohm is a failing heater contact, 0.3 ohm
 * for a single switch in a thermopile loop, hundredths in one of a thermocouple; the rest from memory.
 */
const LIMITS: Record<CircuitClass, { volts: number; watts: number; least: number; most: number }> =
  {
    thermocouple: { volts: 0.004, watts: Infinity, least: 0.02, most: 0.03 },
    thermopile: { volts: 0.03, watts: Infinity, least: 0.15, most: 0.3 },
    heater: { volts: 2, watts: 15, least: 0.15, most: 0.3 },
    control: { volts: 2, watts: 15, least: 0.5, most: 5 },
    signal: { volts: 0.5, watts: 1, least: 20, most: 100 },
  };
/** From how many ohms a contact counts as open on a meter that shows a number; from memory. */
export const OPEN_FROM = 10e6;

/** Ohms up to which a contact counts as closed: by the volts lost and the watts made in it. */
export function closedUpTo({ circuit, amps }: Pick<Contact, 'circuit' | 'amps'>): number {
  const { volts, watts, least, most } = LIMITS[circuit];
  if (amps === undefined) return most;
  return Math.max(least, Math.min(most, volts / amps, watts / (amps * amps)));
}

/** A limit from which on a beep says enough; a beeper hears nothing finer. */
const BEEP_FROM = 4;

/** Whether a beep is good enough for a first look at a closed contact. */
export const beepIsEnough = (contact: Pick<Contact, 'circuit' | 'amps'>): boolean =>
  closedUpTo(contact) >= BEEP_FROM;

/** The contact of a switch that asks most; a pair that belongs to no contact is judged by it. */
export const strictest = (part: SwitchPart): Contact | undefined =>
  part.contacts.toSorted((a, b) => closedUpTo(a) - closedUpTo(b))[0];
