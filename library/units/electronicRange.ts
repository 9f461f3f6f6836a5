import type { BoardState } from '../../core/diagram/diagram';
import { coilBurnerOf } from '../assemblies/coilBurner';
import { door, handActuator, panel, temperature, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { heater, lamp, neonLamp, plainLoad } from '../shelf/loads';
import { cutOff } from '../shelf/protectors';
import { CAUTIONS, commonPractice, look } from '../shelf/practice';
import { board, boardRelays, powerInput } from '../shelf/relays';
import { rangeCord } from '../shelf/supplies';
import { plainSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** A relay of the board with what it feeds. */
/**
 * What the board does in a mode: it watches its sensor and heats on and off. By time, since a resistance that goes
 * with the heat is not drawn: long enough on that the first minutes are one heat.
 */
function heats(id: string, keys: string, drives: string[], other: string): BoardState[] {
  const watching: BoardState['next'] = [
    { when: { sensor: 'high' }, after: 2, to: 'sensor-open' },
    { when: { sensor: 'low' }, after: 2, to: 'sensor-short' },
    { when: { keys: 'off' }, to: 'clock' },
    { when: { keys: other }, to: other },
  ];
  const says = `${keys} and the temperature`;
  return [
    { id, says, drives, next: [...watching, { when: {}, after: 480, to: `${id}-rests` }] },
    {
      id: `${id}-rests`,
      says,
      drives: drives.slice(0, 1),
      next: [...watching, { when: {}, after: 60, to: id }],
    },
  ];
}

const relays = boardRelays(
  { panel: 'back', soldAs: 'the control board' },
  {
    safety: ['Safety relay', 'breaks the other leg of both elements', 14.2, 2],
    bake: ['Bake relay', 'feeds the bake element', 10.8, 2],
    broil: ['Broil relay', 'feeds the broil element', 13.3, 2],
  },
);

/** Range with an electronic oven control: a sensor that the board reads, a relay in each leg, one burner drawn. */
export const electronicRange = unit({
  id: 'electronic-range',
  name: 'Range, electronic oven control with sensor',
  kind: 'electric range',
  drawnFor: { cavity: 70 },
  supplies: [rangeCord(50)],
  actuators: [
    handActuator('keys', 'Keypad', 'button', {
      off: 'keypad at CANCEL',
      bake: 'BAKE 350 entered',
      broil: 'BROIL entered',
    }),
    door(),
    temperature('cavity', 'Oven cavity', {
      by: 'bake',
      to: 620,
      seconds: 1100,
      alone: { by: 'broil', to: 650 },
    }),
    ...relays.actuators,
  ],
  panels: [
    panel('back', 'Back panel', '8 hex-head screws, range pulled out', 9, 'back', {
      tool: TOOLS.nut,
      coldOnly: true,
    }),
    panel('cavity', 'Inside of the oven', '2 hex-head screws a part, racks out', 4, 'inside', {
      tool: TOOLS.nut,
    }),
    panel('top', 'Cooktop', 'the coil lifted out', 0.5, 'top'),
  ],
  parts: [
    frame('Frame', 'metal of the range'),
    cutOff(
      {
        id: 'cut-out',
        name: 'Oven cut-out',
        role: 'cuts the elements for good when the back of the oven gets too hot',
        prior: commonPractice(1),
        causes: ['a welded bake relay', 'insulation fallen away', 'a fan or vent that is blocked'],
        panel: 'back',
        where: 'High on the back of the oven',
      },
      'cavity',
      760,
    ),
    board(
      {
        id: 'board',
        name: 'Oven control',
        role: 'reads the sensor and works the relays',
        seenAs: { name: 'Display' },
        aliases: [{ word: 'clock' }, { word: 'timer', trap: 'no mechanical timer is in it' }],
        prior: commonPractice(3),
        causes: ['steam from the vent', 'a relay that cooked its solder'],
        panel: 'back',
        where: 'Behind the keypad',
      },
      [
        powerInput(['L', 'N'], 700, 2600, 80),
        {
          id: 'sensor',
          between: ['S1', 'S2'],
          senses: 'resistance',
          range: { low: 850, high: 2600 },
          ohms: { low: 30_000, high: 120_000 },
        },
      ],
      [
        {
          id: 'clock',
          says: 'the time',
          drives: [],
          next: [
            { when: { sensor: 'high' }, after: 20, to: 'sensor-open' },
            { when: { sensor: 'low' }, after: 20, to: 'sensor-short' },
            { when: { keys: 'bake' }, to: 'bake' },
            { when: { keys: 'broil' }, to: 'broil' },
          ],
        },
        ...heats('bake', 'BAKE', ['safety-relay', 'bake-relay'], 'broil'),
        ...heats('broil', 'BROIL', ['safety-relay', 'broil-relay'], 'bake'),
        {
          id: 'sensor-open',
          says: 'sensor fault: open',
          drives: [],
          next: [{ when: { sensor: 'good', keys: 'off' }, to: 'clock' }],
        },
        {
          id: 'sensor-short',
          says: 'sensor fault: shorted',
          drives: [],
          next: [{ when: { sensor: 'good', keys: 'off' }, to: 'clock' }],
        },
      ],
    ),
    {
      ...plainLoad(
        {
          id: 'sensor',
          name: 'Oven sensor',
          role: 'tells the board how hot the oven is',
          prior: commonPractice(4),
          aliases: [{ word: 'probe', trap: 'the meat probe plugs in at the side' }],
          causes: ['a plug that has cooked behind the oven', 'a cleaning run too hot'],
          panel: 'cavity',
          where: 'In the back wall of the oven, its plug behind',
        },
        'heater',
        { value: { nominal: 1090, low: 1060, high: 1120 } },
      ),
    },
    ...relays.parts,
    heater(
      {
        id: 'bake',
        name: 'Bake element',
        role: 'lower heat',
        seenAs: { name: 'Lower element' },
        causes: ['foil on the floor of the oven', 'a spill that burnt on it'],
        prior: commonPractice(5),
        panel: 'cavity',
      },
      2600,
      240,
    ),
    heater(
      {
        id: 'broil',
        name: 'Broil element',
        role: 'upper heat',
        seenAs: { name: 'Upper element' },
        prior: commonPractice(2.5),
        panel: 'cavity',
      },
      3200,
      240,
    ),
    plainSwitch(
      {
        id: 'door-switch',
        name: 'Door switch of the lamp',
        role: 'lights the oven while the door is open',
        prior: commonPractice(1),
        actuator: 'door',
        free: 'open',
        byHand: 'Press its plunger with the door open.',
        panel: 'cavity',
        where: 'In the frame over the door',
      },
      { circuit: 'control', amps: 0.35, throw: 'NC' },
      { closed: 'open', open: 'closed' },
    ),
    lamp(
      {
        id: 'light',
        name: 'Oven lamp',
        role: 'lights the oven',
        seenAs: { name: 'Light in the oven' },
        prior: commonPractice(2.5),
        panel: 'cavity',
      },
      40,
    ),
    neonLamp('pilot', 'Burner lamp', 'lit while a burner is on', 'back', 120),
  ],
  assemblies: [
    coilBurnerOf({
      prefix: 'lf-',
      place: 'left front',
      inches: 8,
      watts: 2350,
      line: ['feed.L1', 'feed.L2'],
      pilot: 'pilot.a',
      panels: { controls: 'back', top: 'top' },
    }),
  ],
  wires: wires(`
    BK feed.L1 board.L
    WH feed.N board.N
    BK feed.L1 bake-contact.C
    BK feed.L1 broil-contact.C
    OR bake-contact.NO bake.a
    YE broil-contact.NO broil.a
    BN bake.b cut-out.a
    BN broil.b cut-out.a
    BN-RD cut-out.b safety-contact.NO
    RD safety-contact.C feed.L2
    VT board.S1 sensor.a
    VT sensor.b board.S2
    BK-WH feed.L1 door-switch.1
    GY door-switch.2 light.a
    WH light.b feed.N
    WH pilot.b feed.N
    GN feed.G frame.G
  `),
  uses: [
    {
      id: 'bake',
      name: 'Bake, then broil, then off',
      steps: 'keys=bake,wait=60,keys=broil,wait=60,keys=off,wait=30',
    },
    { id: 'light', name: 'Door opened and closed', steps: 'door=open,door=closed' },
  ],
  looks: [
    look(
      'burnt',
      'A blister, a gap or a bright spot on the bake element',
      ['bake'],
      [0.7, 0.02],
      1,
    ),
    look(
      'plug',
      'The plug of the sensor behind the oven is brown or loose',
      ['sensor', 'w11', 'w12'],
      [0.4, 0.03],
      2,
      { panel: 'back' },
    ),
    look(
      'click',
      'No click from the control when BAKE is entered, the display as it should be',
      ['board', 'bake-contact', 'safety-contact'],
      [0.4, 0.1],
      0.5,
      { powered: true },
    ),
    look(
      'solder',
      'A brown ring of solder at a relay of the control',
      ['bake-contact', 'broil-contact', 'safety-contact'],
      [0.5, 0.03],
      3,
      { panel: 'back' },
    ),
    look('bulb', 'The oven bulb is black, loose or rattles', ['light'], [0.8, 0.05], 0.5),
  ],
  cautions: [
    CAUTIONS.twoLegs,
    'A relay breaks one leg only: with the other welded an element is live at OFF. Prove each end dead.',
    'The range tips forward with the door down: chain or block it before you lean on it.',
    'Elements and glass burn long after OFF; sheet edges behind it cut.',
    'The sensor is read cold and unplugged, at its own plug, room temperature known.',
  ],
});
