import { millivoltLoop } from '../assemblies/millivoltLoop';
import { CAUSES, commonPractice, look } from '../shelf/practice';
import { setPointSwitch } from '../shelf/switches';
import { handActuator, panel, temperature } from '../shelf/actuators';
import { unit } from '../shelf/unit';

/** Standing-pilot water heater: thermocouple, vapour sensor, one-shot cut-off, magnet of the gas valve. */
export const standingPilotHeater = unit({
  id: 'standing-pilot-heater',
  name: 'Standing-pilot water heater, thermocouple loop',
  kind: 'water heater',
  drawnFor: { chamber: 70, tank: 120 },
  supplies: [
    {
      id: 'thermocouple',
      name: 'Thermocouple',
      kind: 'thermocouple',
      prior: commonPractice(6),
      volts: 0.028,
      tolerancePercent: 12,
      internalOhms: 0.012,
      terminals: [{ id: 'C' }, { id: 'S' }],
    },
  ],
  actuators: [
    handActuator('knob', 'Knob of the gas control', 'knob', {
      lit: 'gas knob at PILOT or ON, pilot lit',
      off: 'gas knob at OFF',
    }),
    temperature('chamber', 'Burner chamber'),
    { id: 'tank', name: 'Tank water', kind: 'quantity', quantity: 'temperature', unit: '°F' },
  ],
  panels: [
    panel('cover', 'Outer burner cover', 'lifts off', 1, 'front'),
    panel('manifold', 'Burner and pilot drawn out', '2 hex-head screws, 3 unions', 12, 'front', {
      tool: 'three-quarter wrench and nut driver',
      coldOnly: true,
    }),
  ],
  parts: [
    {
      id: 'magnet',
      name: 'Pilot magnet of the gas control',
      role: 'holds the pilot gas open',
      onlyWith: { knob: 'lit' },
      seenAs: { name: 'Pilot', off: 'does not stay lit', runs: 'stays lit' },
      prior: commonPractice(2),
      kind: 'load',
      load: 'coil',
      terminals: [{ id: 'i' }, { id: 'o' }],
      elements: [
        {
          id: 'magnet',
          between: ['i', 'o'],
          value: { nominal: 0.02, low: 0.015, high: 0.026 },
          volts: 0.007,
        },
      ],
      panel: 'cover',
      where: 'In the gas control, behind the thermocouple nut',
    },
  ],
  wires: [],
  assemblies: [
    millivoltLoop({
      source: ['thermocouple.C', 'thermocouple.S'],
      contacts: [
        setPointSwitch(
          {
            id: 'chamber-sensor',
            causes: [...CAUSES.pilotAir],
            name: 'Chamber sensor',
            role: 'puts the pilot out when the chamber gets too hot',
            prior: commonPractice(2),
            aliases: [{ word: 'thermal switch' }, { word: 'reset button' }],
            actuator: 'chamber',
            reset: 'manual',
            safety: true,
            panel: 'cover',
            where: 'On the sight glass plate, two push-on terminals',
          },
          ['thermocouple', 0.4],
          { opens: 350, closes: 280, tolerance: 20 },
          ['a', 'b'],
        ),
        {
          id: 'cut-off',
          causes: [...CAUSES.scale],
          name: 'Tank cut-off',
          role: 'puts the pilot out for good when the water gets too hot',
          prior: commonPractice(1.5),
          aliases: [{ word: 'energy cut-off' }],
          kind: 'protector',
          protector: 'thermal-cut-off',
          terminals: [{ id: 'a' }, { id: 'b' }],
          between: ['a', 'b'],
          rating: '190 °F, one shot, inside the valve',
          opensAt: { actuator: 'tank', at: 190 },
          panel: 'cover',
          where: 'In the body of the gas control: changed with it',
        },
      ],
      coil: ['magnet.i', 'magnet.o'],
      colours: ['NA', 'RD', 'RD'],
      back: 'NA',
      wire: { nominal: 0.0025, low: 0.0015, high: 0.0045 },
    }),
  ],
  uses: [{ id: 'light', name: 'Light the pilot and let the knob go', steps: 'power=on,wait=60' }],
  looks: [
    look(
      'pilot',
      'The pilot flame is small, yellow, or misses the thermocouple',
      ['thermocouple'],
      [0.6, 0.05],
      1,
      { panel: 'cover', feeds: true },
    ),
    look(
      'nut',
      'The thermocouple nut is loose or dirty at the gas control',
      ['w4', 'w3'],
      [0.6, 0.05],
      1,
      { panel: 'cover' },
    ),
    look(
      'screen',
      'The air screen below is felted with lint, or solvents stand near',
      ['chamber', 'chamber-sensor'],
      [0.7, 0.08],
      1,
    ),
    look(
      'sight',
      'Sooted or scorched round the sight glass',
      ['chamber', 'chamber-sensor:tripped'],
      [0.5, 0.03],
      1,
      { panel: 'manifold' },
    ),
  ],
  energies: ['gas', 'flue', 'water'],
  cautions: [
    'Gas off, wait, smell low, then relight by the plate; leak-test every joint that was touched.',
    'Gas smell: operate nothing, leave, call from outside. Shut the gas off only on the way.',
    'A tripped chamber sensor has a cause: blocked air or flue, vapours of solvents. Never just reset it.',
    'Gas parts are a licensed trade’s work in many places: follow local codes and the maker’s sheet.',
    'Hundredths of an ohm matter here and no ordinary ohmmeter shows them: read millivolts under load.',
  ],
});
