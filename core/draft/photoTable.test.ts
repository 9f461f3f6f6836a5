import { builtIn } from '../../library/library';
import { switches } from '../diagram/terminal';
import {
  inDoubt,
  likelyLegend,
  rowsOfPhoto,
  runsDown,
  transposed,
  withKnownNames,
  type CellMark,
  type PhotoCell,
} from './photoTable';

const SIGNS: Readonly<Record<string, CellMark>> = {
  x: 'cross',
  '●': 'filled',
  o: 'ring',
  '–': 'dash',
  '.': 'blank',
};
/** A table as it would be read: words and signs with spaces between, `?` behind what is doubtful. */
const table = (text: string): PhotoCell[][] =>
  text
    .trim()
    .split('\n')
    .map((line) =>
      line
        .trim()
        .split(/\s+/)
        .map((word) => {
          const sign = word.replace('?', '');
          const mark = SIGNS[sign] ?? 'word';
          return { mark, text: mark === 'word' ? sign : '', doubtful: word.endsWith('?') };
        }),
    );

it('takes marks as sheets use them, and asks what a ring means where nothing tells', () => {
  const beside = table('P A-C\nOFF o\nON ●');
  expect(rowsOfPhoto(beside, likelyLegend(beside))).toEqual([
    ['position', 'A-C'],
    ['OFF', 'open'],
    ['ON', 'closed'],
  ]);
  const alone = table('P A-C\nOFF .\nON o');
  expect(rowsOfPhoto(alone, likelyLegend(alone))).toBeUndefined();
  expect(rowsOfPhoto(alone, { ...likelyLegend(alone), ring: 'closed' })?.[2]).toEqual([
    'ON',
    'closed',
  ]);
});

it('turns a table whose contacts run down', () => {
  const down = table('P OFF RUN\nA-C . x\nA-D x .');
  expect(runsDown(down)).toBe(true);
  expect(runsDown(transposed(down))).toBe(false);
  expect(transposed(down)[2]?.map(({ text, mark }) => text || mark)).toEqual([
    'RUN',
    'cross',
    'blank',
  ]);
});

it('lets go of a doubt about a name that the switch has, and of no other', () => {
  const dryer = builtIn('electric-dryer');
  const timer = dryer && switches(dryer).find(({ contacts }) => contacts.length > 1);
  if (!dryer || !timer) throw new Error('no timer');
  const [first, second] = timer.contacts.map(({ between }) => between.join('-'));
  const read = table(`P ${first?.toLowerCase()}? Q-9? \nWIBBLE? x .?`);
  const known = withKnownNames(read, dryer, timer);
  expect(second).toBeDefined();
  expect(known[0]?.[1]).toMatchObject({ text: first, doubtful: false });
  expect(inDoubt(known)).toEqual([
    { row: 0, column: 2 },
    { row: 1, column: 0 },
    { row: 1, column: 2 },
  ]);
  // A name that is no word is asked for, too.
  expect(inDoubt(table('P A-C\n. x'))).toEqual([{ row: 1, column: 0 }]);
});
