import { readEvidence } from '../../contract/evidenceFile';
import { sayFault } from '../../contract/problem';
import { unitState, type Suspect, type UnitVerdict } from '../../core/diagnose/unitState';
import { UnitPredictor } from '../../core/diagnose/unitPredictor';
import type { Diagram } from '../../core/diagram/diagram';
import { nameFault } from '../../core/fault/modes';
import { ORDINARY_METER } from '../../core/meter/meter';
import { UnitPlanner, type Advice } from '../../core/plan/nextTest';
import { sayTest } from '../../core/plan/sayTest';
import { BadInput, EXIT, openDiagram, out, outJson, readText, type Exit } from './door';

/** Suspects and tests that are shown; the rest is counted. */
const SHOWN = { suspects: 8, tests: 4 };

/** `./yarrix diagnose DIAGRAM EVIDENCE.json [--json]`: suspects, and the verdict or the next test. */
export function diagnose(options: { diagram?: string; file?: string; json: boolean }): Exit {
  const diagram = openDiagram(options.diagram);
  if (!options.file) throw new BadInput('name an EVIDENCE file (docs/format.md)');
  const read = readEvidence(diagram, readText(options.file));
  if (!read.ok)
    throw new BadInput(`${options.file}: ${read.error.map(sayFault)[0] ?? 'not evidence'}`);
  const predictor = new UnitPredictor(diagram, ORDINARY_METER);
  const planner = new UnitPlanner(predictor);
  const state = unitState(predictor, read.value);
  const { verdict, tests } = planner.advise(state, read.value);
  const shown = tests.slice(0, SHOWN.tests);
  if (options.json) {
    outJson({
      diagram: diagram.id,
      suspects: state.suspects
        .slice(0, SHOWN.suspects)
        .map((each) => ({ ...plain(each), says: saySuspect(diagram, each) })),
      verdict: plainVerdict(verdict),
      tests: shown.map((each) => ({ ...each, says: sayTest(diagram, each.test) })),
      moved: Object.fromEntries([...state.moved].map(([id, by]) => [id, Object.fromEntries(by)])),
    });
    return EXIT.done;
  }
  for (const each of state.suspects.slice(0, SHOWN.suspects))
    out(`${(100 * each.probability).toFixed(1).padStart(6)} %  ${saySuspect(diagram, each)}`);
  out(sayVerdict(diagram, verdict));
  shown.forEach((each, i) => out(`${i === 0 ? 'Next' : '  or'}: ${sayAdvice(diagram, each)}`));
  return EXIT.done;
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
  leading.faults[0] ? nameFault(diagram, leading.faults[0]) : 'Nothing wrong in this diagram';

function sayVerdict(diagram: Diagram, verdict: UnitVerdict): string {
  switch (verdict.kind) {
    case 'named':
      return `Verdict: ${saySuspect(diagram, verdict.suspect)}`;
    case 'group':
      return `Verdict: one of ${verdict.suspects.map((each) => saySuspect(diagram, each)).join('; ')}`;
    case 'nothing-found':
      return 'Verdict: nothing wrong found in this diagram';
    case 'open':
      return verdict.needs === 'test'
        ? 'No verdict yet.'
        : 'No verdict yet: it has not been read at its own terminals.';
  }
}

const sayAdvice = (diagram: Diagram, { test, minutes, bits, expected }: Advice): string =>
  `${sayTest(diagram, test)}  (${minutes.toFixed(1)} min, ${bits.toFixed(2)} bit, ${expected.toFixed(1)} min to the verdict)`;
