import { handActuator, panel, quantity, temperature, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { motor, neonLamp } from '../shelf/loads';
import { CAUTIONS, commonPractice, look } from '../shelf/practice';
import { overload } from '../shelf/protectors';
import { mainsCord } from '../shelf/supplies';
import { microswitch, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Compressor dehumidifier: humidistat, bucket switch with its lamp, frost thermostat. */
export const compressorDehumidifier = unit({
  id: 'compressor-dehumidifier',
  name: 'Dehumidifier with compressor, bucket switch',
  kind: 'dehumidifier',
  drawnFor: { damp: 74, fins: 68 },
  supplies: [mainsCord(15)],
  actuators: [
    handActuator('bucket', 'Bucket', 'drawer', {
      in: 'bucket in, not full',
      full: 'bucket full or out',
    }),
    quantity('level', '% humidity', 'damp', 'Dampness of the room', {
      by: 'compressor',
      to: 25,
      seconds: 6000,
    }),
    temperature(
      'fins',
      'Cold coil',
      { by: 'compressor', to: 12, seconds: 500, held: { by: 'fan', to: 42 } },
      [
        {
          beyond: 'frost-stat',
          side: 'below',
          says: 'the coil ices up',
          causes: ['a cold room', 'a dirty filter or coil', 'a fan that is slow', 'low charge'],
          action: 'The thermostat is right: let it thaw, clean it, use it above 65 °F.',
          prior: commonPractice(3),
        },
      ],
    ),
  ],
  panels: [
    panel('grille', 'Rear grille with filter', 'clips', 1, 'back'),
    panel('control', 'Control panel', '2 cross-head screws', 3, 'top', { tool: TOOLS.cross }),
    panel('cover', 'Cabinet', '6 cross-head screws', 6, 'back', { tool: TOOLS.cross }),
  ],
  parts: [
    frame('Base', 'metal of the unit'),
    microswitch(
      {
        id: 'bucket-switch',
        name: 'Bucket switch',
        role: 'stops it and lights the lamp when the bucket is full or out',
        actuator: 'bucket',
        prior: commonPractice(3),
        byHand: 'Press its lever with the bucket out.',
        panel: 'cover',
        where: 'Over the bucket, on the float arm',
      },
      { NO: ['control', 6], NC: ['control', 0.01] },
      { pressed: ['in'], free: ['full'] },
    ),
    hardware(
      {
        id: 'float-arm',
        name: 'Float arm',
        role: 'moves the bucket switch',
        prior: commonPractice(1.5),
        where: 'In the bucket',
      },
      ['bucket-switch'],
    ),
    setPointSwitch(
      {
        id: 'humidistat',
        name: 'Humidistat',
        role: 'runs it while the room is damp',
        actuator: 'damp',
        prior: commonPractice(2),
        panel: 'control',
        where: 'Behind its knob',
        byHand: 'Turn its knob to the wettest end and back.',
      },
      ['control', 6],
      { opens: 44, closes: 50, tolerance: 3 },
    ),
    setPointSwitch(
      {
        id: 'frost-stat',
        name: 'Frost thermostat',
        role: 'stops the compressor while the coil is iced',
        actuator: 'fins',
        prior: commonPractice(1.5),
        panel: 'cover',
        where: 'Clipped to the cold coil',
      },
      ['control', 5.5],
      { opens: 28, closes: 46, tolerance: 3 },
    ),
    overload(
      {
        id: 'overload',
        causes: ['a dirty coil', 'a start relay that rattles'],
        name: 'Compressor overload',
        role: 'opens when the compressor takes too much',
        prior: commonPractice(1.5),
        panel: 'cover',
        where: 'Under the cap of the compressor',
      },
      11,
    ),
    motor(
      {
        id: 'compressor',
        name: 'Compressor',
        role: 'cools',
        seenAs: { name: 'Compressor' },
        prior: commonPractice(1.5),
        panel: 'cover',
      },
      3.2,
      24,
    ),
    hardware(
      {
        id: 'starter',
        name: 'Start relay of the compressor',
        role: 'gives the compressor its push',
        prior: commonPractice(2),
        panel: 'cover',
        where: 'On the compressor terminals',
      },
      ['compressor'],
    ),
    motor(
      {
        id: 'fan',
        name: 'Fan',
        role: 'moves the air',
        seenAs: { name: 'Fan' },
        prior: commonPractice(2),
        panel: 'cover',
      },
      105,
      330,
    ),
    neonLamp('full-lamp', 'Bucket lamp', 'lit while the bucket is full or out', 'control', 120),
  ],
  wires: wires(`
    BK cord.L bucket-switch.COM
    YE bucket-switch.NO humidistat.1
    GY bucket-switch.NC full-lamp.a
    RD humidistat.2 fan.a
    RD humidistat.2 frost-stat.1
    RD-WH frost-stat.2 overload.a
    RD-BK overload.b compressor.a
    WH compressor.b cord.N
    WH fan.b cord.N
    WH full-lamp.b cord.N
    GN cord.G frame.G
  `),
  uses: [
    {
      id: 'run',
      name: 'Runs, then the bucket comes out',
      steps: 'power=on,wait=120,bucket=full,bucket=in,wait=10',
    },
  ],
  looks: [
    look('filter', 'The filter is clogged', ['fins'], [0.5, 0.1], 0.5, { panel: 'grille' }),
    look('ice', 'Ice on the cold coil', ['fins', 'frost-stat'], [0.7, 0.03], 1, {
      panel: 'grille',
    }),
    look(
      'arm',
      'The float arm hangs or is out of its pivot',
      ['float-arm:broken', 'bucket-switch:not-actuated'],
      [0.7, 0.04],
      0.5,
    ),
    look(
      'hum-click',
      'The compressor hums for some seconds and clicks off',
      ['starter', 'compressor', 'overload'],
      [0.7, 0.03],
      0.5,
      { powered: true },
    ),
  ],
  energies: ['refrigerant', 'water'],
  cautions: [
    'Pull the cord and empty the bucket before it is laid on its side.',
    CAUTIONS.refrigerant,
    CAUTIONS.edges,
  ],
});
