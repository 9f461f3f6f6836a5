import type { Part } from '../diagram/diagram';
import type { Mode } from '../fault/fault';

/** What was found when a cause was looked for; refused in words by who does not look. */
export const CAUSE_OUTCOMES = ['found', 'not-there', 'refused'] as const;
export type CauseOutcome = (typeof CAUSE_OUTCOMES)[number];

/** A cause of a failure that was looked for. */
export interface CauseLooked {
  part: string;
  /** One of the list, or another in plain words. */
  cause: string;
  outcome: CauseOutcome;
  /** Why nobody looks. */
  words?: string;
}

/** What makes contacts fail the way they did, whatever part they are in: common practice. */
const BY_MODE: Partial<Record<Mode, readonly string[]>> = {
  'stuck-closed': [
    'a load that draws too much, or shorts',
    'volts so low that it chatters',
    'a spring or a lever that does not let go',
  ],
  resistive: ['a loose terminal', 'heat from beside it', 'a load that draws too much'],
  'stuck-open': [
    'a lever, follower or bracket that is worn or bent',
    'dirt, grease, lint or hair in it',
  ],
  intermittent: ['a loose wire or terminal', 'moisture', 'a lever or follower that is worn'],
  leaking: ['moisture, or soap and grease in it'],
};

/**
 * What makes parts of each kind fail where the diagram names nothing for the part: common practice.
 * Parts that wear out by themselves have none.
 */
function usualCauses(part: Part): readonly string[] {
  switch (part.kind) {
    case 'protector':
      if (part.protector === 'fuse')
        return [
          'a wire that touches metal',
          'a part that draws too much',
          'another fuse than the plate says',
        ];
      if (part.protector === 'overload')
        return ['something that turns hard', 'low volts', 'starts too often'];
      return [
        'air that does not get through',
        'a thermostat that does not open',
        'lint or dirt on it',
      ];
    case 'switch':
      if (part.reset === 'manual')
        return [
          'flame or heat out of its place',
          'a blocked vent or airway',
          'a thermostat that does not open',
        ];
      return [];
    case 'load':
      if (part.load === 'motor')
        return [
          'hair, thread or something small that holds it',
          'bearings that turn hard',
          'low volts',
        ];
      if (part.load === 'heater')
        return ['air or water that does not get to it', 'lint, scale or fat on it'];
      if (part.load === 'coil') return ['volts too high or too low for it', 'heat from beside it'];
      return [];
    case 'board':
      return ['moisture or insects on it', 'a load that shorts'];
    default:
      return [];
  }
}

/**
 * What may have made a part fail, to be ruled out before a new one goes in.
 * @param mode how it failed, where that is known
 */
export function causesOf(part: Part, mode?: Mode): readonly string[] {
  if (part.causes?.length) return part.causes;
  const own = usualCauses(part);
  return [...own, ...((mode && !own.length && BY_MODE[mode]) || [])];
}

/** Whether a part must not be reset or put in anew without its cause: what opened it opens the next one. */
export const demandsCause = (part: Part): boolean =>
  part.kind === 'protector' || (part.kind === 'switch' && part.reset === 'manual');
