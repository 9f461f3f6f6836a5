import type { NewCallDto } from '../contract/call';
import type { Depth } from '../core/plan/proof';

/** A made-up shop in a made-up harbour town; every name, make and model is invented. */
export const SHOP_NAME = 'Tern & Tally Appliance Service, Port Wellan';

export interface DemoCall {
  appliance: Omit<NewCallDto['appliance'], 'id'>;
  diagramId: string;
  complaint: string;
  hoursAgo: number;
  /** What is really wrong, written as for `--fault`; empty for nothing. */
  truth: string[];
  /** Switches read so far, in order, each for so many readings at most. */
  work: { part: string; depth: Depth; readings: number }[];
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
    diagramId: 'top-load-washer',
    complaint: 'Fills, washes, then stands full of water; the timer does not move',
    hoursAgo: 3,
    truth: ['lid-switch.B:stuck-open'],
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
    hoursAgo: 75,
    truth: ['monitor:stuck-closed'],
    work: [
      { part: 'primary', depth: 'quick', readings: 80 },
      { part: 'monitor', depth: 'quick', readings: 80 },
    ],
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
    complaint: 'Draft blower starts, then nothing; two blinks after a while',
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
    complaint: 'Blower runs half a minute and quits, no flame',
    hoursAgo: 30,
    truth: ['sail:stuck-open'],
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
    hoursAgo: 4,
    truth: ['float-switch:stuck-open'],
    work: [],
    done: false,
  },
];
