import type { NewCallDto } from '../contract/call';
import type { Decision, Found } from '../core/call/decision';
import type { Depth } from '../core/plan/proof';

/** A made-up shop in a made-up harbour town; every name, make and model is invented. */
export const SHOP_NAME = 'Tern & Tally Appliance Service, Port Wellan';

export interface DemoCall {
  appliance: Omit<NewCallDto['appliance'], 'id'>;
  diagramId: string;
  complaint: string;
  hoursAgo: number;
  /** What the words of the complaint are in the unit's own: seen with what is really wrong, and not without. */
  told?: { steps: string; subject: string; outcome: string };
  /** What is really wrong, written as for `--fault`; empty for nothing. */
  truth: string[];
  /** Switches read so far, in order, each for so many readings at most. */
  work: { part: string; depth: Depth; readings: number }[];
  /** What was taken over from the verdict, and decided with the customer. */
  found?: Found;
  decision?: Decision;
  done: boolean;
}

export const CALLS: DemoCall[] = [
  {
    appliance: {
      make: 'Brundahl',
      model: 'BX-310',
      place: '14 Ropewalk Lane, galley kitchen',
      customer: 'Ines Okafor-Lindqvist',
    },
    diagramId: 'over-range-oven',
    complaint: 'Line fuse blows each time the door is opened while it cooks',
    told: {
      steps:
        'power=off,door=closed,power=on,start=pressed,start=released,wait=10,door=ajar,door=open',
      subject: 'fuse',
      outcome: 'opens',
    },
    hoursAgo: 1,
    truth: ['primary.NO:stuck-closed'],
    work: [],
    done: false,
  },
  {
    appliance: {
      make: 'Marrowby',
      model: 'W-44 Topline',
      place: 'Harbour Laundry Co-op, machine 3',
      customer: 'Bo Tarkington',
    },
    diagramId: 'lid-lock-washer',
    complaint: 'Lid code as soon as START is pressed, however hard the lid is pushed down',
    told: {
      steps: 'start=pressed,start=released,wait=30',
      subject: 'board',
      outcome: 'says lid code',
    },
    hoursAgo: 3,
    truth: ['lid-switch.1-2:stuck-open'],
    work: [{ part: 'lid-switch', depth: 'quick', readings: 2 }],
    done: false,
  },
  {
    appliance: {
      make: 'Quillon',
      model: 'R-9',
      place: '2 Lantern Steps, first floor',
      customer: 'Maud Perrin',
    },
    diagramId: 'coil-burner',
    complaint: 'Left front burner barely warm at HIGH, lamp is on',
    told: { steps: 'knob=high,wait=60', subject: 'coil', outcome: 'weak' },
    hoursAgo: 4,
    truth: ['infinite.L2-H2:resistive=12'],
    work: [{ part: 'infinite', depth: 'full', readings: 7 }],
    done: false,
  },
  {
    appliance: {
      make: 'Tessick',
      model: 'O-22 Twin',
      place: 'Gull House guest kitchen, behind the pantry',
      customer: 'Gull House Trust',
    },
    diagramId: 'wall-oven',
    complaint: 'BROIL does nothing now and then; BAKE is fine',
    told: {
      steps: 'selector=bake,wait=30,selector=fan,wait=30,selector=broil,wait=30',
      subject: 'broil',
      outcome: 'off',
    },
    hoursAgo: 27,
    truth: ['selector.A-2:intermittent'],
    work: [{ part: 'selector', depth: 'quick', readings: 10 }],
    done: false,
  },
  {
    appliance: {
      make: 'Brundahl',
      model: 'BX-310',
      place: 'Slip 18, houseboat Petrel',
      customer: 'Yusuf Amberley',
    },
    diagramId: 'over-range-oven',
    complaint: 'Dead at the plug; the fuse was blown again an hour after it was changed',
    told: { steps: 'power=off,door=closed,power=on', subject: 'fuse', outcome: 'opens' },
    hoursAgo: 75,
    truth: ['monitor:stuck-closed'],
    work: [
      { part: 'primary', depth: 'quick', readings: 80 },
      { part: 'monitor', depth: 'quick', readings: 80 },
    ],
    found: {
      part: 'monitor',
      name: 'Monitor switch',
      mode: 'stuck-closed',
      says: 'stuck closed (NC)',
      chance: 0.99,
      by: 'switch',
    },
    decision: {
      part: 'monitor',
      option: 'companions',
      along: ['primary', 'fuse'],
      partPrice: 71,
      minutes: 39,
      choice: 'All three, so that I do not have to take another day off',
      declined: ['New part alone'],
    },
    done: true,
  },
  {
    appliance: {
      make: 'Marrowby',
      model: 'W-40',
      place: '7 Cooper Row, cellar',
      customer: 'Ada Venn',
    },
    diagramId: 'top-load-washer',
    complaint: 'Does not spin with the lid closed',
    hoursAgo: 170,
    truth: [],
    work: [{ part: 'lid-switch', depth: 'full', readings: 80 }],
    done: true,
  },
  {
    appliance: {
      make: 'Halvorsen & Pike',
      model: 'D-70',
      place: 'Net Loft flats, drying room',
      customer: 'Perpetua Dunmore',
    },
    diagramId: 'electric-dryer',
    complaint: 'Turns but stays cold since the weekend',
    told: {
      steps: 'timer=heat,start=pressed,start=released,wait=1200',
      subject: 'element',
      outcome: 'off',
    },
    hoursAgo: 6,
    truth: ['cut-off:blown'],
    work: [],
    done: false,
  },
  {
    appliance: {
      make: 'Ostrel',
      model: 'F-80 Upflow',
      place: 'Chandlery, back office',
      customer: 'Solveig Marsh',
    },
    diagramId: 'gas-furnace',
    complaint: 'Draft fan starts, then nothing; three blinks after a minute',
    told: {
      steps: 'thermostat=heat,wait=300',
      subject: 'board',
      outcome: 'says three blinks: the draft switch does not close',
    },
    hoursAgo: 8,
    truth: ['draft-switch:stuck-open'],
    work: [],
    done: false,
  },
  {
    appliance: {
      make: 'Kettlewick',
      model: 'T-16',
      place: 'Pitch 9, Saltmarsh caravan ground',
      customer: 'Ambrose Fell',
    },
    diagramId: 'trailer-furnace',
    complaint: 'Ticks twice, then four blinks and no heat; the stove burns',
    told: {
      steps: 'thermostat=heat,wait=120',
      subject: 'board',
      outcome: 'says four blinks: locked out, no flame',
    },
    hoursAgo: 30,
    truth: ['electrode:stuck-open'],
    work: [],
    done: false,
  },
  {
    appliance: {
      make: 'Halvorsen & Pike',
      model: 'G-64',
      place: 'Quayside laundry, third from the door',
      customer: 'Thaddeus Orr',
    },
    diagramId: 'gas-dryer',
    complaint: 'Turns, but no heat; nothing glows at the burner',
    told: {
      steps: 'timer=heat,start=pressed,start=released,wait=120',
      subject: 'igniter',
      outcome: 'off',
    },
    hoursAgo: 3,
    truth: ['igniter:open'],
    work: [],
    done: false,
  },
  {
    appliance: {
      make: 'Kettlewick',
      model: 'H-6',
      place: 'Pitch 22, Saltmarsh caravan ground',
      customer: 'Winnifred Castle',
    },
    diagramId: 'trailer-water-heater',
    complaint: 'No hot water since the tank boiled over on Sunday',
    told: { steps: 'wall=on,wait=60', subject: 'valve', outcome: 'off' },
    hoursAgo: 26,
    truth: ['cut-out:tripped'],
    work: [],
    done: false,
  },
  {
    appliance: {
      make: 'Marrowby',
      model: 'N-12',
      place: 'Lock House, kitchen',
      customer: 'Barnaby Quill',
    },
    diagramId: 'dishwasher',
    complaint: 'Does not fill; everything else goes on as if it had',
    told: { steps: 'timer=fill,wait=30', subject: 'valve', outcome: 'off' },
    hoursAgo: 4,
    truth: ['float-switch:stuck-open'],
    work: [],
    done: false,
  },
  {
    appliance: {
      make: 'Vesterhaug',
      model: 'A-36',
      place: 'Sail loft, flat roof',
      customer: 'Delphine Harrow',
    },
    diagramId: 'cooling-unit',
    complaint:
      'Fan and compressor dead outside, the blower indoors runs; ice on the copper last night',
    told: { steps: 'stat=cool,wait=60', subject: 'compressor', outcome: 'off' },
    hoursAgo: 7,
    truth: ['suction.low-pressure:out-of-place=below'],
    work: [],
    done: false,
  },
  {
    appliance: {
      make: 'Lumley Hearth',
      model: 'M-12',
      place: 'Lightkeeper’s cottage, parlour',
      customer: 'Osric Pell',
    },
    diagramId: 'millivolt-fireplace',
    complaint: 'Pilot burns well; the fire comes weakly since the thermostat was added',
    told: { steps: 'wall=on,wait=30', subject: 'valve', outcome: 'weak' },
    hoursAgo: 9,
    truth: ['thermopile:worn=2'],
    work: [],
    done: false,
  },
  {
    appliance: {
      make: 'Quillon',
      model: 'R-12 Glass',
      place: '3 Lantern Steps',
      customer: 'Ida Fenwick',
    },
    diagramId: 'radiant-burner',
    complaint: 'A red lamp stays on for half an hour after cooking',
    hoursAgo: 50,
    truth: [],
    work: [{ part: 'hot-contact', depth: 'quick', readings: 80 }],
    done: true,
  },
  {
    appliance: {
      make: 'Corven',
      model: 'E-50',
      place: 'Bath house, boiler room',
      customer: 'Saltmarsh caravan ground',
    },
    diagramId: 'electric-water-heater',
    complaint: 'Hot for five minutes, then cold; no better since somebody changed a part of it',
    told: { steps: 'power=on,wait=3000', subject: 'lower', outcome: 'off' },
    hoursAgo: 5,
    truth: ['lower:open', 'lower-stat:stuck-open'],
    work: [],
    done: false,
  },
];
