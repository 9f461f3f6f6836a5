import type { ReadingRecord } from '../call/record';

/** A reading as it would be right, of the closed lid switch of the top-load washer: for tests and benches. */
export const LID_READING: ReadingRecord = {
  part: 'lid-switch',
  from: 'lid-switch.A1',
  to: 'lid-switch.A2',
  setup: {
    power: 'off',
    actuators: { lid: 'closed', timer: 'off' },
    byHand: {},
    lifted: [],
    partsOut: [],
    except: [],
    jumpers: [],
  },
  wiggle: false,
  lookedAgain: false,
  function: 'ohm',
  meter: 'ordinary-auto',
  leadOhms: 0.2,
  said: '0.3',
  supersedes: [],
};
