import { builtIn } from '../../library/library';
import { chanceFrom } from '../chance';
import { expectedOrder, orderedActuators } from '../plan/eventOrder';
import { record } from '../simulate/recorder';
import { orderFrom, wentOver } from './recording';

const SEED = Number(process.env.SEED ?? 3);
const oven = builtIn('over-range-oven');
const [door] = oven ? orderedActuators(oven) : [];
if (!oven || !door) throw new Error('no oven door');
const events = expectedOrder(oven, door, 'opening');
const names = events.map(({ part, contact }) => `${part} ${contact}`);

describe('a recording of contacts that go over', () => {
  it(`finds the order through the bounce, whatever it is (seed ${SEED})`, () => {
    const chance = chanceFrom(SEED);
    for (let i = 0; i < 40; i++) {
      const place = events.map((_, j) => j).sort(() => chance() - 0.5);
      const moved = place.flatMap((j) => events[j] ?? []);
      const called = place.flatMap((j) => names[j] ?? []);
      const found = wentOver(record(moved, called, SEED + i));
      expect(found.ok && found.value.map(({ name }) => name)).toEqual(called);
    }
  });

  it('does not guess where a contact stays, or two go over within one look', () => {
    const seconds = [0, 1, 2, 3];
    const [open, closed] = [Infinity, 0.3];
    const a = { name: 'A', ohms: [closed, open, open, open] };
    const still = { name: 'B', ohms: [closed, open, closed, closed] };
    expect(wentOver({ seconds, channels: [a, still] })).toMatchObject({ ok: false });
    const next = { name: 'B', ohms: [closed, closed, open, open] };
    expect(wentOver({ seconds, channels: [a, next] })).toMatchObject({ ok: false });
    const later = { name: 'B', ohms: [open, open, open, closed] };
    expect(wentOver({ seconds, channels: [later, a] })).toMatchObject({
      ok: true,
      value: [
        { name: 'A', at: 1 },
        { name: 'B', at: 3 },
      ],
    });
  });

  it('puts two of three at a time together, says what is open, and does not hide a contradiction', () => {
    const all = ['a', 'b', 'c'];
    expect(orderFrom(all, [['a', 'b']])).toEqual({ ok: true, value: undefined });
    expect(
      orderFrom(all, [
        ['a', 'c'],
        ['a', 'b'],
      ]),
    ).toEqual({ ok: true, value: undefined });
    expect(
      orderFrom(all, [
        ['b', 'c'],
        ['a', 'b'],
      ]),
    ).toEqual({ ok: true, value: all });
    expect(
      orderFrom(all, [
        ['a', 'b'],
        ['b', 'c'],
        ['c', 'a'],
      ]).ok,
    ).toBe(false);
  });
});
