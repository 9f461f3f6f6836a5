import type { CircuitClass, Contact, SwitchPart } from '../diagram/diagram';

/**
 * Up to how many ohms a contact counts as closed, by what it carries. Common practice: near zero
 * once the leads are off; a few ohm is a failing heater contact; in a thermopile loop 0.3 ohm for a
 * single switch. The control and signal figures are from memory.
 */
const CLOSED_UP_TO: Record<CircuitClass, number> = {
  heater: 0.6,
  control: 5,
  signal: 100,
  thermopile: 0.3,
  thermocouple: 0.01,
};
/** Heat that a contact may make before it counts as burnt, in watt; from memory. */
const MOST_WATTS = 20;
/** From how many ohms a contact counts as open on a meter that shows a number; from memory. */
export const OPEN_FROM = 10e6;

/**
 * Ohms up to which a contact counts as closed: by its class, and less where its working current
 * would make it hot (P = I squared R), but never finer than a heater contact is read.
 */
export function closedUpTo({ circuit, amps }: Pick<Contact, 'circuit' | 'amps'>): number {
  const byClass = CLOSED_UP_TO[circuit];
  if (amps === undefined || byClass <= CLOSED_UP_TO.heater) return byClass;
  return Math.max(CLOSED_UP_TO.heater, Math.min(byClass, MOST_WATTS / (amps * amps)));
}

/** Whether a beep is good enough for a first look at a closed contact. */
export const beepIsEnough = (contact: Pick<Contact, 'circuit' | 'amps'>): boolean =>
  closedUpTo(contact) >= CLOSED_UP_TO.control;

/** The contact of a switch that asks most; a pair that belongs to no contact is judged by it. */
export const strictest = (part: SwitchPart): Contact | undefined =>
  part.contacts.toSorted((a, b) => closedUpTo(a) - closedUpTo(b))[0];
