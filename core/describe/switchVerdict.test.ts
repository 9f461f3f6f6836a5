import { builtIn } from '../../library/library';
import { parseFault } from '../fault/parseFault';
import { switches } from '../diagram/terminal';
import { sayVerdict } from './switchVerdict';

/** What is said of a switch that two readings have condemned. */
function saidOf(
  id: string,
  switchId: string,
  written: string,
): { follows: string; lines: string[] } {
  const diagram = builtIn(id);
  const part = diagram && switches(diagram).find((each) => each.id === switchId);
  if (!diagram || !part) throw new Error(`${id} ${switchId}`);
  const faults = parseFault(diagram, written);
  if (!faults.ok) throw new Error(faults.error.message);
  const verdict = {
    kind: 'fault' as const,
    faults: faults.value,
    probability: 0.99,
    because: ['a', 'b'],
    against: [],
  };
  const state = { verdict, proof: [], explanations: [], slips: [], contradictions: [] };
  return sayVerdict({
    diagram,
    part,
    state: state as unknown as Parameters<typeof sayVerdict>[0]['state'],
    depth: 'quick',
    counting: 2,
  });
}

// Common practice.
it('wants the maker’s own part for what protects people, and says how it is put in and proved', () => {
  const { follows, lines } = saidOf('over-range-oven', 'monitor', 'monitor.NC:stuck-closed');
  expect(follows).toMatch(/maker’s own part/);
  expect(lines).toEqual([
    '99 in 100, from 2 readings for it',
    'Change or look at with it: Primary door switch, Line fuse.',
    expect.stringMatching(/^Putting it in: The maker’s own kind/),
    expect.stringMatching(/^Proved by: Read cold closed, ajar and open/),
  ]);
});

it('buys nothing for a switch that only is not reached, and a knob’s by its shaft', () => {
  const reached = saidOf('top-load-washer', 'lid-switch', 'lid-switch:not-actuated');
  expect(reached.follows).toMatch(/^The switch itself works. Look at Lid strike/);
  expect(reached.lines).toHaveLength(1);
  const timer = saidOf('top-load-washer', 'timer', 'timer.L-SP:stuck-open');
  expect(timer.follows).toMatch(/same kind and rating/);
  expect(timer.lines[1]).toMatch(/^Putting it in: Flat of the shaft/);
});
