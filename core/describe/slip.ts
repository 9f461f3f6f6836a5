import type { Slip, SlipKind } from '../inference/slips';

/** What may have gone wrong with one reading of a unit, after "it may be". */
export const SLIP_WORDS: Record<SlipKind, string> = {
  state: 'the other state: door, knob or lever was not where it was said to be',
  wires: 'wires still on',
  neighbour: 'the neighbouring terminal',
  twin: 'the twin of this part',
  repeated: 'the reading before, entered once more',
  meter: 'the wrong function or a jack: touch the leads first',
  once: 'one reading alone, which condemns nothing: take it once more',
  misfit: 'anything: it does not go together with all else that is known',
  beeper: 'a beeper, which passes a burnt heater contact: read the number',
};

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
