import { linePaths, type LinePath } from '../behaviour/linePath';
import { UseRuns } from '../behaviour/useRuns';
import { branchesAt, readOnLine } from '../describe/linePath';
import { drawnSetup } from '../diagram/setup';
import { ORDINARY_METER } from '../meter/meter';
import type { Evidence } from '../call/evidence';
import { builtIn } from '../../library/library';
import { lineInHand, pointsOf } from './lineInHand';

const diagram = builtIn('top-load-washer');
if (!diagram) throw new Error('no washer');
const lines = linePaths(diagram, new UseRuns(diagram).of([]));
const spin = {
  subject: 'drive',
  steps: 'timer=wash,wait=30,timer=spin,wait=30',
  outcome: 'off',
} as const;
const owners = (line: LinePath | undefined) => line?.ways.map(({ owner }) => owner);

describe('the line that is looked at', () => {
  it('is the one of the complaint at its moment, with the lid switch on it only where the drum spins', () => {
    const line = lineInHand(lines, { points: [], said: [spin], suspects: [] });
    expect(line?.load).toBe('drive');
    expect(owners(line)).toContain('lid-switch');
    const agitate = { ...spin, steps: 'timer=wash,wait=30' };
    expect(owners(lineInHand(lines, { points: [], said: [agitate], suspects: [] }))).not.toContain(
      'lid-switch',
    );
  });

  it('goes where the probes go, and without them to whom is suspected most', () => {
    const points = ['timer-motor.a', 'timer-motor.b'] as const;
    expect(lineInHand(lines, { points, said: [spin], suspects: [] })?.load).toBe('timer-motor');
    expect(lineInHand(lines, { points: [], said: [], suspects: ['timer-motor'] })?.load).toBe(
      'timer-motor',
    );
  });

  it('has each reading where it was taken, and folds what it does not take', () => {
    const line = lineInHand(lines, { points: [], said: [spin], suspects: [] });
    const ways = line?.ways ?? [];
    const reading = (from: 'lid-switch.A2' | 'lid-switch.A1', to: 'lid-switch.A1' | 'cord.N') =>
      ({
        kind: 'reading',
        id: `${from} ${to}`,
        from,
        to,
        setup: drawnSetup(diagram),
        shows: { kind: 'over' },
        taken: { meter: ORDINARY_METER },
        of: 'unit',
        wiggle: false,
      }) satisfies Evidence;
    const read = readOnLine(diagram, ways, [
      reading('lid-switch.A2', 'lid-switch.A1'),
      reading('lid-switch.A1', 'cord.N'),
    ]);
    expect(read.over[ways.findIndex(({ owner }) => owner === 'lid-switch')]).toEqual(['OL']);
    expect(read.at[pointsOf(ways).indexOf('lid-switch.A1')]).toEqual(['OL to N of Power cord']);
    const leads = branchesAt(diagram, ways, 'cord.N').map(({ to }) => to);
    expect(leads).not.toContain('drive.N');
    expect(leads).toContain('timer-motor.b');
  });
});
