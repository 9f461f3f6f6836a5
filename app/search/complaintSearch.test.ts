import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { builtIn } from '../../library/library';
import { tellable } from '../../core/inference/tellable';
import { ComplaintSearch } from './complaintSearch';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

const searches = new Map<string, ComplaintSearch>();
function searchOf(id: string): ComplaintSearch {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(id);
  const known =
    searches.get(id) ?? new ComplaintSearch(diagram, tellable(preparedUnit(diagram).predictor));
  searches.set(id, known);
  return known;
}

let unit = '';
const TYPED = readFileSync(join(__dirname, 'complaintSearch.txt'), 'utf8')
  .split('\n')
  .flatMap((line): [string, string, string][] => {
    if (!line || line.startsWith('#')) return [];
    if (!line.startsWith(' ')) unit = line;
    const [, typed = '', meant = ''] = /^ {2}(.*?): (.*)$/.exec(line) ?? [];
    return typed ? [[unit, typed, meant]] : [];
  });

it.each(TYPED)('%s: "%s" is offered as %s', (id, typed, meant) => {
  const offered = searchOf(id).find(typed);
  expect(offered.slice(0, 3).map((each) => `${each.subject} ${each.outcome}`)).toContain(meant);
});

it('offers nothing for what says nothing of the unit', () => {
  for (const typed of ['', 'please call before you come', 'zzz'])
    expect(searchOf('electric-dryer').find(typed)).toEqual([]);
});
