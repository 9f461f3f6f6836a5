import type { Part } from '../diagram/diagram';

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
    default:
      return [];
  }
}

/** What may have made a part fail, to be ruled out before a new one goes in. */
export const causesOf = (part: Part): readonly string[] =>
  part.causes?.length ? part.causes : usualCauses(part);

/** Whether a part must not be reset or put in anew without its cause: what opened it opens the next one. */
export const demandsCause = (part: Part): boolean =>
  part.kind === 'protector' || (part.kind === 'switch' && part.reset === 'manual');
