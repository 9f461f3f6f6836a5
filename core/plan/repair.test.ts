import { builtIn } from '../../library/library';
import type { Evidence, ActEvidence } from '../call/evidence';
import { hypothesesRenewed } from '../inference/chapters';
import { unitHypotheses } from '../inference/unitHypotheses';
import { repairStanding } from './repair';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

const [washer, oven] = ['top-load-washer', 'over-range-oven'].map((id) => builtIn(id));
if (!washer || !oven) throw new Error('no washer, no oven');
const did = (part: string, act: ActEvidence['act']): Evidence => ({
  kind: 'act',
  id: `${act} ${part}`,
  part,
  act,
});

it('counts a cell once, however often its switch was worked on, and none of one that was only reset', () => {
  const predictor = preparedUnit(washer).predictor;
  const cells = (...entries: Evidence[]): number => {
    const standing = repairStanding(predictor, entries);
    return standing?.kind === 'half-proved' ? standing.cells.length : 0;
  };
  // Two poles that are to be seen closed and open.
  expect(cells(did('lid-switch', 'replace'))).toBe(4);
  expect(cells(did('lid-switch', 'clean'), did('lid-switch', 'replace'))).toBe(4);
  expect(cells(did('lid-switch', 'reset'))).toBe(0);
  expect(repairStanding(predictor, [did('lid-switch', 'tap')])).toBeUndefined();
});

it('takes a protector to be whole again once it was put in anew, and not once it was cleaned', () => {
  const hypotheses = unitHypotheses(oven);
  expect(hypothesesRenewed(hypotheses, [did('fuse', 'replace')]).length).toBeGreaterThan(0);
  expect(hypothesesRenewed(hypotheses, [did('fuse', 'clean')])).toEqual([]);
});
