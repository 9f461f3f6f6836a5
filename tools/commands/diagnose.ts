import { readEvidence } from '../../contract/evidenceFile';
import { sayInputFault } from '../../contract/problem';
import { missingOf, sayRepairStanding } from '../../core/describe/repair';
import { conditionOf, remedyFor } from '../../core/describe/remedy';
import { drawnSetup } from '../../core/diagram/setup';
import { saySlipAsks } from '../../core/describe/slip';
import type { Suspect, UnitVerdict } from '../../core/inference/beliefState';
import type { Diagram } from '../../core/diagram/diagram';
import { nameFault } from '../../core/describe/fault';
import type { Advice } from '../../core/plan/unitPlanner';
import { USUAL_WAY, type WayOfWorking } from '../../core/plan/wayOfWorking';
import { sayTest } from '../../core/describe/test';
import { POLICIES, type Policy } from '../../core/plan/policies';
import type { Findings } from '../../core/plan/unitDiagnosis';
import { preparedUnit } from '../preparations/preparedUnit';
import { BadInput, EXIT, out, outJson, type Exit } from './command';
import { openDiagram, readText } from './openDiagram';

/** Suspects and tests that are shown; the rest is counted. */
const SHOWN = { suspects: 8, tests: 4 };

interface Options {
  diagram?: string;
  file?: string;
  policy?: string;
  place?: string;
  live?: boolean;
  json: boolean;
}

/**
 * `./yarrix diagnose DIAGRAM EVIDENCE.json [--policy P] [--live] [--place part|plug] [--json]`:
 * suspects, and the verdict or the next test.
 */
export function diagnose(options: Options): Exit {
  const diagram = openDiagram(options.diagram);
  if (!options.file) throw new BadInput('name an EVIDENCE file (docs/format.md)');
  const read = readEvidence(diagram, readText(options.file));
  if (!read.ok)
    throw new BadInput(`${options.file}: ${read.error.map(sayInputFault)[0] ?? 'not evidence'}`);
  const way = wayOf(options);
  const diagnosis = preparedUnit(diagram);
  const findings = diagnosis.of(read.value, way);
  const { state, verdict, tests, secondLook, contradictions } = findings;
  const shown = tests.slice(0, SHOWN.tests);
  const schools = verdict.kind === 'open' ? diagnosis.compare(read.value, way) : [];
  if (options.json) {
    outJson({
      diagram: diagram.id,
      suspects: state.suspects
        .slice(0, SHOWN.suspects)
        .map((each) => ({ ...plain(each), says: saySuspect(diagram, each) })),
      verdict: plainVerdict(verdict),
      secondLook: secondLook ?? null,
      contradictions,
      pairs: findings.pairs,
      repair: findings.repair ?? null,
      tests: shown.map((each) => withWords(diagram, each, findings)),
      schools: Object.fromEntries(schools.map((each) => [each.school, each.minutes])),
      moved: Object.fromEntries([...state.moved].map(([id, by]) => [id, Object.fromEntries(by)])),
    });
    return EXIT.done;
  }
  for (const each of state.suspects.slice(0, SHOWN.suspects))
    out(`${(100 * each.probability).toFixed(1).padStart(6)} %  ${saySuspect(diagram, each)}`);
  if (findings.pairs) out('No single fault explains this; two together do better.');
  for (const { one, two } of contradictions)
    out(`Entries ${one} and ${two} contradict each other: no fault makes both.`);
  out(sayVerdict(diagram, verdict));
  if (findings.repair) {
    const { headline, means } = sayRepairStanding(
      diagram,
      findings.repair,
      read.value,
      verdict.kind === 'repaired',
    );
    out(`${headline}: ${means}`);
    for (const each of missingOf(diagram, findings.repair)) out(`  ${each}`);
  }
  if (secondLook) {
    const entry = read.value.find((each) => each.id === secondLook.entry);
    const setup = entry?.kind === 'reading' ? entry.setup : drawnSetup(diagram);
    out(`Look again at ${secondLook.entry}. ${saySlipAsks(diagram, secondLook.slip, setup)}`);
    return EXIT.done;
  }
  shown.forEach((each, i) => out(`${i === 0 ? 'Next' : '  or'}: ${sayAdvice(diagram, each)}`));
  const [settling] = findings.settles;
  if (settling) out(`What would settle it: ${sayAdvice(diagram, settling)}`);
  if (schools.length)
    out(
      `Minutes to the verdict: ${schools.map(({ school, minutes }) => `${POLICIES[school].name.toLowerCase()} ${minutes.toFixed(1)}`).join(', ')}`,
    );
  return EXIT.done;
}

