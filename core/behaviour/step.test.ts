import { LIBRARY, builtIn } from '../../library/library';
import { parseSteps, splitWait, upToStep } from './step';

const dryer = builtIn('electric-dryer');
if (!dryer) throw new Error('no dryer');

describe('steps as they are written', () => {
  it.each(LIBRARY.flatMap((each) => (each.uses ?? []).map((use) => [each.id, use.steps] as const)))(
    'come apart into what is done and what is waited for after, and together again: %s %s',
    (id, written) => {
      const diagram = builtIn(id);
      if (!diagram) throw new Error(id);
      for (const more of ['', ',wait=7', ',wait=7,wait=0.5']) {
        const { base, waits } = splitWait(written + more);
        expect(base).not.toMatch(/wait=[\d.]+$/);
        const [one, two] = [
          parseSteps(diagram, written + more),
          parseSteps(diagram, `${base},wait=${waits}`),
        ];
        if (!one.ok || !two.ok) throw new Error(written);
        expect(two.value.map(({ does, lasts }) => [does, lasts])).toEqual(
          one.value.map(({ does, lasts }, i) => [
            does,
            // Without any wait the last step is watched until it settles; a wait of none is none.
            i === one.value.length - 1 && waits === 0 ? (lasts ?? 0) : lasts,
          ]),
        );
      }
    },
  );

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
