import { handActuator, panel, relayActuator, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { about, lamp } from '../shelf/loads';
import { CAUTIONS, commonPractice, look } from '../shelf/practice';
import { board, powerInput, relayWithCoil } from '../shelf/relays';
import { mainsCord } from '../shelf/supplies';
import { plainSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Transfer switch of a trailer: rests on shore power, goes over to the generator after its delay. */
export const transferSwitch = unit({
  id: 'transfer-switch',
  name: 'Trailer transfer switch, shore and generator',
  kind: 'transfer switch',
  supplies: [
    { ...mainsCord(30), id: 'shore', name: 'Shore cord', prior: commonPractice(3) },
    { ...mainsCord(30), id: 'generator', name: 'Generator', prior: commonPractice(1.5) },
  ],
  actuators: [
    handActuator('run', 'Generator breaker', 'button', {
      off: 'generator breaker off',
      on: 'generator breaker on',
    }),
    relayActuator('delay', 'Delay relay', 'delay relay'),
  ],
  panels: [
    panel('box', 'Transfer box', '4 cross-head screws', 4, 'front', { tool: TOOLS.cross }),
    panel('panel', 'Breaker panel', '6 cross-head screws', 3, 'front', { tool: TOOLS.cross }),
  ],
  assemblies: [
    relayWithCoil({
      id: 'transfer',
      name: 'Transfer relay',
      role: 'rests on shore, goes over to the generator',
      panel: 'box',
      coil: { volts: 120, ohms: 260, pulledIn: 1100 },
      contacts: {
        SL: { throw: 'NC', carries: ['heater', 20] },
        SN: { throw: 'NC', carries: ['heater', 20] },
        GL: { throw: 'NO', carries: ['heater', 20] },
        GN: { throw: 'NO', carries: ['heater', 20] },
      },
      weight: 4,
    }),
  ],
  parts: [
    frame('Chassis', 'metal of the trailer'),
    plainSwitch(
      {
        id: 'breaker',
        causes: ['a generator that is overloaded'],
        name: 'Generator breaker',
        role: 'lets the generator to the trailer',
        actuator: 'run',
        free: 'off',
        byHand: 'Move its handle.',
        prior: commonPractice(1.5),
        where: 'On the generator',
      },
      { circuit: 'heater', amps: 20 },
      { off: 'open', on: 'closed' },
    ),
    board(
      {
        id: 'board',
        name: 'Delay board',
        role: 'waits until the generator has settled, then pulls the relay in',
        seenAs: { name: 'Lamp of the delay board' },
        prior: commonPractice(2),
        panel: 'box',
      },
      [powerInput(['L', 'N'], 5000, 30_000, 85)],
      [
        {
          id: 'settle',
          says: 'flashing: waits',
          drives: [],
          next: [{ when: {}, after: 25, to: 'over' }],
        },
        { id: 'over', says: 'steady: generator', drives: ['delay'], next: [] },
      ],
    ),
    {
      id: 'delay-contact',
      name: 'Delay relay contact',
      role: 'feeds the transfer relay',
      soldAs: 'the delay board',
      kind: 'switch',
      terminals: [{ id: 'C' }, { id: 'NO' }],
      contacts: [{ id: 'NO', between: ['C', 'NO'], circuit: 'control', amps: 0.2, throw: 'NO' }],
      actuator: 'delay',
      free: 'idle',
      byHand: 'It is soldered to the board and cannot be moved by hand.',
      handless: true,
      table: {
        known: 'sheet',
        rows: [
          { position: 'idle', closed: [] },
          { position: 'pulled', closed: ['NO'] },
        ],
      },
      panel: 'box',
    },
    {
      id: 'converter',
      name: 'Converter',
      role: 'charges the battery',
      seenAs: { name: 'Converter', off: 'is dead', runs: 'hums and charges' },
      prior: commonPractice(2),
      kind: 'load',
      load: 'transformer',
      terminals: [{ id: 'L' }, { id: 'N' }],
      elements: [
        {
          id: 'primary',
          between: ['L', 'N'],
          value: about(1.6, 25),
          working: about(240, 30),
          volts: 120,
        },
      ],
      panel: 'panel',
    },
    lamp(
      {
        id: 'outlet',
        name: 'Lamp at an outlet',
        role: 'stands for the outlets',
        seenAs: { name: 'Lamp at an outlet' },
      },
      60,
    ),
  ],
  wires: wires(`
    BK shore.L transfer.CSL
    WH shore.N transfer.CSN
    RD generator.L breaker.1
    RD-WH breaker.2 transfer.CGL
    WH-RD generator.N transfer.CGN
    RD-WH breaker.2 board.L
    WH-RD generator.N board.N
    RD-WH breaker.2 delay-contact.C
    OR delay-contact.NO transfer-coil.a
    WH-RD transfer-coil.b generator.N
    BK-BU transfer.SL outlet.a
    BK-BU transfer.GL outlet.a
    BK-BU outlet.a converter.L
    WH-BU transfer.SN outlet.b
    WH-BU transfer.GN outlet.b
    WH-BU outlet.b converter.N
    GN shore.G frame.G
    GN generator.G frame.G
  `),
  uses: [
    {
      id: 'over',
      name: 'On shore, then over to the generator and back',
      steps: 'power=on,wait=10,run=on,wait=60,run=off,wait=10',
    },
  ],
  looks: [
    look(
      'burnt',
      'A brown or melted terminal in the box',
      ['transfer', 'w1', 'w2', 'w4', 'w5'],
      [0.7, 0.03],
      1,
      { panel: 'box' },
    ),
    look(
      'click',
      'A clack some half a minute after the generator has started',
      ['transfer', 'transfer-coil', 'board', 'delay-contact'],
      [0.15, 0.9],
      1,
      { powered: true },
    ),
    look('plug', 'The plug of the shore cord is brown, loose or wet', ['shore'], [0.5, 0.03], 0.5),
    look(
      'dog',
      'The outlet of the park gives nothing: its breaker is off',
      ['shore'],
      [0.6, 0.03],
      1,
      { powered: true },
    ),
  ],
  cautions: [
    'Two supplies: pull the shore cord, stop the generator and lock it, and prove both dead by name.',
    CAUTIONS.edges,
    'A relay that makes both sides at once would put two sources together: prove each pair open before the other is closed.',
  ],
});
