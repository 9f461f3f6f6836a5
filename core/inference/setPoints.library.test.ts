import { builtIn } from '../../library/library';
import { lintDiagram } from '../diagram/lint';
import { drawnSetup } from '../diagram/setup';
import { ORDINARY_METER } from '../meter/meter';
import { UnitDiagnosis } from '../plan/unitDiagnosis';
import type { ReadingEvidence } from '../call/evidence';
import { complaintOf } from './complaint';
import { workCall } from '../simulate/simulatedCall';
import { inTurn } from '../../tools/inTurn';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

inTurn(2)(
  'nothing is named for standing open while its set points are unknown (common practice)',
  () => {
    const furnace = builtIn('gas-furnace');
    if (!furnace) throw new Error('no furnace');
    const limit = furnace.parts.find((part) => part.id === 'limit');
    if (limit?.kind !== 'switch') throw new Error('no limit');
    const { setPoints, ...unknown } = limit;
    const blank = {
      ...furnace,
      parts: furnace.parts.map((part) => (part === limit ? unknown : part)),
    };
    expect(lintDiagram(blank).map(({ severity, path }) => [severity, path])).toContainEqual([
      'warning',
      expect.stringContaining('/setPoints'),
    ]);
    const unit = preparedUnit(furnace);
    const stuck = unit.predictor.hypotheses.findIndex(
      ({ causes: [one] }) => one?.mode === 'stuck-open' && one.part === 'limit',
    );
    const truth = unit.predictor.hypotheses[stuck];
    const complaint = complaintOf(unit.predictor, stuck);
    if (!truth || !complaint) throw new Error('unnoticed');
    const { verdict, entries } = workCall(unit, truth, complaint, { chance: () => 0.5 });
    expect(setPoints).toBeDefined();
    expect(verdict).toMatchObject({ kind: 'named', suspect: { id: 'limit' } });
    // Held cold by hand it should be closed, whatever its set points are; still nothing is condemned.
    const cold = { ...drawnSetup(furnace), except: [], byHand: { limit: 'below' } };
    const open = (wiggle: boolean): ReadingEvidence => ({
      kind: 'reading',
      id: `wiggled ${wiggle}`,
      from: 'limit.a',
      to: 'limit.b',
      setup: { ...cold, lifted: ['limit.a'] },
      shows: { kind: 'over' },
      taken: { meter: ORDINARY_METER },
      of: 'unit',
      wiggle,
    });
    const known = [...entries, open(false), open(true)];
    expect(unit.of(known).verdict.kind).toBe('named');
    expect(new UnitDiagnosis(blank, ORDINARY_METER).of(known).verdict).toEqual({
      kind: 'open',
      needs: 'set-points',
    });
  },
);
