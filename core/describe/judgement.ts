import { sayOhms, sayDisplay } from './display';
import { highestRange, lowestRange, rangeInUse } from '../meter/meter';
import { isMillivolts } from '../diagram/millivolts';
import { closedUpTo } from '../inference/contactLimits';
import type { Reading } from '../call/reading';
import type { Judgement } from '../inference/judge';

/** The meaning of a reading in plain words, with what to do where the reading is not enough. */
export function sayJudgement(judgement: Judgement, reading: Reading): string {
  const { expected, class: found } = judgement;
  const { meter } = reading.taken;
  const { display } = reading;
  const shown = sayDisplay(display);
  if (expected.state === 'either' && found !== 'unsteady') {
    return 'This pair may rightly be open or closed here, so the reading proves nothing.';
  }
  const by = expected.through.length ? ` through ${expected.through.join(' and ')}` : '';
  switch (found) {
    case 'closed':
      if (expected.state === 'open')
        return 'Closed where it should be open: welded, held down, or not in the state you think.';
      return display.kind === 'beep'
        ? `Closed${by}, as far as a beeper can see: below about ${meter.beeper.never} Ω.`
        : `Closed${by}, as it should be.${sayUnseen(judgement)}`;
    case 'open':
      if (expected.state === 'closed')
        return 'Open where it should be closed: the contact does not make, or nothing moved it.';
      return display.kind === 'silent'
        ? 'Open as far as a beeper can see. A leak above the beeper’s threshold is silent too.'
        : 'Open, as it should be.';
    case 'resistive':
      return `${shown} where it should be near zero: a contact that makes badly.`;
    case 'leaking':
      return `${shown} across a contact that should be open: a carbon track, or your own skin. Hands off the tips, read again.`;
    case 'load':
      return `${shown} is what the rest of the unit answers with its wires on. Pull the wires named above and read again.`;
    case 'short':
      return 'Continuity between terminals that no position joins: a short inside the switch, or a probe on the wrong terminal.';
    case 'unsteady':
      return reading.wiggle
        ? 'It jumps while you wiggle: something does not hold. Move the wire, the crimp and the lever one at a time.'
        : 'The value does not stand still. Bite in with the tips or clip on, and read again.';
    case 'cannot-tell':
      return sayCannotTell(reading, judgement.contact);
  }
}

/** Watts that may hide in a contact, from which on they are told of: from memory. */
const HOT_WATTS = 15;

/** What a meter cannot see of a contact that carries much. */
const sayUnseen = ({ unseen }: Judgement): string =>
  unseen && unseen.loss.watts >= HOT_WATTS
    ? ` ${sayOhms(unseen.ohms)} could hide below what this meter sees, ${Math.round(unseen.loss.watts)} W in use: if it heats, read the volts lost across it under load.`
    : '';

function sayCannotTell({ display, taken }: Reading, contact: Judgement['contact']): string {
  const { meter, range } = taken;
  const load = contact.amps ? `carries ${contact.amps} A` : `is in a ${contact.circuit} circuit`;
  const limit = sayOhms(closedUpTo(contact));
  if (display.kind === 'over') {
    const used = rangeInUse(meter, range);
    return `OL here only says above ${used.name}. Turn to ${highestRange(meter).name} and read again.`;
  }
  if (display.kind === 'beep') {
    return `A beep is anything below about ${meter.beeper.never} Ω; this contact ${load} and must be below ${limit}. Read it in ohms on ${lowestRange(meter).name}.`;
  }
  return isMillivolts(contact.circuit)
    ? `This meter cannot decide ${limit} with its own leads in the way. Read the millivolts lost across it in use.`
    : `Too close to ${limit} for this meter and its leads. Touch the tips together, note the leads, read again, or read the volts lost under load.`;
}
