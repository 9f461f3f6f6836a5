import type { SwitchPart } from '../diagram/diagram';
import { findSwitch } from '../diagram/terminal';
import { makePlace } from '../../library/shelf/makePlace';
import { blankDiagram } from './derive';
import { writeLine } from './edit';
import {
  nextCell,
  twinFindings,
  withTwinTable,
  type TwinReading,
  type TwinShows,
} from './twinTable';

const dryer = ['L1 > timer A-B > motor 1-2 > N', 'timer A-C > heater 1-2 > N'].reduce(
  (draft, line) => {
    const written = writeLine(draft, line, undefined, makePlace);
    if (!written.ok) throw new Error(written.error.message);
    return written.value;
  },
  blankDiagram('own'),
);

describe('a table from a good twin', () => {
  const timer = (() => {
    const found = findSwitch(dryer, 'timer');
    if (!found.ok) throw new Error('no timer');
    return found.value;
  })();
  const read = (shows: (position: string, contact: string) => TwinShows): TwinReading[] => {
    const readings: TwinReading[] = [];
    for (let next = nextCell(dryer, timer, readings); next; next = nextCell(dryer, timer, readings))
      readings.push({ ...next, shows: shows(next.position, next.contact) });
    return readings;
  };

  it('is what was read, whole positions one after the other, and counts as proved', () => {
    const readings = read((position) => (position === 'on' ? 'closed' : 'open'));
    expect(readings.map(({ position }) => position)).toEqual(['off', 'off', 'on', 'on']);
    expect(twinFindings(dryer, timer, readings)).toEqual([]);
    const made = findSwitch(withTwinTable(dryer, 'timer', readings), 'timer');
    expect(made.ok && made.value.table).toEqual({
      known: 'proved',
      rows: [
        { position: 'off', closed: [] },
        { position: 'on', closed: ['A-B', 'A-C'] },
      ],
    });
  });

  it('is not made of a twin that is not good', () => {
    const kinds = (readings: TwinReading[], part = timer) =>
      twinFindings(dryer, part, readings).map(({ kind }) => kind);
    expect(kinds(read(() => 'neither'))).toContain('neither');
    expect(kinds(read((_, contact) => (contact === 'A-B' ? 'closed' : 'open')))).toEqual([
      'never-changes',
      'never-changes',
    ]);
    // Three contacts in a ring: two closed join the ends of the third.
    const ring: SwitchPart = {
      ...timer,
      contacts: [...timer.contacts, { id: 'B-C', between: ['B', 'C'], circuit: 'control' }],
    };
    const readings = ['A-B', 'A-C', 'B-C'].map((contact): TwinReading => ({
      position: 'on',
      contact,
      shows: contact === 'B-C' ? 'open' : 'closed',
    }));
    expect(kinds(readings, ring)).toEqual(['contradiction']);
  });
});
