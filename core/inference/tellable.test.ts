import { builtIn } from '../../library/library';
import { alike } from '../behaviour/statement';
import { complaintOf } from './complaint';
import { HEALTHY } from './entryLikelihood';
import { sayable, tellable } from './tellable';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

describe.each(['coil-burner', 'top-load-washer', 'gas-dryer'])('what can be told of %s', (id) => {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(id);
  const predictor = preparedUnit(diagram).predictor;
  const all = sayable(predictor);
  const at = (steps: string, subject: string) =>
    all.find((each) => each.steps === steps && each.subject === subject)?.outcomes ?? [];

  it('has every complaint that a fault makes, and what a good unit does first', () => {
    predictor.hypotheses.forEach((_, i) => {
      const complaint = complaintOf(predictor, i);
      if (!complaint) return;
      const { steps, subject, outcome } = complaint;
      expect(at(steps, subject).some((each) => alike(each, outcome))).toBe(true);
    });
    for (const { steps, subject, outcomes } of all) {
      expect(outcomes[0]).toBe(predictor.outcome(HEALTHY, steps, subject));
      expect(outcomes.length).toBeGreaterThan(1);
    }
  });

  it('leaves out what no fault changes: nobody is asked for it', () => {
    const moments = [...(predictor.hypotheses[HEALTHY]?.uses.outcomes ?? [])];
    const every = moments.flatMap(([steps, outcomes]) =>
      [...outcomes.keys()].map((subject) => ({ steps, subject })),
    );
    expect(all.length).toBeLessThan(every.length);
    for (const { steps, subject } of every) {
      if (at(steps, subject).length) continue;
      const good = predictor.outcome(HEALTHY, steps, subject);
      predictor.hypotheses.forEach((_, i) => {
        const does = predictor.outcome(i, steps, subject);
        if (does !== undefined && good !== undefined) expect(alike(does, good)).toBe(true);
      });
    }
  });

  it('offers by words only what it has step by step', () => {
    for (const { steps, subject, outcome } of tellable(predictor))
      expect(at(steps, subject).some((each) => alike(each, outcome))).toBe(true);
  });
});
