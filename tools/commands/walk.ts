import { chanceFrom } from '../../core/chance';
import type { Evidence } from '../../core/call/evidence';
import { complaintOf } from '../../core/inference/complaint';
import { workCall } from '../../core/simulate/simulatedCall';
import type { UnitPredictor } from '../../core/inference/unitPredictor';
import type { Diagram } from '../../core/diagram/diagram';
import { type Fault } from '../../core/fault/fault';
import { nameFault } from '../../core/describe/fault';
import { parseFault } from '../../core/fault/parseFault';
import { sayEntryShown } from '../../core/describe/entryShown';
import { testOf } from '../../core/plan/minutes';
import { sayTest } from '../../core/describe/test';
import { USUAL_WAY } from '../../core/plan/wayOfWorking';
import { preparedUnit } from '../preparations/preparedUnit';
import { BadInput, EXIT, out, outJson, valueOf, type Exit } from './command';
import { openDiagram } from './openDiagram';

/** What looks find is drawn from this seed, so that a walk can be told again. */
const SEED = 7;

/**
 * `./yarrix walk DIAGRAM --fault F [--live] [--json]`: the way from complaint to part on a unit with
 * that fault, when the advice is followed.
 */
export function walk(options: {
  diagram?: string;
  fault: string[];
  live?: boolean;
  json: boolean;
}): Exit {
  const diagram = openDiagram(options.diagram);
  const [written] = options.fault;
  if (!written) throw new BadInput('say by --fault what is wrong with the unit');
  const [fault] = valueOf(parseFault(diagram, written));
  const diagnosis = preparedUnit(diagram);
  const { predictor } = diagnosis;
  const index = fault ? placeOf(predictor, fault) : -1;
  const truth = predictor.hypotheses[index];
  if (!fault || !truth) throw new BadInput(`"${written}" is not among the faults that are weighed`);
  const complaint = complaintOf(predictor, index);
  if (!complaint) throw new BadInput(`nobody would notice "${written}" in the uses of this unit`);
  const way = { ...USUAL_WAY, live: options.live ?? false };
  const call = workCall(diagnosis, truth, complaint, { chance: chanceFrom(SEED), way });
  const { entries, verdict, minutes } = call;
  const named = verdict.kind === 'named' ? [verdict.suspect] : [];
  const suspects = verdict.kind === 'group' ? verdict.suspects : named;
  if (options.json) {
    outJson({ entries, minutes, verdict: verdict.kind, suspects: suspects.map(({ id }) => id) });
    return EXIT.done;
  }
  out(`Really wrong: ${nameFault(diagram, fault)}`);
  for (const entry of entries) out(`  ${sayEntry(diagram, entry)}`);
  const says = suspects.map(({ leading: { causes } }) =>
    causes.map((each) => nameFault(diagram, each)).join(' and '),
  );
  out(`Verdict after ${minutes.toFixed(0)} minutes: ${says.join(', or ') || verdict.kind}`);
  return EXIT.done;
}

/** Place of a fault among what is weighed; of one of unknown size that of its first size. */
export function placeOf({ hypotheses }: UnitPredictor, fault: Fault): number {
  const plain = (each: Fault): string => JSON.stringify({ ...each, ohms: 0 });
  return hypotheses.findIndex(
    ({ causes: [one, two] }) => one && !two && plain(one) === plain(fault),
  );
}

function sayEntry(diagram: Diagram, entry: Evidence): string {
  const test = testOf(entry);
  return `${test ? sayTest(diagram, test) : entry.kind}: ${sayEntryShown(entry)}`;
}
