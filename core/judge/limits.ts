import type { CircuitClass, SwitchPart } from '../diagram/diagram';

/**
 * Up to how many ohms a contact counts as closed, by what it carries. Common practice: near zero
 * once the leads are off; a few ohm is a failing heater contact; in a thermopile loop 0.3 ohm for a
 * single switch. The control and signal figures are from memory.
 */
export const CLOSED_UP_TO: Record<CircuitClass, number> = {
  heater: 0.6,
  control: 5,
  signal: 100,
  thermopile: 0.3,
  thermocouple: 0.01,
};
/** From how many ohms a contact counts as open on a meter that shows a number; from memory. */
export const OPEN_FROM = 10e6;
/** Circuits in which a beep is good enough for a first look at a closed contact. */
export const BEEP_IS_ENOUGH: ReadonlySet<CircuitClass> = new Set(['control', 'signal']);

/** The class that asks most of a contact; the pair may belong to no single contact. */
export const strictest = (part: SwitchPart): CircuitClass =>
  part.contacts.reduce<CircuitClass>(
    (best, { circuit }) => (CLOSED_UP_TO[circuit] < CLOSED_UP_TO[best] ? circuit : best),
    'signal',
  );
