import { act, renderHook } from '@testing-library/react-native';
import { ORDINARY_METER } from '../../../core/meter/meter';
import type { Evidence, ReadingEvidence } from '../../../core/call/evidence';
import type { WireMap } from '../../../core/call/wireMap';
import { drawnSetup } from '../../../core/diagram/setup';
import type { Entry } from '../../../contract/entry';
import type { OhmTest, VoltTest } from '../../../core/plan/unitTests';
import { builtIn } from '../../../library/library';
import type { ShownFindings, ShownTest } from '../../workers/diagnosis';
import { useState } from 'react';
import { type ChosenTest, useInHand } from './useInHand';
import type { Work } from './useWork';

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');
const setup = { ...drawnSetup(washer), except: [] };
const points = { from: 'lid-switch.A1', to: 'lid-switch.A2' } as const;
const ohm: OhmTest = { kind: 'ohm', reach: 'own', ...points, setup, wiggle: false };
const volt: VoltTest = { kind: 'volt', ...points, steps: 'timer=wash' };
const shown = (test: ShownTest['test'], live?: VoltTest): ShownTest => ({
  test,
  minutes: 1,
  bits: 1,
  expected: 5,
  meanings: [],
  good: undefined,
  answers: [],
  live: live && { test: live, good: undefined },
});
const reading: ReadingEvidence = {
  kind: 'reading',
  id: 'odd',
  ...points,
  setup,
  shows: { kind: 'over' },
  taken: { meter: ORDINARY_METER },
  of: 'unit',
  wiggle: false,
};

/** As much of the work on a call as is looked at here. */
function workWith(
  tests: ShownTest[],
  rest: {
    safe?: boolean;
    evidence?: Evidence[];
    entries?: Entry[];
    verdict?: ShownFindings['verdict'];
  } = {},
): Work {
  const { safe = true, evidence = [], entries = [] } = rest;
  const { verdict = { kind: 'open', needs: 'test' } } = rest;
  const work: Partial<Work> = {
    call: { diagram: washer, entries } as unknown as Work['call'],
    evidence,
    safe,
    meterProved: true,
    thinking: false,
    findings: { tests, verdict } as ShownFindings,
  };
  return work as Work;
}
const hold = (first: Work) =>
  renderHook(
    (work: Work) => {
      const [chosen, choose] = useState<ChosenTest>();
      return useInHand(work, chosen, choose);
    },
    { initialProps: first },
  );

describe('what the technician is at', () => {
  it('lets no ohms be entered while power may be on', () => {
    const tests = [shown(ohm)];
    const { result, rerender } = hold(workWith(tests, { safe: false }));
    expect(result.current).toMatchObject({ unsafe: true, reading: undefined, points: ohm });
    rerender(workWith(tests, { safe: true }));
    expect(result.current).toMatchObject({ unsafe: false, reading: ohm });
    rerender(workWith(tests, { safe: false }));
    expect(result.current.reading).toBeUndefined();
  });

  it('asks for the map before the first wire comes off a part, and not for what is mapped', () => {
    const lifted: OhmTest = { ...ohm, setup: { ...setup, lifted: ['lid-switch.A1'] } };
    const map = (wires: WireMap['wires'], keyed?: true): Entry => ({
      id: 'map',
      callId: 'call',
      kind: 'wire-map',
      phoneAt: '2026-11-28T08:00:00Z',
      body: { part: 'lid-switch', wires, ...(keyed && { keyed }) },
    });
    const { result, rerender } = hold(workWith([shown(lifted)]));
    expect(result.current).toMatchObject({
      mapFirst: { part: 'lid-switch', lift: ['lid-switch.A1'] },
      reading: undefined,
    });
    rerender(
      workWith([shown(lifted)], { entries: [map([{ at: 'lid-switch.A2', colour: 'BK' }])] }),
    );
    expect(result.current.reading).toBeUndefined();
    for (const whole of [map([{ at: 'lid-switch.A1', colour: 'BK' }]), map([], true)]) {
      rerender(workWith([shown(lifted)], { entries: [whole] }));
      expect(result.current).toMatchObject({ mapFirst: undefined, reading: lifted });
    }
  });

  it('asks for no map at a second look: its wires are off already', () => {
    const off = { ...reading, setup: { ...setup, lifted: ['lid-switch.A1' as const] } };
    const { result } = hold(
      workWith([], {
        evidence: [off],
        verdict: {
          kind: 'open',
          needs: 'second-look',
          secondLook: { entry: 'odd', slip: 'state' },
          good: undefined,
        } as ShownFindings['verdict'],
      }),
    );
    expect(result.current.mapFirst).toBeUndefined();
    expect(result.current.reading).toMatchObject({ setup: { lifted: ['lid-switch.A1'] } });
  });

  it('takes volts only once everybody stands clear, dead and proved or not', () => {
    const tests = [shown(volt)];
    const { result, rerender } = hold(workWith(tests, { safe: false }));
    expect(result.current).toMatchObject({ unsafe: false, reading: undefined, points: volt });
    act(() => result.current.standClear());
    expect(result.current.reading).toEqual(volt);
    // With other advice the script begins again.
    rerender(workWith([shown({ ...volt, steps: 'timer=spin' })], { safe: false }));
    expect(result.current.reading).toBeUndefined();
  });

  it('offers the live reading that answers the same, and only where there is one', () => {
    const without = hold(workWith([shown(ohm)], { safe: false }));
    expect(without.result.current.goLive).toBeUndefined();
    const { result } = hold(workWith([shown(ohm, volt)], { safe: false }));
    act(() => result.current.goLive?.());
    expect(result.current).toMatchObject({ unsafe: false, reading: undefined, points: volt });
    act(() => result.current.standClear());
    expect(result.current.reading).toEqual(volt);
  });

  it('goes round the tests that are offered, and begins anew with new advice', () => {
    const tests = [shown(ohm), shown({ kind: 'look', look: 'lint' }), shown(volt)];
    const { result, rerender } = hold(workWith(tests));
    act(() => result.current.next());
    expect(result.current.advice).toBe(tests[1]);
    act(() => result.current.next());
    act(() => result.current.next());
    expect(result.current.advice).toBe(tests[0]);
    act(() => result.current.choose(2));
    expect(result.current.advice).toBe(tests[2]);
    const others = [shown({ ...ohm, wiggle: true }), shown(volt)];
    rerender(workWith(others));
    expect(result.current.advice).toBe(others[0]);
  });

  it('puts a second look before any test, as ohms that have to be safe', () => {
    const verdict: ShownFindings['verdict'] = {
      kind: 'open',
      needs: 'second-look',
      secondLook: { entry: 'odd', slip: 'state' },
      good: undefined,
    };
    const { result } = hold(workWith([], { evidence: [reading], verdict, safe: false }));
    expect(result.current.again).toMatchObject({ reading, slip: 'state' });
    expect(result.current).toMatchObject({ unsafe: true, reading: undefined, advice: undefined });
  });

  it('is back at this unit after a reading of the good twin', () => {
    const tests = [shown(ohm)];
    const evidence: Evidence[] = [];
    const { result, rerender } = hold(workWith(tests, { evidence }));
    expect(result.current.twin).toBe(false);
    act(() => result.current.setTwin(true));
    expect(result.current.twin).toBe(true);
    rerender(workWith(tests, { evidence: [{ ...reading, of: 'twin' }] }));
    expect(result.current.twin).toBe(false);
  });
});
