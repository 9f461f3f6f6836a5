import { act, renderHook } from '@testing-library/react-native';
import { standAfter } from '../../../core/behaviour/run';
import { parseSteps } from '../../../core/behaviour/step';
import { chanceFrom } from '../../../core/chance';
import type { Diagram } from '../../../core/diagram/diagram';
import { showingOf } from '../../../core/drawing/showing';
import { everyFault } from '../../../core/fault/faultList';
import { parseFault } from '../../../core/fault/parseFault';
import { builtIn, LIBRARY } from '../../../library/library';
import { useTeachingBench } from './useTeachingBench';

const SEED = Number(process.env.YARRIX_SEED ?? 20261126);
const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');
const on = (diagram: Diagram) => renderHook(() => useTeachingBench(diagram)).result;
const fault = (text: string) => {
  const parsed = parseFault(washer, text);
  if (!parsed.ok || !parsed.value[0]) throw new Error(text);
  return parsed.value[0];
};

describe('a unit on the teaching bench', () => {
  it('is unplugged at first; what is read of it is ohms, and volts after steps once it is plugged in', () => {
    const bench = on(washer);
    expect(bench.current.powered).toBe(false);
    expect(bench.current.at).toMatchObject({ setup: { power: 'off', except: [] } });
    act(() => bench.current.move('power=on'));
    act(() => bench.current.move('timer=wash'));
    expect(bench.current.at).toEqual({ steps: 'power=off,power=on,timer=wash' });
  });

  it('does with a fault what it does not do without, and the same again when it is taken out', () => {
    const bench = on(washer);
    act(() => bench.current.move('lid=closed'));
    act(() => bench.current.move('power=on'));
    act(() => bench.current.move('timer=spin'));
    const well = [...bench.current.showing.running.keys()];
    expect(well).toContain('drive');
    act(() => bench.current.putIn(fault('lid-switch.A:stuck-open')));
    expect([...bench.current.showing.running.keys()]).not.toContain('drive');
    expect(bench.current.stands).toMatchObject({ lid: 'closed', timer: 'spin' });
    act(() => bench.current.putIn(undefined));
    expect([...bench.current.showing.running.keys()]).toEqual(well);
  });

  it('keeps its controls where they are when it is unplugged, and goes back to as drawn', () => {
    const bench = on(washer);
    act(() => bench.current.move('power=on'));
    act(() => bench.current.move('timer=spin'));
    act(() => bench.current.move('power=off'));
    expect(bench.current).toMatchObject({ powered: false, stands: { timer: 'spin' } });
    expect(bench.current.showing.flows.size).toBe(0);
    act(() => bench.current.asDrawn());
    expect(bench.current.stands).toMatchObject(washer.drawnFor);
  });

  it('can be looked at in every moment of the last move', () => {
    const furnace = builtIn('gas-furnace');
    if (!furnace) throw new Error('no furnace');
    const bench = on(furnace);
    act(() => bench.current.move('power=on'));
    act(() => bench.current.move('thermostat=heat'));
    const { moments } = bench.current;
    expect(moments.length).toBeGreaterThan(3);
    const seen = moments.map((_, i) => {
      act(() => bench.current.setMoment(i));
      return [...bench.current.showing.running.keys()];
    });
    // The igniter glows for a while, before the valve opens.
    const glows = seen.findIndex((each) => each.includes('igniter'));
    const burns = seen.findIndex((each) => each.includes('valve'));
    expect(glows).toBeGreaterThanOrEqual(0);
    expect(burns).toBeGreaterThan(glows);
    expect(seen.at(-1)).not.toContain('igniter');
  });

  it(`stands after every move as if all had been done at once (seed ${SEED})`, () => {
    const chance = chanceFrom(SEED);
    const pick = <T>(list: readonly T[]): T => {
      const one = list[Math.floor(chance() * list.length)];
      if (one === undefined) throw new Error('empty');
      return one;
    };
    for (let round = 0; round < 12; round++) {
      const diagram = pick(LIBRARY);
      const put = chance() < 0.5 ? [pick(everyFault(diagram))] : [];
      const bench = on(diagram);
      act(() => bench.current.putIn(put[0]));
      const steps = ['power=off', 'power=on'];
      act(() => bench.current.move('power=on'));
      const moves = diagram.actuators.flatMap((each) =>
        each.kind === 'hand' || each.kind === 'momentary'
          ? each.positions.map(({ id }) => `${each.id}=${id}`)
          : [],
      );
      for (let k = 0; k < 4 && moves.length; k++) {
        const move = pick(moves);
        steps.push(move);
        act(() => bench.current.move(move));
        const parsed = parseSteps(diagram, steps.join(','));
        const stand = standAfter(diagram, parsed.ok ? parsed.value : [], put);
        if (!stand) throw new Error(steps.join());
        const whole = showingOf(diagram, stand, put);
        const { showing } = bench.current;
        expect([...showing.contacts]).toEqual([...whole.contacts]);
        expect([...showing.flows]).toEqual([...whole.flows]);
        expect([...showing.running]).toEqual([...whole.running]);
      }
    }
  });
});
