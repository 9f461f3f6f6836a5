import type { QuantityState, Setup } from './setup';

/**
 * The canonical text of a setup: two setups have the same key when the same is true in both, in
 * whatever order it was written, stored or clicked together.
 */
export function setupKey(setup: Setup): string {
  const known = keys.get(setup) ?? written(setup);
  keys.set(setup, known);
  return known;
}

/** A setup is never changed once it is made, and asked for its key by every test that is read in it. */
const keys = new WeakMap<Setup, string>();

function written(setup: Setup): string {
  const { power, except, actuators, byHand, lifted, partsOut, jumpers } = setup;
  const bridges = jumpers.map((pair) => sorted(pair).join('+'));
  return [
    power,
    sorted(except).join(' '),
    entriesOf(actuators, stateKey),
    entriesOf(byHand, (position) => position),
    sorted(lifted).join(' '),
    sorted(partsOut).join(' '),
    sorted(bridges).join(' '),
  ].join('|');
}

/** The state of one actuator: its position, or its value and the side that it came from. */
export const stateKey = (state: string | QuantityState | undefined): string =>
  typeof state === 'object' ? `${state.value}${state.cameFrom ?? ''}` : (state ?? '');

/** Two points that are read against each other are the same the other way round. */
export const pairKey = (from: string, to: string): string => sorted([from, to]).join(' ');

const sorted = (list: readonly string[]): string[] => [...list].sort();

const entriesOf = <T>(record: Readonly<Record<string, T>>, say: (value: T) => string): string =>
  sorted(Object.entries(record).map(([id, value]) => `${id}=${say(value)}`)).join(' ');
