import type { CircuitClass, SupplyKind } from './diagram';

/** Whether a circuit lives on the few volts of a flame, where tenths of an ohm matter. */
export const isMillivolts = (kind: CircuitClass | SupplyKind | undefined): boolean =>
  kind === 'thermopile' || kind === 'thermocouple';
