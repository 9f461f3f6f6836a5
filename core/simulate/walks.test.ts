import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { builtIn } from '../../library/library';
import { chanceFrom } from '../chance';
import { sayDisplay } from '../describe/display';
import { sayEntryShown } from '../describe/entryShown';
import { nameFault, sayMode } from '../describe/fault';
import { sayTest } from '../describe/test';
import { sayReadingPlace } from '../describe/readingPlace';
import { saySlip } from '../describe/slip';
import { sayShown } from '../describe/unit';
import type { Diagram, SwitchPart } from '../diagram/diagram';
import { switches } from '../diagram/terminal';
import type { Fault } from '../fault/fault';
import { weightedFaults } from '../fault/faultList';
import { afterSlip, slipsFor } from '../inference/slips';
import { shownAs } from '../plan/shownOutcome';
import { SwitchDiagnosis } from '../plan/switchDiagnosis';
import { complaintOf } from '../inference/complaint';
import { ORDINARY_METER } from '../meter/meter';
import { testOf } from '../plan/minutes';
import { USUAL_WAY, type WayOfWorking } from '../plan/wayOfWorking';
import { workCall } from './simulatedCall';
import { workSwitch, type Truth } from './simulatedSwitch';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

/**
 * Whole calls on three small units, from complaint to part, as a technician who follows the advice
 * works them: written out in `walks/`, so that a person can read and judge every one. A change of the
 * advice shows as a change of these files; `YARRIX_WRITE_WALKS=1` writes them anew.
 */
const ALL: [id: string, every: number, way: WayOfWorking][] = [
  ['coil-burner', 5, USUAL_WAY],
  ['top-load-washer', 11, USUAL_WAY],
  ['millivolt-fireplace', 7, { ...USUAL_WAY, live: true }],
];
/** A mutation run (`./yarrix mutate`) has to be quick: the smallest unit tells nearly as much. */
const UNITS = process.env.YARRIX_MUTATE ? ALL.slice(0, 1) : ALL;
const WRITE = process.env.YARRIX_WRITE_WALKS === '1';
const SEED = 7;

/** Every so many faults of a unit worked to the end, with the suspects after each entry. */
function walksOf(diagram: Diagram, every: number, way: WayOfWorking): string {
  const diagnosis = preparedUnit(diagram);
  const { predictor } = diagnosis;
  const lines: string[] = [];
  predictor.hypotheses.forEach((truth, i) => {
    const complaint = complaintOf(predictor, i);
    const [cause] = truth.causes;
    if (!cause || !complaint || i % every) return;
    const call = workCall(diagnosis, truth, complaint, { chance: chanceFrom(SEED + i), way });
    const { state, verdict, settles } = diagnosis.of(call.entries, way);
    lines.push(nameFault(diagram, cause));
    call.entries.forEach((entry, k) => {
      const test = testOf(entry);
      const suspects = [...(state.course[k + 1] ?? [])]
        .sort(([, a], [, b]) => b - a)
        .slice(0, 3)
        .map(([id, chance]) => `${id || 'nothing'} ${(100 * chance).toFixed(1)}`);
      const did = test ? sayTest(diagram, test) : entry.kind;
      lines.push(`  ${did}: ${sayEntryShown(entry)} | ${suspects.join(', ')}`);
    });
    const suspects =
      verdict.kind === 'named'
        ? [verdict.suspect]
        : verdict.kind === 'group'
          ? verdict.suspects
          : [];
    const names = suspects.map(
      ({ id, leading: { causes } }) => `${id}, ${causes.map(sayMode).join(' and ')}`,
    );
    lines.push(`  ${verdict.kind} after ${call.minutes.toFixed(1)} min: ${names.join('; or ')}`);
    for (const { test, minutes } of settles.slice(0, 2))
      lines.push(`  would settle it: ${sayTest(diagram, test)}, ${minutes.toFixed(1)} min`);
    lines.push('');
  });
  return lines.join('\n');
}

it.each(UNITS)('calls on %s go as they are written', (id, every, way) => {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(id);
  const path = join(__dirname, 'walks', `${id}.txt`);
  const walks = walksOf(diagram, every, way);
  if (WRITE) writeFileSync(path, walks);
  expect(walks).toBe(readFileSync(path, 'utf8'));
});

