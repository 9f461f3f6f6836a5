import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readEvidence } from '../../contract/evidenceFile';
import { builtIn } from '../../library/library';
import { runWhole } from '../behaviour/run';
import { parseSteps } from '../behaviour/step';
import { isolate } from '../circuit/isolation';
import { lintWhole } from '../circuit/lintCircuit';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import { findSwitch, splitRef } from '../diagram/terminal';
import type { UnitDiagnosis } from '../plan/unitDiagnosis';
import { SITUATION_UNITS } from '../../library/madeUp/situationUnits';
import { ALL, TURN } from '../../tools/inTurn';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

/**
 * Situations as technicians tell them (common practice), on built-in units and on five that were written for them: what was told, read, looked
 * for and measured, and what may be said of it then.
 *
 * `told` or `seen STEPS SUBJECT OUTCOME often=HOW`; `read A B SHOWS`, alone, as the sheet is drawn, or with
 * `hand=POSITION` of the switch; `through A B SHOWS`, wires on, with `set=ACTUATOR:POSITION`;
 * `volts A B VALUE STEPS`; `found` or `nothing LOOK`; `measured QUANTITY VALUE STEPS`;
 * `felt QUANTITY WORD STEPS`; `did ACT PART`,
 * where a loop is written `SUPPLY loop`.
 */
interface Situation {
  unit: string;
  says: string;
  lines: string[];
  verdict: string;
}

/** `unit: what it is like`, the lines of what is known, and `-> named X`, `-> not X` or `-> repair X`. */
const SITUATIONS = readFileSync(join(__dirname, 'situations.txt'), 'utf8')
  .trim()
  .split('\n\n')
  .map((block): Situation => {
    const [title = '', ...rest] = block.split('\n').map((line) => line.trim());
    const [, unit = '', says = ''] = /^([a-z-]+): (.*)$/.exec(title) ?? [];
    const verdict = /^-> (.*)$/.exec(rest.at(-1) ?? '')?.[1];
    if (!unit || verdict === undefined) throw new Error(`no situation: ${title}`);
    return { unit, says, lines: rest.slice(0, -1), verdict };
  });

function unitNamed(id: string): Diagram {
  const diagram = builtIn(id) ?? SITUATION_UNITS.find((each) => each.id === id);
  if (!diagram) throw new Error(`there is no unit ${id}`);
  return diagram;
}

/** Parts and wires of a unit that is prepared in a second: a mutation run prepares it for every change, and takes no larger ones. */
const SMALL = 20;
function isTried({ unit }: Situation, i: number): boolean {
  const { parts, wires } = unitNamed(unit);
  if (process.env.YARRIX_MUTATE !== undefined) return parts.length + wires.length <= SMALL;
  // Every second of them has its turn.
  return ALL || i % 2 === TURN % 2;
}

const diagnoses = new Map<string, UnitDiagnosis>();
function diagnosisOf(id: string): UnitDiagnosis {
  const known = diagnoses.get(id) ?? preparedUnit(unitNamed(id));
  diagnoses.set(id, known);
  return known;
}

/** One line of a situation as an evidence file has it. */
function entryOf(diagram: Diagram, words: string): object {
  const [kind = '', ...rest] = words.split(' ');
  const plain = rest.filter((word) => !/^(hand|set|often|lift|jump)=/.test(word));
  const [one = '', two = '', three = '', four] = plain;
  const named = (name: string): string | undefined =>
    rest.find((word) => word.startsWith(`${name}=`))?.slice(name.length + 1);
  const pair = named('jump')?.split(',');
  const changed = {
    ...(named('lift') && { lift: named('lift')?.split(',') }),
    ...(pair && { jumpers: [pair] }),
  };
  switch (kind) {
    case 'told':
    case 'seen':
      return {
        kind: 'statement',
        source: kind,
        steps: one,
        subject: two,
        outcome: three,
        ...(named('often') && { often: named('often') }),
      };
    case 'found':
    case 'nothing':
      return { kind: 'look', look: one, found: kind === 'found' };
    case 'measured':
      return {
        kind: 'measurement',
        actuator: one,
        value: Number(two),
        how: 'measured',
        ...(three && { steps: three }),
      };
    case 'felt':
      return {
        kind: 'measurement',
        actuator: one,
        value: 0,
        how: 'felt',
        felt: two,
        ...(three && { steps: three }),
      };
    case 'did':
      return { kind: 'act', act: one, part: plain.slice(1).join(' ') };
    case 'volts':
      return {
        kind: 'reading',
        from: one,
        to: two,
        shows: `${three} V`,
        power: 'on',
        steps: four,
        ...changed,
      };
    case 'read': {
      const { part } = splitRef(one as TerminalRef);
      const found = findSwitch(diagram, part);
      const hand = named('hand');
      const lift = found.ok ? isolate(diagram, found.value).lift : [one];
      return {
        kind: 'reading',
        from: one,
        to: two,
        shows: three,
        lift,
        ...(hand !== undefined && { byHand: { [part]: hand } }),
      };
    }
    case 'through': {
      const [actuator = '', position = ''] = named('set')?.split(':') ?? [];
      return {
        kind: 'reading',
        from: one,
        to: two,
        shows: three,
        ...(actuator && { set: { [actuator]: position } }),
        ...changed,
      };
    }
    default:
      throw new Error(`"${words}" is no line of a situation`);
  }
}

it.each(SITUATION_UNITS)('$id is sound, and runs', (diagram) => {
  expect(lintWhole(diagram)).toEqual([]);
  for (const { steps } of diagram.uses ?? []) {
    const parsed = parseSteps(diagram, steps);
    const run = parsed.ok ? runWhole(diagram, parsed.value, []) : undefined;
    const last = run?.courses.at(-1)?.stands.at(-1)?.loads ?? {};
    expect(Object.values(last)).toEqual(Object.values(last).map(() => 'runs'));
  }
});

it.each(SITUATIONS.filter(isTried))('$unit: $says', ({ unit, lines, verdict: wanted }) => {
  const diagnosis = diagnosisOf(unit);
  const { diagram } = diagnosis.predictor;
  const whole: string[] = [];
  for (const line of lines) whole.push(line === 'again' ? (whole.at(-1) ?? '') : line);
  const text = JSON.stringify({
    format: 'yarrix-evidence',
    version: 1,
    entries: whole.map((line) => entryOf(diagram, line)),
  });
  const entries = readEvidence(diagram, text);
  if (!entries.ok) throw new Error(JSON.stringify(entries.error));
  const { verdict, state, repair } = diagnosis.of(entries.value);
  const named = verdict.kind === 'named' ? (verdict.suspect.id ?? 'nothing') : undefined;
  const [how, ...rest] = wanted.split(' ');
  const suspect = rest.join(' ');
  const said = {
    verdict:
      named !== undefined
        ? `named ${named}`
        : verdict.kind === 'open'
          ? `open, ${verdict.needs}`
          : verdict.kind,
    suspects: state.suspects
      .slice(0, 3)
      .map(({ id, probability }) => `${id} ${probability.toFixed(3)}`),
  };
  if (how === 'repair')
    expect({ ...said, repair: repair?.kind }).toEqual({ ...said, repair: suspect });
  else if (how === 'named') expect(said).toEqual({ ...said, verdict: wanted });
  else expect({ ...said, named }).not.toMatchObject({ named: suspect });
});
