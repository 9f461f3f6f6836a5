import { LIBRARY, builtIn } from '../../library/library';
import { parseSteps, upToStep } from './step';

const dryer = builtIn('electric-dryer');
if (!dryer) throw new Error('no dryer');

describe('steps as they are written', () => {
  it('hold a button for a moment, and watch what has a wait for as long', () => {
    const parsed = parseSteps(dryer, 'timer=heat, start=pressed, start=released, wait=60, air=140');
    if (!parsed.ok) throw new Error(parsed.error.message);
    expect(parsed.value.map(({ does, lasts }) => [does.kind, lasts])).toEqual([
      ['move', undefined],
      ['move', 2],
      ['move', 60],
      ['set', undefined],
    ]);
  });

  it.each([
    ['door=sideways', /door=sideways.*closed, open/],
    ['window=open', /no actuator "window".*door, timer/],
    ['power=maybe', /power=maybe.*on, off/],
    ['air=warm', /air=warm.*a number of °F/],
    ['reset=high-limit', /no part "high-limit"/],
    ['wait=10', /is not a step/],
    ['door', /is not a step; write actuator=position/],
  ])('refuse %s and say what would be right', (text, message) => {
    const parsed = parseSteps(dryer, text);
    expect(parsed.ok ? '' : parsed.error.message).toMatch(message);
  });

  it('can be cut after each of them, waits included', () => {
    for (const diagram of LIBRARY) {
      for (const use of diagram.uses ?? []) {
        const whole = parseSteps(diagram, use.steps);
        if (!whole.ok) throw new Error(`${diagram.id}: ${whole.error.message}`);
        whole.value.forEach((_, i) => {
          const part = parseSteps(diagram, upToStep(use.steps, i));
          expect(part).toEqual({ ok: true, value: whole.value.slice(0, i + 1) });
        });
        expect(upToStep(use.steps, whole.value.length)).toBe(use.steps);
      }
    }
  });
});
