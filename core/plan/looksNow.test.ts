import { builtIn } from '../../library/library';
import type { Evidence } from '../call/evidence';
import { beliefState } from '../inference/beliefState';
import { weighSight } from '../inference/sight';
import { looksNow } from './looksNow';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

const dryer = builtIn('gas-dryer');
if (!dryer) throw new Error('no dryer');
const { planner, predictor } = preparedUnit(dryer);
const cold: Evidence = {
  kind: 'statement',
  id: 'c',
  source: 'told',
  steps: 'timer=heat,start=pressed,start=released',
  subject: 'igniter',
  outcome: 'off',
};
const now = (entries: Evidence[]) =>
  looksNow(predictor, planner.minutes, beliefState(predictor, entries), entries);

describe('quick looks', () => {
  it('come first where no panel is in the way, and by what they tell for their minutes', () => {
    const looks = now([cold]);
    expect(looks).toHaveLength(dryer.looks?.length ?? 0);
    const open = looks.map((each) => each.open);
    expect(open).toEqual([...open].sort((a, b) => Number(b) - Number(a)));
    for (const [i, { bits, look, of }] of looks.entries()) {
      expect(bits).toBeGreaterThanOrEqual(-1e-12);
      expect(bits).toBeLessThanOrEqual(1);
      const next = looks[i + 1];
      if (next?.open === looks[i]?.open && next)
        expect(bits / look.minutes).toBeGreaterThanOrEqual(next.bits / next.look.minutes);
      const chances = of.map(({ probability }) => probability);
      expect(chances).toEqual([...chances].sort((a, b) => b - a));
    }
  });

  it('are open once something behind their panel was read, and keep what was found until a repair', () => {
    const behind = now([cold]).find((each) => !each.open)?.look;
    const [, part] =
      /^(.*)$/.exec(dryer.parts.find(({ panel }) => panel === behind?.panel)?.id ?? '') ?? [];
    if (!behind || part === undefined) throw new Error('no look behind a panel');
    const look: Evidence = { kind: 'look', id: 'l', look: behind.id, found: true };
    const after = now([cold, look]).find((each) => each.look.id === behind.id);
    expect(after).toMatchObject({ found: true, open: true });
    const mended: Evidence = { kind: 'act', id: 'a', part, act: 'replace' };
    expect(
      now([cold, look, mended]).find((each) => each.look.id === behind.id)?.found,
    ).toBeUndefined();
  });
});

describe('what is noticed of a part', () => {
  it('speaks for its faults, most for those that show themselves so (common practice)', () => {
    const chance = (entries: Evidence[], id: string): number =>
      beliefState(predictor, entries).suspects.find((each) => each.id === id)?.probability ?? 0;
    const burnt: Evidence = { kind: 'sight', id: 's', part: 'door-switch', sight: 'burnt' };
    expect(chance([cold, burnt], 'door-switch')).toBeGreaterThan(3 * chance([cold], 'door-switch'));
    expect(chance([cold, burnt], 'igniter')).toBeLessThan(chance([cold], 'igniter'));
    const fault = { mode: 'stuck-open', part: 'door-switch', contact: '1-2' } as const;
    const at = (sight: 'burnt' | 'wet', faults = [fault]) =>
      weighSight(dryer, { part: 'door-switch', sight }, faults);
    expect(at('burnt')).toBeGreaterThan(at('wet'));
    expect(at('wet')).toBeGreaterThan(at('wet', []));
    // A wire that came off is seen at the part that it came off.
    const wire = dryer.wires.find(({ to }) => to.startsWith('door-switch.'));
    if (!wire) throw new Error('no wire');
    const off = [{ mode: 'wire-open', wire: wire.id } as const];
    expect(weighSight(dryer, { part: 'door-switch', sight: 'wire-off' }, off)).toBeGreaterThan(
      10 * weighSight(dryer, { part: 'igniter', sight: 'wire-off' }, off),
    );
  });
});
