import { unitState, type Suspect, type UnitVerdict } from '../../core/diagnose/unitState';
import { UnitPredictor } from '../../core/diagnose/unitPredictor';
import { ORDINARY_METER } from '../../core/meter/meter';
import { UnitPlanner } from '../../core/plan/nextTest';
import type { Answer, Question, ShownSuspect } from './diagnosis';

/** Runs beside the page: suspects, verdict and next tests of one unit. */

/** Planners of the diagrams worked with; each costs a second or so to make. */
const planners = new Map<string, UnitPlanner>();
const SHOWN = { suspects: 6, tests: 4, moved: 3 };

addEventListener('message', ({ data }: MessageEvent<Question>) => {
  postMessage(answer(data));
});

function answer({ number, key, diagram, entries }: Question): Answer {
  const from = performance.now();
  const planner = planners.get(key) ?? new UnitPlanner(new UnitPredictor(diagram, ORDINARY_METER));
  planners.set(key, planner);
  const { predictor } = planner;
  const state = unitState(predictor, entries);
  const { verdict, tests } = planner.advise(state, entries);
  const moved = [...(state.moved.get(entries.at(-1)?.id ?? '') ?? [])]
    .filter(([id]) => id !== '' && chanceOf(state.suspects, id) > 0.01)
    .map(([id, factor]) => ({ id, factor }))
    .sort((a, b) => Math.abs(Math.log(b.factor)) - Math.abs(Math.log(a.factor)));
  return {
    number,
    suspects: state.suspects.slice(0, SHOWN.suspects).map(shown),
    verdict: shownVerdict(verdict),
    tests: tests.slice(0, SHOWN.tests).map((advice) => {
      const { test } = advice;
      return test.kind === 'ohm'
        ? { ...advice, good: predictor.ownOhms(0, test.setup, test.from, test.to) }
        : advice;
    }),
    moved: moved.slice(0, SHOWN.moved),
    milliseconds: performance.now() - from,
  };
}

const chanceOf = (suspects: readonly Suspect[], id: string): number =>
  suspects.find((each) => each.id === id)?.probability ?? 0;

const shown = ({ id, probability, leading }: Suspect): ShownSuspect => ({
  id,
  probability,
  fault: leading.faults[0],
});

function shownVerdict(verdict: UnitVerdict): Answer['verdict'] {
  switch (verdict.kind) {
    case 'named':
      return { kind: 'named', suspect: shown(verdict.suspect) };
    case 'group':
      return { kind: 'group', suspects: verdict.suspects.map(shown) };
    case 'nothing-found':
      return { kind: 'nothing-found' };
    case 'open':
      return verdict;
  }
}