function wayOf({ policy = 'least', place = 'any', live = false }: Options): WayOfWorking {
  if (!(policy in POLICIES))
    throw new BadInput(
      `there is no policy "${policy}"; known: ${Object.keys(POLICIES).join(', ')}`,
    );
  if (place !== 'any' && place !== 'part' && place !== 'plug')
    throw new BadInput(`--place is part, plug or any, not "${place}"`);
  return { ...USUAL_WAY, school: policy as Policy, place, live };
}

/** A test with its words, and what each of its outcomes would mean. */
function withWords(diagram: Diagram, advice: Advice, { planner }: Findings): object {
  const { hypotheses } = planner.predictor;
  return {
    ...advice,
    says: sayTest(diagram, advice.test),
    meanings: advice.meanings.map((each) => ({
      share: each.share,
      as: hypotheses[each.shows]?.causes ?? [],
      suspects: each.suspects.map(({ id, probability }) => ({ id: id ?? null, probability })),
      named: each.named,
    })),
  };
}

const plain = ({ id, probability, leading }: Suspect) => ({
  id: id ?? null,
  probability,
  faults: leading.faults,
});

function plainVerdict(verdict: UnitVerdict): object {
  switch (verdict.kind) {
    case 'named':
      return { kind: verdict.kind, suspect: plain(verdict.suspect) };
    case 'group':
      return { ...verdict, suspects: verdict.suspects.map(plain) };
    default:
      return verdict;
  }
}

const saySuspect = (diagram: Diagram, { leading }: Suspect): string =>
  leading.causes.map((each) => nameFault(diagram, each)).join(', and ') ||
  'Nothing wrong in this diagram';

function sayVerdict(diagram: Diagram, verdict: UnitVerdict): string {
  switch (verdict.kind) {
    case 'named': {
      const { suspect } = verdict;
      const [fault] = suspect.leading.causes;
      const what = fault
        ? [remedyFor(diagram, fault).says, conditionOf(diagram, fault) ?? ''].join(' ').trim()
        : '';
      return `Verdict: ${saySuspect(diagram, suspect)}. ${what}`;
    }
    case 'group':
      return `Verdict: one of ${verdict.suspects.map((each) => saySuspect(diagram, each)).join('; ')}`;
    case 'repaired':
      return 'Verdict: what was wrong is put right, as far as is known.';
    case 'nothing-found':
      return 'Verdict: nothing wrong found in this diagram';
    case 'surprise':
      return `No part is named: what is known does not go together; ${verdict.misfit.entry} fits least.`;
    case 'open':
      return `No verdict yet${NEEDS[verdict.needs]}.`;
  }
}

const NEEDS = {
  test: '',
  'own-terminals': ': it has not been read at its own terminals',
  'another-way': ': one entry does not fit, so it is read in another way first',
  'second-look': ': one reading wants a second look',
  quantity: ': what moves it has not been measured, so open can be right',
  'set-points': ': its set points are not known, so open can be right',
};

const sayAdvice = (diagram: Diagram, { test, minutes, bits, expected }: Advice): string =>
  `${sayTest(diagram, test)}  (${minutes.toFixed(1)} min, ${bits.toFixed(2)} bit, ${expected.toFixed(1)} min to the verdict)`;
