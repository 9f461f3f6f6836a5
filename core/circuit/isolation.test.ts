import { builtIn } from '../../library/library';
import type { TerminalRef } from '../diagram/diagram';
import { drawnSetup, type Setup } from '../diagram/setup';
import { alone } from './isolation';

const ask = (id: string, from: TerminalRef, to: TerminalRef, more: Partial<Setup> = {}) => {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(`no built-in diagram ${id}`);
  const setup = drawnSetup(diagram);
  const actuators = { ...setup.actuators, ...more.actuators };
  return alone(diagram, { ...setup, ...more, actuators }, from, to);
};

describe('what answers beside a part', () => {
  it('needs one wire off a two-terminal contact, and none where nothing else joins its ends', () => {
    // Common practice: with wires on, a healthy open monitor beeps through the big winding while a
    // stuck relay or a cooking board joins it.
    const monitor = ask('over-range-oven', 'monitor.COM', 'monitor.NC', {
      actuators: { door: 'closed', cook: 'cooking' },
    });
    expect(monitor?.wiresOn).toMatchObject({ kind: 'ohms' });
    expect(monitor?.wiresOff).toEqual({ kind: 'open' });
    expect(monitor?.lift).toHaveLength(1);
    expect(monitor?.through).toEqual(expect.arrayContaining(['relay', 'magnetron']));
    const idle = ask('over-range-oven', 'monitor.COM', 'monitor.NC', {
      actuators: { door: 'closed' },
    });
    expect(idle?.lift).toEqual(['monitor.COM']);
    const strayless = ask('electric-dryer', 'start.1', 'start.2', { lifted: ['motor.4'] });
    expect(strayless?.wiresOff).toEqual({ kind: 'open' });
    // The pilot still feeds the loop: the way round runs through the thermopile itself.
    const loop = ask('millivolt-fireplace', 'limit.a', 'limit.b', { actuators: { wall: 'on' } });
    expect(loop?.wiresOn.kind).toBe('not-computable');
    expect(loop?.through).toEqual(expect.arrayContaining(['thermopile', 'valve', 'wall-switch']));
    expect(loop?.wiresOff).toMatchObject({ kind: 'ohms' });
  });

  it('tells no such thing of two parts: the rest of the unit is what is asked about', () => {
    expect(ask('electric-dryer', 'block.K1', 'motor.4')).toBeUndefined();
  });
});
