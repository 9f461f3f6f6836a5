import { LIBRARY } from '../../library/library';
import { testEveryReading } from './testEveryReading';
import type { Resistor } from './resistorGraph';
import { TableMaker } from './tableMaker';

const SMALL = ['coil-burner', 'millivolt-fireplace', 'relay-monitor-oven'];

testEveryReading(LIBRARY.filter((each) => SMALL.includes(each.id)));

it('keeps its digits when a contact opens beside a path of megohms', () => {
  // 10 milliohm beside 20 megohm, at the far end of another 20 megohm.
  const resistors: Resistor[] = [
    { a: 0, b: 1, ohms: 20e6 },
    { a: 1, b: 2, ohms: 0.01 },
    { a: 1, b: 2, ohms: 20e6 },
  ];
  const maker = new TableMaker(3, resistors);
  const row = new Float64Array(3);
  maker.write([{ a: 1, b: 2, ohms: 0.01, at: 1, to: Infinity }], row, 0);
  expect((row[maker.pair(1, 2)] ?? 0) / 20e6).toBeCloseTo(1, 9);
  expect((row[maker.pair(0, 2)] ?? 0) / 40e6).toBeCloseTo(1, 9);
});
