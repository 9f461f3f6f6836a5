import { LIBRARY } from '../../library/library';
import type { Diagram, SwitchPart } from '../diagram/diagram';
import { chanceFrom } from '../chance';
import { switches } from '../diagram/terminal';
import type { Fault } from '../fault/fault';
import type { ReadingPlace } from '../call/reading';
import { ORDINARY_METER } from '../meter/meter';
import { SwitchDiagnosis } from '../plan/switchDiagnosis';
import { weightedFaults } from '../fault/faultList';
import { sayJudgement } from '../describe/judgement';
import { byControl, coldPositions, type Depth } from '../plan/proof';
import { workSwitch, type Truth } from '../simulate/simulatedSwitch';

const all: [string, Diagram, SwitchPart][] = LIBRARY.flatMap((diagram) =>
  switches(diagram).map((part): [string, Diagram, SwitchPart] => [
    `${diagram.id} ${part.id}`,
    diagram,
    part,
  ]),
);
/** What an ohmmeter can decide: contacts of a loop in millivolts it cannot, and says so. */
const decidable = all
  .filter(([, , part]) =>
    part.contacts.every(({ circuit }) => circuit !== 'thermopile' && circuit !== 'thermocouple'),
  )
  // Every twelfth switch; all of them in the full run.
  .filter((_, i) => process.env.YARRIX_ALL === '1' || i % 12 === 0);
const SEED = 20261124;

/** By default an intermittent contact does what it mostly does: it jumps when wiggled, else holds. */
const truth = (
  faults: readonly Fault[],
  { really = (place: ReadingPlace) => place, chance = () => 0.5 }: Partial<Truth> = {},
): Truth => ({ faults, really, chance });
const work = (diagnosis: SwitchDiagnosis, depth: Depth, hidden: Truth) =>
  workSwitch(diagnosis, depth, hidden, ORDINARY_METER);
const faultsOf = (diagram: Diagram, part: SwitchPart): Fault[] =>
  weightedFaults(diagram).flatMap(({ suspect, fault }) => (suspect === part.id ? [fault] : []));
/** How a contact cycles by its own heat no ohmmeter shows. */
const ONLY_IN_USE = ['film', 'always-on', 'only-low'];
const LIKE_A_CONTACT = ['bridged', 'common-open'];
/**
 * What shows under power alone: a relay that no hand moves does not pull in, and what only heat, pressure or
 * a motor would move is moved by hand, which says nothing of what should move it.
 */
function onlyLive(diagram: Diagram, part: SwitchPart, fault: Fault): boolean {
  if (fault.mode === 'not-actuated') return !byControl(diagram, part);
  const cold = coldPositions(diagram, part);
  if (cold.length > 1 || !('contact' in fault)) return false;
  const closed = part.table.rows
    .find(({ position }) => position === cold[0])
    ?.closed.includes(fault.contact);
  return closed !== !['stuck-closed', 'leaking'].includes(fault.mode);
}
const bare = (fault: Fault): object => ({ ...fault, ohms: 0, stays: 0 });
/** What the quick proof does not look for: it neither wiggles nor reads unrelated pairs. */
const onlyFull = (fault: Fault): boolean =>
  fault.mode === 'intermittent' || fault.mode === 'bridged';

describe.each(decidable)('following the advice on %s', (_name, diagram, part) => {
  const diagnosis = new SwitchDiagnosis(diagram, part);

  it.each(['quick', 'full'] as const)('%s: condemns no good switch', (depth) => {
    const { state } = work(diagnosis, depth, truth([]));
    expect(state.verdict.kind).toBe('good');
    expect(state.seen.size).toBe(state.proof.length);
  });

  it.each(['quick', 'full'] as const)('%s: names every fault that it promises to find', (depth) => {
    for (const fault of faultsOf(diagram, part)) {
      // A film is megohms or nothing to a meter; what it is shows under power.
      if (ONLY_IN_USE.includes(fault.mode) || (depth === 'quick' && onlyFull(fault))) continue;
      if (onlyLive(diagram, part, fault)) continue;
      const { state } = work(diagnosis, depth, truth([fault]));
      expect({ fault: bare(fault), verdict: state.verdict.kind }).toEqual({
        fault: bare(fault),
        verdict: 'fault',
      });
      // A bridge to a third terminal, and a blade inside a common, can look just like a contact that is stuck, and are rarer.
      if (state.verdict.kind === 'fault' && !LIKE_A_CONTACT.includes(fault.mode))
        expect(state.verdict.faults.map(bare)).toEqual([bare(fault)]);
    }
  });
});

// Common practice: 0.3 ohm for a single switch of a millivolt loop, which no beeper and hardly an
// ordinary ohmmeter with its leads can see.
it('says that an ordinary meter cannot decide a contact of a thermopile loop', () => {
  const [, diagram, part] = all.find(([name]) => name === 'millivolt-fireplace limit') ?? [];
  if (!diagram || !part) throw new Error('no fireplace');
  const diagnosis = new SwitchDiagnosis(diagram, part);
  const { state, readings } = work(diagnosis, 'quick', truth([]));
  expect(state.verdict.kind).toBe('half-proved');
  const says = readings.map((each) => {
    const judgement = state.judgements.get(each.id);
    return judgement ? sayJudgement(judgement, each) : '';
  });
  expect(says.some((text) => /cannot decide.*millivolts/.test(text))).toBe(true);
});

it(`finds an intermittent contact nearly always by wiggling, and blames no other (seed ${SEED})`, () => {
  const chance = chanceFrom(SEED);
  const tally = { found: 0, missed: 0 };
  for (const [, diagram, part] of decidable) {
    const diagnosis = new SwitchDiagnosis(diagram, part);
    for (const fault of faultsOf(diagram, part)) {
      if (fault.mode !== 'intermittent' || onlyLive(diagram, part, fault)) continue;
      for (let run = 0; run < 8; run++) {
        const { verdict } = work(diagnosis, 'full', truth([fault], { chance })).state;
        tally[verdict.kind === 'fault' ? 'found' : 'missed']++;
        // One that happened to be apart at every look is rightly called stuck open, and one that
        // held only while it was moved by hand is rightly called not actuated.
        if (verdict.kind === 'fault') {
          expect(verdict.faults).toHaveLength(1);
          expect(verdict.faults[0]).toMatchObject({ part: part.id });
          expect(['intermittent', 'stuck-open', 'not-actuated']).toContain(verdict.faults[0].mode);
        }
      }
    }
  }
  // Each contact is wiggled in at least one position and shows itself then 85 times in 100.
  expect(tally.found / (tally.found + tally.missed)).toBeGreaterThan(0.8);
});
