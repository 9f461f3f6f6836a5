import type { Condition, Prior } from '../../core/diagram/diagram';

/** What is behind parts that have failed: common practice. */
export const CAUSES = {
  dryerAir: [
    'lint under the filter housing or in the blower',
    'a crushed, long or blocked vent',
    'a cycling thermostat that does not open',
  ],
  furnaceAir: ['a dirty filter', 'closed registers', 'a slow or dirty blower'],
  rollout: ['a blocked flue or vent', 'a cracked heat exchanger', 'dirty burners'],
  interlock: [
    'a slammed door, or one pulled open by its corner',
    'a worn or heat-softened bracket',
    'a gas range below that heats it',
  ],
  burntTab: ['a loose push-on tab', 'a wire too thin or brittle beside it'],
  pins: ['a coil that sits loose in its block', 'grease and spills on the pins'],
  scale: ['scale on the tank', 'a thermostat that does not open'],
  pilotAir: ['lint on the air screen below', 'a blocked flue', 'vapours of solvents near the unit'],
  short: ['a pinched wire', 'a part shorted to the frame', 'a motor that is held'],
} as const satisfies Record<string, readonly string[]>;

/** How often a part fails beside others, as practice has it. */
export const commonPractice = (weight: number): Prior => ({
  weight,
  source: 'common practice',
  calls: 0,
});

/** What opens the limit of a dryer rightly, and comes far before the limit itself. */
export const tooLittleAir = (beyond: string, where: string): Condition => ({
  beyond,
  side: 'above',
  says: `too little air: ${where} gets too hot`,
  causes: [...CAUSES.dryerAir],
  action: 'The limit is right: clear the way of the air from the filter to the outside hood.',
  prior: commonPractice(3),
});
