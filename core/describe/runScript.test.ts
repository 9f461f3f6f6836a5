import { builtIn, LIBRARY } from '../../library/library';
import { runScript } from './runScript';

describe('the run that proves a repair', () => {
  it('goes through the use that went wrong, each step with what a good unit changes there', () => {
    const washer = builtIn('top-load-washer');
    const spin = washer?.uses?.find(({ steps }) => steps.includes('spin'));
    if (!washer || !spin) throw new Error('no spin');
    const steps = runScript(washer, [
      {
        kind: 'statement',
        id: 'a',
        source: 'told',
        steps: spin.steps,
        subject: 'drive',
        outcome: 'off',
      },
    ]);
    expect(steps.map(({ does }) => does)).toEqual([
      'Plugged in',
      'Timer in WASH',
      'Timer in SPIN',
      'Lid open',
    ]);
    // What starts is said where it starts, and not again while it goes on; opening the lid stops it.
    const [, wash, , open] = steps.map(({ happens }) => happens.join(', '));
    expect(wash).toMatch(/Tub and agitator move/);
    expect(open).toMatch(/Tub and agitator stop/);
  });

  it('takes the use that went wrong, not one that is told to go right', () => {
    const range = builtIn('coil-range');
    if (!range) throw new Error('no range');
    const told = (knob: string, coil: string, outcome: 'runs' | 'off') =>
      ({
        kind: 'statement',
        id: coil,
        source: 'told',
        steps: `${knob}=high,wait=60`,
        subject: coil,
        outcome,
      }) as const;
    const firstOf = (...said: ReturnType<typeof told>[]) => runScript(range, said)[1]?.does;
    const left = firstOf();
    expect(firstOf(told('lf-knob', 'lf-coil', 'runs'))).toBe(left);
    expect(firstOf(told('lf-knob', 'lf-coil', 'off'))).toBe(left);
    const both = firstOf(told('lf-knob', 'lf-coil', 'runs'), told('rr-knob', 'rr-coil', 'off'));
    expect(both).toMatch(/right rear.*high/i);
  });

  it('has something that happens for every built-in unit with a use', () => {
    for (const diagram of LIBRARY.filter(({ uses }) => uses?.length)) {
      const steps = runScript(diagram, []);
      expect([diagram.id, steps.some(({ happens }) => happens.length > 0)]).toEqual([
        diagram.id,
        true,
      ]);
    }
  });
});
