import { shareOn, type OnAndOff } from '../behaviour/onAndOff';
import type { ActEvidence, Evidence, HowOften, Sight } from '../call/evidence';
import type { Diagram } from '../diagram/diagram';
import { quantityOf } from '../inference/quantity';
import { sayDoing, sayOutcome } from './outcome';
import { sayPoints } from './point';
import { sayAmps, sayDisplay, sayVolts } from './display';
import type { Fault } from '../fault/fault';
import { nameFault, nameOfOwner, sayModeIn } from './fault';
import type { ShownOutcome } from '../plan/shownOutcome';
import type { UnitTest } from '../plan/unitTests';
import { sayChanges, saySetup } from './test';
import { sayLast, sayWait } from './use';

/** A suspect by its name; nothing stands for a unit in which nothing is wrong. */
export const nameOf = (diagram: Diagram, id: string | undefined): string =>
  (id === undefined ? undefined : nameOfOwner(diagram, id)) ?? 'Nothing wrong in this unit';

/** What is wrong with a suspect: one fault, or two together. */
export function sayFaultOf(diagram: Diagram, faults: readonly Fault[]): string {
  const [first, ...others] = faults;
  if (!first) return 'look at the house and at the use';
  return [
    sayModeIn(diagram, first),
    ...others.map((each) => `and with it ${nameFault(diagram, each)}`),
  ].join(', ');
}

/** How often something is so. */
export const OFTEN_WORDS: Record<HowOften, string> = {
  always: 'Always',
  'now-and-then': 'Now and then',
  once: 'Once',
};

/** What may be noticed of a part. */
export const SIGHT_WORDS: Record<Sight, string> = {
  burnt: 'burnt',
  loose: 'loose',
  broken: 'broken',
  'wire-off': 'a wire is off',
  stuck: 'stuck',
  wet: 'wet',
  noisy: 'noisy',
  hot: 'hot',
  smells: 'smells burnt',
  'wrong-part': 'wrong part fitted',
};

/** What may have been done to a part. */
export const ACT_WORDS: Record<ActEvidence['act'], string> = {
  replace: 'replaced',
  clean: 'cleaned',
  reconnect: 'wire or plug made good',
  adjust: 'adjusted',
  reset: 'reset',
  'put-back': 'put back in its place',
  tap: 'tapped',
  reseat: 'pulled and pushed on again',
  pull: 'pulled or bent',
};

/** One outcome of a test, as it would be seen. */
export function sayShown(
  diagram: Diagram,
  test: UnitTest,
  shown: ShownOutcome | undefined,
): string {
  switch (shown?.kind) {
    case 'display':
      return `shows ${sayDisplay(shown.display)}`;
    case 'volts':
      return `shows ${sayVolts(shown.volts)}`;
    case 'amps':
      return `shows ${sayAmps(shown.amps)}`;
    case 'sides':
      return [...new Set(shown.sides)].map((side) => `${side} its set point`).join(', ');
    case 'found':
      return shown.found ? 'found' : 'not there';
    case 'answer':
      return shown.yes ? 'it does' : 'it does not';
    case 'does':
      return sayOutcome(diagram, test.kind === 'try' ? test.subject : '', shown.outcome);
    case undefined:
      return 'something that cannot be foretold';
  }
}

/** "5 s on, 25 s off: on for 17 % of the time". */
export const saySeconds = (seconds: OnAndOff): string =>
  `${seconds.on} s on, ${seconds.off} s off: on for ${Math.round(100 * shareOn(seconds))} % of the time`;

/** One entry in two short lines: what was done, and what it showed. */
export function sayEvidence(diagram: Diagram, entry: Evidence): { what: string; shown: string } {
  switch (entry.kind) {
    case 'statement':
      return {
        what: [
          sayLast(diagram, entry.steps),
          ...(entry.jumper ? [`jumper ${sayPoints(diagram, ...entry.jumper)}`] : []),
          entry.source,
          ...(entry.often ? [OFTEN_WORDS[entry.often].toLowerCase()] : []),
          ...(entry.since ? [entry.since] : []),
          ...(entry.seconds ? [saySeconds(entry.seconds)] : []),
        ].join(', '),
        shown: sayDoing(diagram, entry.subject, entry.outcome),
      };
    case 'look':
      return {
        what: diagram.looks?.find((each) => each.id === entry.look)?.says ?? entry.look,
        shown: entry.found ? 'found' : 'not there',
      };
    case 'sight':
      return { what: nameOf(diagram, entry.part), shown: SIGHT_WORDS[entry.sight] };
    case 'measurement': {
      const { actuator, value, felt, how, steps } = entry;
      const when = steps === undefined ? [] : [sayLast(diagram, steps)];
      const quantity = quantityOf(diagram, actuator);
      if (!quantity)
        return {
          what: [`Current of ${nameOf(diagram, actuator)}`, 'clamp', ...when].join(', '),
          shown: sayAmps(value),
        };
      const { unit } = quantity;
      return {
        what: [nameOf(diagram, actuator), how, ...when].join(', '),
        shown: felt === undefined ? `${value} ${unit}` : `${felt} to the touch`,
      };
    }
    case 'act':
      return { what: nameOf(diagram, entry.part), shown: ACT_WORDS[entry.act] };
    case 'reading':
      return {
        what: [
          ...(entry.of === 'twin' ? ['known-good unit'] : []),
          sayPoints(diagram, entry.from, entry.to),
          ...(entry.steps === undefined
            ? saySetup(diagram, entry.setup)
            : [
                `live, ${sayLast(diagram, entry.steps)}${sayWait(entry.steps)}`,
                ...sayChanges(diagram, entry.setup),
              ]),
          ...(entry.wiggle ? ['wiggled'] : []),
        ].join(', '),
        shown: entry.shows.kind === 'volts' ? sayVolts(entry.shows.volts) : sayDisplay(entry.shows),
      };
  }
}
