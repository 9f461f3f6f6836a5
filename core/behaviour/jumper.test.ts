import { builtIn } from '../../library/library';
import type { TerminalRef } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { checkJumper } from './jumper';

const check = (id: string, from: TerminalRef, to: TerminalRef, at: Record<string, string> = {}) => {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(`no built-in diagram ${id}`);
  const setup = drawnSetup(diagram);
  const result = checkJumper(
    diagram,
    { ...setup, actuators: { ...setup.actuators, ...at } },
    from,
    to,
  );
  return { ...result, kinds: result.findings.map((each) => each.kind) };
};

// Common practice throughout.
describe('a jumper is checked before it is placed', () => {
  it('is refused where it shorts a supply, in any position of the controls', () => {
    expect(check('electric-dryer', 'block.K1', 'block.KN')).toMatchObject({
      verdict: 'refused',
      kinds: expect.arrayContaining(['short']),
    });
    // Harmless with the knob at OFF, a dead short from leg to leg at HIGH.
    const over = check('coil-burner', 'infinite.H1', 'infinite.H2');
    expect(over.verdict).toBe('refused');
    expect(over.findings[0]?.parts).toContain('infinite');
  });

  it('is warned of where it defeats a safety, with the safety named', () => {
    for (const [id, part, a, b] of [
      ['top-load-washer', 'lid-switch', 'A1', 'A2'],
      ['trailer-furnace', 'sail', 'COM', 'NO'],
      ['electric-dryer', 'cut-off', '1', '2'],
      ['gas-furnace', 'rollout', 'a', 'b'],
    ] as const) {
      const result = check(id, `${part}.${a}`, `${part}.${b}`);
      expect(result).toMatchObject({ verdict: 'warned', kinds: ['safety'] });
      expect(result.findings[0]?.parts).toEqual([part]);
    }
    // Around the whole chain: every safety that it passes is named.
    const chain = check('gas-furnace', 'board.R', 'board.LIM');
    expect(chain.findings.flatMap((each) => each.parts)).toEqual(
      expect.arrayContaining(['limit', 'rollout', 'blower-limit']),
    );
  });

  it('across a start switch is allowed with the timer off, and starts by itself with it on', () => {
    expect(check('electric-dryer', 'start.1', 'start.2').verdict).toBe('allowed');
    expect(check('electric-dryer', 'start.1', 'start.2', { timer: 'heat' })).toMatchObject({
      verdict: 'warned',
      kinds: ['starts'],
    });
  });
});
