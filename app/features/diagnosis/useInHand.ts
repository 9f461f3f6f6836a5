import { useState } from 'react';
import type { ReadingEvidence } from '../../../core/call/evidence';
import type { SlipKind } from '../../../core/inference/slips';
import { notMapped } from '../../../core/call/ledger';
import type { TerminalRef } from '../../../core/diagram/diagram';
import { pairKey } from '../../../core/diagram/setupKey';
import type { OhmTest, TryTest, VoltTest } from '../../../core/plan/unitTests';
import type { GoodShown, ShownTest } from '../../workers/diagnosis';
import type { MeterTest, Work } from './useWork';

/** A reading that is taken once more before anything is named. */
export interface Again {
  reading: ReadingEvidence;
  slip: SlipKind;
  test: OhmTest;
  good: GoodShown | undefined;
}

/** What the technician is at: the advised test or another, a second look, a live reading. */
export interface InHand {
  tests: readonly ShownTest[];
  /** Place of the test in hand, and the test; none during a second look. */
  at: number;
  advice: ShownTest | undefined;
  choose: (at: number) => void;
  next: () => void;
  again: Again | undefined;
  live: { test: VoltTest; good: GoodShown | undefined } | undefined;
  /** Reads the same live instead; undefined where that would answer nothing. */
  goLive: (() => void) | undefined;
  /** A jumper that has had its try, or that nothing in hand wants: it comes off before anything else. */
  jumperLeft: TryTest['jumper'];
  /** Ohms are in hand, and power may be on or the meter is not proved. */
  unsafe: boolean;
  /** A part that wires come off for the ohms in hand, and whose map is not written yet. */
  mapFirst: { part: string; lift: readonly TerminalRef[] } | undefined;
  /** The two points in hand, read or not yet. */
  points: MeterTest | undefined;
  /** What a good unit shows at the points in hand. */
  good: GoodShown | undefined;
  /** What the keypad enters now; undefined while something has to be done first. */
  reading: MeterTest | undefined;
  /** Power is on for a live reading and everybody stands clear. */
  standClear: () => void;
  /** The ohms in hand are read on a good twin, to prove leads, setup and expectation. */
  twin: boolean;
  setTwin: (twin: boolean) => void;
}

const NONE: readonly ShownTest[] = [];

/** Another test than the first that was chosen: among the tests after so many entries. */
export interface ChosenTest {
  after: number;
  at: number;
}

export function useInHand(
  work: Work,
  chosen: ChosenTest | undefined,
  setChosen: (to: ChosenTest) => void,
): InHand {
  const { findings, evidence, thinking } = work;
  const ready = work.safe && work.meterProved;
  const [liveOf, setLiveOf] = useState<ShownTest>();
  const [clearOf, setClearOf] = useState<ShownTest>();
  const [twinAfter, setTwinAfter] = useState<Work['evidence']>();
  const tests = thinking ? NONE : (findings?.tests ?? NONE);
  // With new advice the choice is made anew.
  const at = chosen?.after === evidence.length && tests[chosen.at] ? chosen.at : 0;
  const advice = tests[at];
  const again = thinking ? undefined : againOf(work, evidence);
  const live =
    advice?.test.kind === 'volt'
      ? { test: advice.test, good: advice.good }
      : advice && liveOf === advice
        ? advice.live
        : undefined;
  const ohm = again?.test ?? (advice?.test.kind === 'ohm' && !live ? advice.test : undefined);
  const { jumper } = work;
  const wanted = advice?.test.kind === 'try' ? advice.test.jumper : undefined;
  const inUse =
    jumper && !jumper.tried && wanted && pairKey(...wanted) === pairKey(...jumper.between);
  const jumperLeft = inUse || thinking ? undefined : jumper?.between;
  const cleared = live && clearOf === advice ? live.test : undefined;
  const twin = ohm !== undefined && twinAfter === evidence;
  const { diagram, entries } = work.call;
  // No wire of a good twin comes off this unit, and for a second look they are off already.
  const [mapFirst] = ohm && !twin && !again ? notMapped(diagram, entries, ohm.setup.lifted) : [];
  return {
    tests,
    at,
    advice,
    choose: (place) => setChosen({ after: evidence.length, at: place }),
    next: () => setChosen({ after: evidence.length, at: (at + 1) % Math.max(1, tests.length) }),
    again,
    live,
    goLive: advice?.live && !live ? () => setLiveOf(advice) : undefined,
    jumperLeft,
    unsafe: ohm !== undefined && !ready,
    mapFirst,
    points: ohm ?? live?.test,
    good: again ? again.good : live ? live.good : advice?.good,
    reading: jumper || mapFirst ? undefined : ohm ? (ready ? ohm : undefined) : cleared,
    standClear: () => setClearOf(advice),
    // With the next entry it is this unit's turn again.
    twin,
    setTwin: (twin) => setTwinAfter(twin ? evidence : undefined),
  };
}

function againOf({ findings }: Work, evidence: Work['evidence']): Again | undefined {
  const verdict = findings?.verdict;
  if (verdict?.kind !== 'open' || verdict.needs !== 'second-look') return undefined;
  const { secondLook, good } = verdict;
  const reading = evidence.find(
    (each): each is ReadingEvidence => each.kind === 'reading' && each.id === secondLook.entry,
  );
  if (!reading) return undefined;
  const { from, to, setup, wiggle } = reading;
  const test: OhmTest = { kind: 'ohm', reach: 'through', from, to, setup, wiggle };
  return { reading, slip: secondLook.slip, test, good };
}
