import { builtIn } from '../../library/library';
import { evidenceOf } from '../call/log';
import type { LogEntry, Records } from '../call/record';
import { sayStep } from '../describe/course';
import { checksDue } from './closingChecks';
import { courseOf, type KnownOfCall } from './course';
import type { RepairStanding } from './repair';

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');

type Line = { [K in keyof Records]: [K, Records[K]] }[keyof Records];
const call = (
  lines: Line[],
  repair?: RepairStanding,
  stage: 'open' | 'done' = 'open',
): KnownOfCall => {
  const entries = lines.map(
    ([kind, body], i) => ({ id: `e${i}`, kind, phoneAt: '2026-11-28T08:00:00Z', body }) as LogEntry,
  );
  const { evidence } = evidenceOf(washer, entries);
  const checks = checksDue(washer, entries, evidence);
  return { diagram: washer, entries, evidence, stage, repair, checks };
};
const states = (known: KnownOfCall): string =>
  courseOf(known)
    .map(({ state }) => state)
    .join(' ');

const TOLD: Line = [
  'statement',
  { source: 'told', steps: 'timer=wash', subject: 'drive', outcome: 'off' },
];
const FOUND: Line = [
  'found',
  { part: 'lid-switch', mode: 'stuck-open', says: 'stuck open', chance: 0.97, by: 'unit' },
];
const decided = (option: Records['decision']['option']): Line => [
  'decision',
  {
    part: 'lid-switch',
    option,
    along: [],
    declined: ['a new hose'],
    choice: 'as cheap as it goes',
  },
];
const REPLACED: Line = ['act', { part: 'lid-switch', act: 'replace' }];

describe('the course of a call', () => {
  it('goes from the complaint to what is closed, each step with what is missing', () => {
    expect(states(call([]))).toBe('begun open open open open open');
    expect(states(call([TOLD]))).toBe('done begun open open open open');
    expect(states(call([TOLD, FOUND, decided('replace')]))).toBe('done done done open open open');
    const repairs = [
      { kind: 'act' as const, id: 'e3', part: 'lid-switch', act: 'replace' as const },
    ];
    const done = [TOLD, FOUND, decided('replace'), REPLACED];
    expect(states(call(done, { kind: 'half-proved', repairs, runs: [], cells: [] }))).toBe(
      'done done done done begun open',
    );
    expect(states(call(done, { kind: 'still-there', repairs, entry: 'e0' }))).toContain('wrong');
    const proved = { kind: 'proved' as const, repairs };
    expect(states(call(done, proved, 'done'))).toBe('done done done done begun done');
    // Every check is said: what was not done as well; one that was not right undoes the proof.
    const checked = (outcome: Records['checked']['outcome']): Line[] =>
      call(done).checks.map(({ check, of }) => [
        'checked',
        { check, ...(of !== undefined && { of }), outcome, words: 'by the way' },
      ]);
    for (const [outcome, state] of [
      ['right', 'done'],
      ['not-done', 'done'],
      ['wrong', 'wrong'],
    ] as const)
      expect(states(call([...done, ...checked(outcome)], proved, 'done'))).toBe(
        `done done done done ${state} done`,
      );
  });

  it('waits for no repair where somebody else does it, and begins the end with what is left open', () => {
    const handed = call([
      TOLD,
      FOUND,
      decided('hand-over'),
      ['acknowledged', { what: 'made-safe' }],
    ]);
    expect(states(handed)).toBe('done done done not-due not-due begun');
    const said = courseOf(handed).map((each) => sayStep(handed, each));
    expect(said[2]).toEqual([
      'Hand over to a licensed trade: Lid switch',
      '“as cheap as it goes”',
      'Declined: a new hose',
    ]);
    expect(said[5]).toEqual(['Power cord: off']);
  });
});
