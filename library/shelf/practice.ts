import type { Condition, Look, Prior } from '../../core/diagram/diagram';

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

/** A quick check: what is found, what it points to, how often it is found with that and without. */
export const look = (
  id: string,
  says: string,
  of: string[],
  [withIt, without]: [withIt: number, without: number],
  minutes: number,
  more: Partial<Pick<Look, 'panel' | 'powered' | 'feeds'>> = {},
): Look => ({ id, says, of, found: { with: withIt, without }, minutes, ...more });

/** What everybody in a trailer sees of its battery. */
export const LOW_BATTERY = look(
  'low-volts',
  'The lights of the trailer are dim: the battery is low',
  ['battery'],
  [0.7, 0.05],
  0.5,
  { feeds: true },
);

/** The look at a capacitor, which is a reading as well: nine tenths of what is printed is too little. */
export const weakCapacitor = (id: string, panel: string, minutes = 2): Look =>
  look(
    `${id}-weak`,
    'The capacitor is swollen, or its microfarads, read discharged, are below nine tenths of what is printed',
    [`${id}:broken`],
    [0.8, 0.02],
    minutes,
    { panel },
  );

/** Cautions that many units share. */
export const CAUTIONS = {
  gas: [
    'Gas smell: operate nothing, leave, call from outside. Shut the gas off only on the way.',
    'Gas parts are a licensed trade’s work in many places: follow local codes and the maker’s sheet.',
  ],
  twoLegs:
    'Two hot legs: switch off and lock out, then prove each leg dead to neutral and to the other leg.',
  highVoltage: [
    'The high-voltage capacitor can kill after the cord is pulled: discharge it as the maker’s sheet says, then prove it.',
    'Never run it with the case off. After any door or interlock work a leakage check is due.',
    'Door interlock switches are replaced with the maker’s part, never bridged.',
  ],
  capacitor:
    'A run capacitor holds its charge: discharge it through a resistor before a hand goes in.',
  refrigerant: 'Work on the refrigerant, and a brazed pressure switch, want a licence.',
  blower: 'A blower starts by itself: power off before a hand goes near the wheel.',
  scald: 'Water and metal scald: let it cool, and relieve the pressure, before anything is opened.',
  edges: 'Sheet edges cut: gloves, and mind the wires at them.',
  indoors24:
    'The 24 V line is fed from indoors: it stays live while the disconnect outside is off.',
} as const;
