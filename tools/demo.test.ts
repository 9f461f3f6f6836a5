import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chanceFrom } from '../core/chance';
import { complaintOf } from '../core/inference/complaint';
import { workCall } from '../core/simulate/simulatedCall';
import { ownerOf } from '../core/fault/fault';
import { nameFault } from '../core/describe/fault';
import { parseFault } from '../core/fault/parseFault';
import { ORDINARY_METER } from '../core/meter/meter';
import { UnitDiagnosis } from '../core/plan/unitDiagnosis';
import { CALLS } from '../demo/scenario';
import { builtIn } from '../library/library';
import { placeOf } from './commands/walk';
import { ROOT } from './folders';

const told = readFileSync(join(ROOT, 'docs', 'demo.md'), 'utf8');
const faulty = CALLS.filter((each) => each.truth.length > 0);

describe('the demo calls', () => {
  it('are of eight made-up units at least, on eight kinds at least', () => {
    expect(CALLS.length).toBeGreaterThanOrEqual(8);
    expect(new Set(faulty.map((each) => each.diagramId)).size).toBeGreaterThanOrEqual(8);
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
      const diagnosis = new UnitDiagnosis(diagram, ORDINARY_METER);
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
