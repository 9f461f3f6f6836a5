import type { Diagram } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';
import type { Slip, SlipKind } from '../inference/slips';
import { sayPosition } from './position';
import { saySetup } from './test';

/** What a reading that fits a slip better than any fault makes one ask, before it is taken again. */
export function saySlipAsks(diagram: Diagram, slip: SlipKind, setup: Setup): string {
  switch (slip) {
    case 'state': {
      const stood = saySetup(diagram, { ...setup, lifted: [], partsOut: [], jumpers: [] });
      const controls = stood.length ? stood : sayControls(diagram, setup);
      return controls.length
        ? `Was it really so: ${controls.join(', ')}?`
        : 'Was every door, knob and lever where it was said to be?';
    }
    case 'wires':
      return 'Were the wires really off?';
    case 'neighbour':
      return 'Were the tips on these terminals, or on the ones beside them?';
    case 'twin':
      return 'Was it this part, or its twin?';
    case 'repeated':
      return 'Was it read anew, or entered once more?';
    case 'meter':
      return 'Was the meter on Ω, its leads in the right jacks? Touch the tips together.';
    case 'once':
      return 'One reading alone condemns nothing.';
    case 'misfit':
      return 'It does not go together with all else that is known.';
    case 'beeper':
      return 'A beeper passes a burnt heater contact: what is the number?';
  }
}

/** Where the doors, knobs and buttons stand, whether they were moved or not. */
const sayControls = (diagram: Diagram, { actuators }: Setup): string[] =>
  diagram.actuators.flatMap(({ id, kind }) => {
    const state = actuators[id];
    return (kind === 'hand' || kind === 'momentary') && typeof state === 'string'
      ? [sayPosition(diagram, id, state)]
      : [];
  });

/** The question that a slip through all readings of a switch puts to the technician. */
export function saySlip(slip: Slip, sayPosition: (position: string) => string): string {
  switch (slip.kind) {
    case 'swapped':
      return `The readings fit a good switch with ${sayPosition(slip.positions[0])} and ${sayPosition(slip.positions[1])} the other way round.`;
    case 'one-step-off':
      return 'The readings fit a good switch with the knob one step off.';
    case 'neighbour':
      return `The readings fit a good switch with the probes on ${slip.terminals[0]} and ${slip.terminals[1]} exchanged.`;
    case 'twin':
      return 'The readings fit its twin: the other switch with the same terminals.';
    case 'wires-on':
      return 'The readings fit a good switch with its wires still on: something else answers beside it.';
  }
}

/** What to do before reading again, when a slip is asked about. */
export const SLIP_REMEDY: Record<Slip['kind'], string> = {
  swapped: 'Look at the door or knob itself, then read again.',
  'one-step-off': 'Turn the knob to its stop and count from there, then read again.',
  neighbour: 'Read the stamps beside both tips, then read again.',
  twin: 'Follow the wires to be sure which switch this is, then read again.',
  'wires-on': 'Pull the wires named in step 3, then read again.',
};