it.each(UNITS)('advice on %s comes with its reasons', (id, _every, way) => {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(id);
  const diagnosis = preparedUnit(diagram);
  const index = diagnosis.predictor.hypotheses.findIndex(
    (each, i) => each.suspect !== undefined && complaintOf(diagnosis.predictor, i) !== undefined,
  );
  const complaint = complaintOf(diagnosis.predictor, index);
  if (!complaint) throw new Error('none');
  const { tests } = diagnosis.of([complaint], way);
  const lines = tests.flatMap(({ test, minutes, bits, expected, meanings }) => [
    `${sayTest(diagram, test)}: ${minutes.toFixed(1)} min, ${bits.toFixed(2)} bits, ${expected.toFixed(1)} min to the verdict`,
    ...meanings.map(
      ({ share, outcome, shows, named, suspects }) =>
        `  ${(100 * share).toFixed(1)} of 100 shows ${outcome}, as ${sayShown(diagram, test, shownAs(diagnosis.predictor, test, { shows, outcome }))}${named ? ', named' : ''}: ${suspects.map((each) => `${each.id ?? 'nothing'} ${(100 * each.probability).toFixed(1)}`).join(', ')}`,
    ),
  ]);
  const policies = diagnosis
    .compare([complaint], way)
    .map((each) => `${each.school}: ${each.minutes.toFixed(1)} min`);
  const text = [...lines, '', ...policies, ''].join('\n');
  const path = join(__dirname, 'walks', `${id}.advice.txt`);
  if (WRITE) writeFileSync(path, text);
  expect(text).toBe(readFileSync(path, 'utf8'));
});

/** What goes wrong with the readings of a switch besides its own faults. */
const handsOf = (diagram: Diagram, part: SwitchPart): [string, Truth][] => {
  const truth = (faults: Fault[], really: Truth['really'] = (place) => place): Truth => ({
    faults,
    really,
    chance: chanceFrom(SEED),
  });
  const own = weightedFaults(diagram).flatMap(({ suspect, fault }): [string, Truth][] =>
    suspect === part.id ? [[sayMode(fault), truth([fault])]] : [],
  );
  const slips = slipsFor(diagram, part).map((slip): [string, Truth] => [
    saySlip(slip, (position) => position),
    truth([], (place) => (place.lookedAgain ? place : afterSlip(diagram, part, place, slip))),
  ]);
  const [one, two] = own.filter(
    ([
      ,
      {
        faults: [fault],
      },
    ]) => fault?.mode === 'stuck-open',
  );
  const both: [string, Truth][] =
    one && two ? [[`${one[0]} and ${two[0]}`, truth([...one[1].faults, ...two[1].faults])]] : [];
  return [['nothing wrong', truth([])], ...own, ...slips, ...both];
};

it.each([
  ['coil-burner', 'infinite', 'full'],
  ['top-load-washer', 'lid-switch', 'quick'],
  ['over-range-oven', 'monitor', 'full'],
] as const)('readings on a switch go as they are written: %s %s', (id, name, depth) => {
  const diagram = builtIn(id);
  const part = diagram && switches(diagram).find((each) => each.id === name);
  if (!diagram || !part) throw new Error(name);
  const lines = handsOf(diagram, part).flatMap(([what, truth]) => {
    const { state, readings } = workSwitch(
      new SwitchDiagnosis(diagram, part),
      depth,
      truth,
      ORDINARY_METER,
    );
    const { verdict } = state;
    const leading = state.explanations.slice(0, 3).map(({ hypothesis, probability }) => {
      const says =
        hypothesis.kind === 'fault'
          ? hypothesis.faults.map(sayMode).join(' and ')
          : hypothesis.kind === 'slip'
            ? hypothesis.slip.kind
            : 'good';
      return `${says} ${(100 * probability).toFixed(1)}`;
    });
    return [
      what,
      ...readings.map((reading) => {
        const judgement = state.judgements.get(reading.id);
        const counts = judgement ? judgement.class : 'taken back';
        return `  ${sayReadingPlace({ diagram, part }, reading)}${reading.lookedAgain ? ', looked again' : ''}: ${sayDisplay(reading.display)} | ${counts}`;
      }),
      `  ${verdict.kind}, ${state.seen.size} of ${state.proof.length} seen: ${leading.join(', ')}`,
      '',
    ];
  });
  const text = lines.join('\n');
  const path = join(__dirname, 'walks', `${id}.${name}.txt`);
  if (WRITE) writeFileSync(path, text);
  expect(text).toBe(readFileSync(path, 'utf8'));
});
