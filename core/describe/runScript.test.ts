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
