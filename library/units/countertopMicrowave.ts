import { doorInterlock } from '../assemblies/doorInterlock';
import { panel, relayActuator, startButton, temperature, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { about, lamp, motor } from '../shelf/loads';
import { CAUTIONS, commonPractice, look } from '../shelf/practice';
import { cutOff, fuse } from '../shelf/protectors';
import { board } from '../shelf/relays';
import { mainsCord } from '../shelf/supplies';
import { relayContact } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

const DOOR_OPENED = { when: { door: 'open' }, to: 'idle' };

/** Countertop microwave: primary and secondary interlock, monitor ahead of the relay, a cut-off on the magnetron. */
export const countertopMicrowave = unit({
  id: 'countertop-microwave',
  name: 'Countertop microwave, four door switches',
  kind: 'microwave oven',
  drawnFor: { door: 'open', tube: 70 },
  supplies: [mainsCord(15)],
  actuators: [
    startButton('start', 'Start pad', 'START touched'),
    relayActuator('cook', 'Cook relay', 'cook relay'),
    temperature('tube', 'Magnetron', {
      by: 'magnetron',
      to: 330,
      seconds: 200,
      held: { by: 'fan', to: 180 },
    }),
  ],
  panels: [
    panel('wrap', 'Outer wrap', '5 cross-head screws at the back', 4, 'back', {
      tool: TOOLS.cross,
      coldOnly: true,
    }),
    panel('front', 'Keypad panel', '2 cross-head screws, wrap off', 5, 'front', {
      tool: TOOLS.cross,
      tethered: 'the keypad ribbon',
      coldOnly: true,
    }),
  ],
  assemblies: [
    doorInterlock('wrap', {
      primary: { where: 'Upper place on the latch bracket', companions: ['monitor', 'fuse'] },
      secondary: {
        role: 'second interlock, in the neutral',
        where: 'Lower place on the latch bracket',
      },
      sense: { where: 'Outer place, two thin wires' },
      monitor: { where: 'Behind the secondary', companions: ['primary', 'fuse'] },
    }),
  ],
  parts: [
    frame('Case', 'metal of the oven'),
    fuse(
      {
        id: 'fuse',
        name: 'Line fuse',
        role: 'protects the line',
        prior: commonPractice(3),
        panel: 'wrap',
        where: 'On the filter board',
      },
      15,
      'ceramic',
    ),
    cutOff(
      {
        id: 'cut-off',
        name: 'Magnetron cut-off',
        role: 'opens when the magnetron gets too hot',
        causes: ['a fan that stands still', 'grease on the intake', 'run empty'],
        prior: commonPractice(1.5),
        panel: 'wrap',
        where: 'On the magnetron flange',
      },
      'tube',
      266,
    ),
    relayContact(
      {
        id: 'relay',
        name: 'Cook relay',
        role: 'lets the line to the transformer',
        actuator: 'cook',
        panel: 'front',
        where: 'On the control board',
        soldAs: 'the control board',
      },
      13,
    ),
    {
      id: 'magnetron',
      name: 'High-voltage transformer',
      role: 'feeds the magnetron',
      seenAs: { name: 'Food', off: 'stays cold', runs: 'gets hot' },
      prior: commonPractice(2),
      kind: 'load',
      load: 'transformer',
      terminals: [{ id: 'a' }, { id: 'b' }],
      elements: [
        {
          id: 'primary',
          between: ['a', 'b'],
          value: about(0.5, 30),
          working: about(11, 15),
          volts: 120,
        },
      ],
      panel: 'wrap',
    },
    motor(
      {
        id: 'fan',
        name: 'Cooling fan',
        role: 'cools the magnetron',
        seenAs: { name: 'Fan inside' },
        prior: commonPractice(1),
        panel: 'wrap',
      },
      48,
      260,
    ),
    motor(
      {
        id: 'turntable',
        name: 'Turntable motor',
        role: 'turns the plate',
        seenAs: { name: 'Turntable' },
        prior: commonPractice(1),
        panel: 'wrap',
        where: 'Under the oven, behind a cut-out in the bottom',
      },
      3100,
      3100,
    ),
    lamp(
      {
        id: 'light',
        name: 'Cavity lamp',
        role: 'lights the cavity',
        seenAs: { name: 'Light inside' },
        prior: commonPractice(1.5),
        panel: 'wrap',
      },
      25,
    ),
    board(
      {
        id: 'board',
        name: 'Control board',
        role: 'keypad, clock, cook relay; feeds itself electronically',
        seenAs: { name: 'Display and keypad' },
        prior: commonPractice(1.5),
        panel: 'front',
      },
      [
        { id: 'power', between: ['L', 'N'], ohms: { low: 150_000, high: 1_500_000 }, fedFrom: 90 },
        { id: 'door', between: ['D1', 'D2'], senses: 'contact' },
      ],
      [
        {
          id: 'idle',
          says: 'clock',
          drives: [],
          next: [{ when: { start: 'pressed', door: 'closed' }, to: 'cook' }],
        },
        {
          id: 'cook',
          says: 'counting down',
          drives: ['cook'],
          next: [DOOR_OPENED, { when: {}, after: 60, to: 'done' }],
        },
        { id: 'done', says: 'END', drives: [], next: [DOOR_OPENED] },
      ],
    ),
  ],
  wires: wires(`
    BK cord.L fuse.a
    BK-BU fuse.b cut-off.a
    BK-BU fuse.b board.L
    OR cut-off.b primary.COM
    RD primary.NO relay.C
    RD primary.NO monitor.COM
    YE relay.NO magnetron.a
    YE magnetron.a fan.a
    YE fan.a turntable.a
    YE turntable.a light.a
    WH magnetron.b secondary.COM
    WH fan.b secondary.COM
    WH turntable.b secondary.COM
    WH light.b secondary.COM
    WH-BK secondary.NO cord.N
    WH-RD monitor.NC cord.N
    WH board.N cord.N
    GY sense.COM board.D1
    VT sense.NO board.D2
    GN cord.G frame.G
  `),
  uses: [
    {
      id: 'cook',
      name: 'A mug of water for half a minute, then open the door',
      steps:
        'power=off,door=closed,power=on,start=pressed,start=released,wait=30,door=ajar,door=open',
    },
  ],
  looks: [
    look(
      'hum',
      'A loud hum and a dim light while it should cook',
      ['magnetron'],
      [0.4, 0.03],
      0.5,
      { powered: true },
    ),
    look('arc', 'Burnt wave guide cover, or smell of it', ['magnetron'], [0.2, 0.04], 0.5),
    look(
      'fan-hand',
      'The fan wheel does not spin freely',
      ['fan:seized', 'cut-off'],
      [0.7, 0.03],
      1,
      { panel: 'wrap' },
    ),
    look(
      'fuse-glass',
      'The fuse is black, or its cap is brown',
      ['fuse', 'monitor', 'primary:stuck-closed'],
      [0.6, 0.03],
      1,
      { panel: 'wrap' },
    ),
  ],
  energies: ['microwaves', 'stored-charge'],
  cautions: [...CAUTIONS.highVoltage, 'A mug of water in the cavity for every run.'],
});
