import { builtIn } from '../../library/library';
import { circuitOf } from '../behaviour/machine';
import { standAfter } from '../behaviour/run';
import { parseSteps } from '../behaviour/step';
import { UseRuns } from '../behaviour/useRuns';
import { voltsBetween } from '../circuit/voltReading';
import type { TerminalRef } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { parseFault } from '../fault/parseFault';
import { ORDINARY_METER } from '../meter/meter';
import { asHypothesis, shownUnder } from './shownUnder';
import { UnitPredictor } from './unitPredictor';

const furnace = builtIn('gas-furnace');
if (!furnace) throw new Error('no furnace');
const runs = new UseRuns(furnace);
const predictorOf = (written?: string): UnitPredictor => {
  const parsed = written === undefined ? undefined : parseFault(furnace, written);
  if (parsed && !parsed.ok) throw new Error(parsed.error.message);
  const hypothesis = asHypothesis(furnace, runs, parsed?.value ?? []);
  return new UnitPredictor(furnace, ORDINARY_METER, [hypothesis]);
};
const STEPS = 'thermostat=heat,wait=300';
const volts = (
  written: string | undefined,
  from: TerminalRef,
  to: TerminalRef,
  second?: number,
) => {
  const shown = shownUnder(predictorOf(written), 0, { steps: STEPS, second }, from, to);
  return shown.kind === 'volts' ? shown.volts : shown.kind;
};

describe('what a unit shows under a fault', () => {
  it('is of a unit that has run with it: what is driven stands as it would', () => {
    const parsed = parseSteps(furnace, STEPS);
    const steps = parsed.ok ? parsed.value : [];
    const healthy = standAfter(furnace, steps)?.machine;
    if (!healthy) throw new Error('cannot run');
    const live: [TerminalRef, TerminalRef][] = furnace.parts.flatMap((part) =>
      part.kind === 'load'
        ? part.elements.map(({ between: [a, b] }): [TerminalRef, TerminalRef] => [
            `${part.id}.${a}`,
            `${part.id}.${b}`,
          ])
        : [],
    );
    let otherwise = 0;
    for (const written of [
      'pressure-switch.COM-NO:stuck-open',
      'limit:stuck-open',
      'inducer.winding:open',
    ]) {
      const parsedFault = parseFault(furnace, written);
      if (!parsedFault.ok) continue;
      const own = standAfter(furnace, steps, parsedFault.value)?.machine;
      if (!own) throw new Error(written);
      for (const [from, to] of live) {
        const right = voltsBetween(circuitOf(furnace, own, parsedFault.value), from, to);
        const shown = volts(written, from, to);
        if (right.kind === 'volts' && typeof shown === 'number')
          expect(shown).toBeCloseTo(right.nominal, 0);
        // The fault put into a unit that has run without it shows something else.
        const mixed = voltsBetween(circuitOf(furnace, healthy, parsedFault.value), from, to);
        if (mixed.kind === 'volts' && right.kind === 'volts')
          otherwise += Number(Math.abs(mixed.nominal - right.nominal) > 5);
      }
    }
    expect(otherwise).toBeGreaterThan(0);
  });

  it('depends on the second of the last step', () => {
    const parsed = parseSteps(furnace, STEPS);
    const at = (second: number): number | string =>
      volts(undefined, 'igniter.a', 'igniter.b', second);
    const stands = standAfter(furnace, parsed.ok ? parsed.value : [], [], 40);
    expect(stands).toBeDefined();
    const seen = [1, 10, 20, 30, 40, 60, 120, 300].map(at);
    expect(seen.some((each) => typeof each === 'number' && each > 100)).toBe(true);
    expect(seen.some((each) => typeof each === 'number' && each < 5)).toBe(true);
  });

  it('is ohms in a dead setup, and says why where nobody can say', () => {
    const setup = { ...drawnSetup(furnace), except: [] };
    const ohms = (written?: string) =>
      shownUnder(predictorOf(written), 0, { setup }, 'limit.a', 'limit.b');
    expect(ohms()).toMatchObject({ kind: 'ohms', answer: { kind: 'ohms' } });
    expect(ohms('limit:stuck-open')).not.toEqual(ohms());
    const floating = shownUnder(
      predictorOf('fuse:blown'),
      0,
      { steps: 'thermostat=off' },
      'limit.a',
      'igniter.a',
    );
    if (floating.kind === 'none') expect(floating.reason).toMatch(/joins/);
  });

  it('has what a fault opens for good beside its cause', () => {
    const oven = builtIn('over-range-oven');
    const parsed = oven && parseFault(oven, 'monitor:stuck-closed');
    if (!oven || !parsed?.ok) throw new Error('no oven');
    const { suspect, causes, faults } = asHypothesis(oven, new UseRuns(oven), parsed.value);
    expect([suspect, causes.length]).toEqual(['monitor', 1]);
    expect(faults).toContainEqual({ mode: 'blown', part: 'fuse' });
  });
});
