import { act, renderHook } from '@testing-library/react-native';
import { builtIn } from '../../../library/library';
import type { Evidence } from '../../../core/call/evidence';
import { USUAL_WAY } from '../../../core/plan/wayOfWorking';
import type { SaidMeanwhile, ShownFindings, ShownMeaning } from '../../workers/diagnosis';
import { useDiagnosis } from './useDiagnosis';

type Answer = { kind: 'findings'; findings: ShownFindings };
/** What was asked of the worker, oldest first. */
const mockAsked: { meanwhile: (said: SaidMeanwhile) => void; answer: (said: Answer) => void }[] =
  [];
jest.mock('../../workers/diagnosis', () => ({
  Stopped: class extends Error {},
  askWorker: (_: unknown, meanwhile: (said: SaidMeanwhile) => void) =>
    new Promise((answer) => mockAsked.push({ meanwhile, answer })),
}));

const meaning = (lastSays: ShownMeaning['lastSays']): ShownMeaning => ({
  lastSays,
  moved: {},
  lastGood: undefined,
  oddTwins: [],
});
const look = (id: string): Evidence => ({ kind: 'look', id, look: 'burnt', found: true });

it('says what the last entry means before it says what comes next, and never of another entry', async () => {
  const diagram = builtIn('coil-burner');
  if (!diagram) throw new Error('no burner');
  const unit = { key: 'coil-burner/1', diagram };
  const first = [look('one')];
  const second = [...first, look('two')];
  const { result, rerender } = renderHook(
    ({ entries }: { entries: Evidence[] }) => useDiagnosis(unit, entries, USUAL_WAY, undefined),
    { initialProps: { entries: first } },
  );
  expect(result.current).toMatchObject({ meaning: undefined, thinking: true });
  act(() => mockAsked[0]?.meanwhile({ kind: 'meaning', meaning: meaning('does-not-tell') }));
  expect(result.current.meaning?.lastSays).toBe('does-not-tell');
  expect(result.current.thinking).toBe(true);
  const findings = { ...meaning('does-not-tell'), tests: [] } as Partial<ShownFindings>;
  await act(async () =>
    mockAsked[0]?.answer({ kind: 'findings', findings: findings as ShownFindings }),
  );
  expect(result.current).toMatchObject({ thinking: false, findings, meaning: findings });
  rerender({ entries: second });
  expect(result.current).toMatchObject({ thinking: true, meaning: undefined });
  act(() => mockAsked[1]?.meanwhile({ kind: 'meaning', meaning: meaning('as-it-should-be') }));
  expect(result.current.meaning?.lastSays).toBe('as-it-should-be');
});
