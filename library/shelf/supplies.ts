import type { Supply } from '../../core/diagram/diagram';

/** A 120 V cord: line, neutral, ground. */
export const mainsCord = (amps: number): Supply => ({
  id: 'cord',
  name: 'Power cord',
  kind: 'mains',
  volts: 120,
  amps,
  terminals: [{ id: 'L' }, { id: 'N' }, { id: 'G' }],
});

/** What feeds a range or an oven: two legs in opposition, neutral, ground. */
export const rangeCord = (amps: number, name = 'Range cord'): Supply => ({
  id: 'feed',
  name,
  kind: 'split-phase',
  volts: 240,
  amps,
  terminals: [{ id: 'L1' }, { id: 'L2' }, { id: 'N' }, { id: 'G' }],
});

/** The control line of an outdoor unit, fed from indoors. */
export const indoorLine: Supply = {
  id: 'indoor',
  name: '24 V from indoors',
  kind: 'low-voltage-ac',
  volts: 24,
  internalOhms: 1.2,
  amps: 3,
  terminals: [{ id: 'R' }, { id: 'C' }],
};

/** The battery of a trailer, charging or not. */
export const houseBattery: Supply = {
  id: 'battery',
  name: 'House battery',
  kind: 'dc',
  volts: 12.6,
  tolerancePercent: 12,
  internalOhms: 0.05,
  amps: 15,
  terminals: [{ id: 'P' }, { id: 'M' }],
};
