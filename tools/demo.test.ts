import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chanceFrom } from '../core/chance';
import { complaintOf } from '../core/inference/complaint';
import { workCall } from '../core/simulate/simulatedCall';
import { run } from '../core/behaviour/run';
import { statementsOf } from '../core/behaviour/statement';
import { parseSteps } from '../core/behaviour/step';
import { inBadMoment, ownerOf, type Fault } from '../core/fault/fault';
import { nameFault } from '../core/describe/fault';
import { parseFault } from '../core/fault/parseFault';
import { CALLS } from '../demo/scenario';
import { builtIn } from '../library/library';
import { placeOf } from './commands/walk';
import { ROOT } from './folders';
import { preparedUnit } from './preparations/preparedUnit';

const told = readFileSync(join(ROOT, 'docs', 'demo.md'), 'utf8');
const faulty = CALLS.filter((each) => each.truth.length === 1);

describe('the demo calls', () => {
  it('are of eight made-up units at least, on eight kinds at least', () => {
    expect(CALLS.length).toBeGreaterThanOrEqual(8);
    expect(new Set(faulty.map((each) => each.diagramId)).size).toBeGreaterThanOrEqual(8);
  });

  it('tell what their fault does, and what a good unit does not', () => {
    expect(CALLS.filter((each) => each.truth.length === 0).length).toBeGreaterThanOrEqual(2);
    expect(CALLS.some((each) => each.truth.length === 2)).toBe(true);
    for (const { diagramId, told: said, truth, complaint } of CALLS) {
      const diagram = builtIn(diagramId);
      if (!diagram) throw new Error(diagramId);
      if (!said) {
        expect({ complaint, truth }).toEqual({ complaint, truth: [] });
        continue;
      }
      const faults = truth.flatMap((text) => {
        const parsed = parseFault(diagram, text);
        if (!parsed.ok) throw new Error(parsed.error.message);
        return parsed.value;
      });
      const seen = (which: Fault[]): string | undefined => {
        const steps = parseSteps(diagram, said.steps);
        if (!steps.ok) throw new Error(steps.error.message);
        const results = run(diagram, steps.value, which);
        return statementsOf(diagram, results).findLast(({ subject }) => subject === said.subject)
          ?.outcome;
      };
      // What comes and goes is told of as it is in a bad moment.
      const bad = faults.map((each) => inBadMoment(each) ?? each);
      expect({ complaint, seen: seen(bad) }).toEqual({ complaint, seen: said.outcome });
      expect({ complaint, good: seen([]) }).not.toEqual({ complaint, good: said.outcome });
    }
  });

  it.each(faulty.map((each) => [each.appliance.model, each] as const))(
    'can be worked from the complaint to the hidden truth that docs/demo.md tells: %s',
    (_model, { diagramId, truth: [text] }) => {
      const diagram = builtIn(diagramId);
      const parsed = diagram && parseFault(diagram, text ?? '');
      const fault = parsed?.ok ? parsed.value[0] : undefined;
      if (!diagram || !fault) throw new Error(`${diagramId}: ${text}`);
      expect(told).toContain(nameFault(diagram, fault));
      expect(told).toContain(`./yarrix walk ${diagramId} --fault ${text}`);
      const diagnosis = preparedUnit(diagram);
      const { predictor } = diagnosis;
      const index = placeOf(predictor, fault);
      const hypothesis = predictor.hypotheses[index];
      const complaint = complaintOf(predictor, index);
      if (!hypothesis || !complaint) throw new Error(`${text} is not noticed`);
      const { verdict } = workCall(diagnosis, hypothesis, complaint, { chance: chanceFrom(7) });
      expect(verdict).toMatchObject({ kind: 'named', suspect: { id: ownerOf(fault) } });
    },
  );
});
