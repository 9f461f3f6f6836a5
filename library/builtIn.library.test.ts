import { runWhole } from '../core/behaviour/run';
import { parseSteps } from '../core/behaviour/step';
import { lintWhole } from '../core/circuit/lintCircuit';
import { complaintMap } from '../core/inference/complaint';
import { unitHypotheses } from '../core/inference/unitHypotheses';
import { UnitPredictor } from '../core/inference/unitPredictor';
import { HEALTHY } from '../core/inference/entryLikelihood';
import type { Diagram } from '../core/diagram/diagram';
import { WIRE_COLOURS } from '../core/drawing/wireColours';
import { ORDINARY_METER } from '../core/meter/meter';
import { LIBRARY } from './library';

const EACH = LIBRARY.map((diagram) => [diagram.id, diagram] as const);

/** Loads that run at some moment of some steps. */
function running(diagram: Diagram, steps: string): string[] {
  const parsed = parseSteps(diagram, steps);
  const { courses } = runWhole(diagram, parsed.ok ? parsed.value : [], []);
  return courses
    .flatMap((course) => course.stands)
    .flatMap(({ loads }) => Object.keys(loads).filter((id) => loads[id] === 'runs'));
}

it('has the kinds of the trade, each with a name of its own', () => {
  expect(LIBRARY.length).toBeGreaterThanOrEqual(18);
  expect(new Set(LIBRARY.map((each) => each.id)).size).toBe(LIBRARY.length);
  expect(new Set(LIBRARY.map((each) => each.kind)).size).toBeGreaterThanOrEqual(15);
});

describe.each(EACH)('%s', (_id, diagram) => {
  it('is sound, and shorts nothing while it is whole', () => {
    expect(lintWhole(diagram)).toEqual([]);
  });

  it('has wires of colours that are drawn', () => {
    for (const { colour } of diagram.wires)
      for (const code of colour.split('-')) expect(Object.keys(WIRE_COLOURS)).toContain(code);
  });

  it('can run every load: in its uses, after one more move, or as the sign of a fault', () => {
    const uses = (diagram.uses ?? []).map((use) => use.steps);
    const moves = diagram.actuators.flatMap((actuator) =>
      actuator.kind === 'hand' ? actuator.positions.map(({ id }) => `${actuator.id}=${id}`) : [],
    );
    // One more move while the unit runs, which is before its last step.
    const more = uses.flatMap((steps) =>
      moves.map((move) =>
        [...steps.split(',').filter((each) => !each.startsWith('door=open')), move].join(','),
      ),
    );
    const ran = new Set([...uses, ...more].flatMap((steps) => running(diagram, steps)));
    const never = diagram.parts.filter(({ id, kind }) => kind === 'load' && !ran.has(id));
    // A fault lamp is lit by nothing but a fault.
    const signs = unitHypotheses(diagram).flatMap(({ uses: { courses } }) =>
      [...courses.values()].flatMap(({ stands }) =>
        stands.flatMap(({ loads }) => Object.keys(loads).filter((id) => loads[id] === 'runs')),
      ),
    );
    expect(never.map((each) => each.id).filter((id) => !signs.includes(id))).toEqual([]);
  });

  it('has for every fault what is noticed of it at which moment, or says that nobody notices it', () => {
    const predictor = new UnitPredictor(diagram, ORDINARY_METER);
    const { complaints, hidden } = complaintMap(predictor);
    const told = complaints.flatMap((each) => each.of);
    expect(told.length + hidden.length).toBe(
      predictor.hypotheses.filter((each) => each.suspect !== undefined).length,
    );
    const healthy = predictor.hypotheses[HEALTHY]?.uses.outcomes;
    for (const { statement, of } of complaints) {
      const { steps, subject, outcome } = statement;
      expect(healthy?.get(steps)?.get(subject)).not.toBe(outcome);
      expect(of.length).toBeGreaterThan(0);
    }
    expect(told.length).toBeGreaterThan(hidden.length / 2);
  });

  it('says by which tool and from which side its panels are opened, and every part behind one', () => {
    for (const panel of diagram.panels) expect(panel.side).toBeDefined();
    const priors = diagram.parts.flatMap((part) => (part.prior ? [part.prior.source] : []));
    expect(priors.every((source) => source !== '')).toBe(true);
    expect(diagram.cautions.length).toBeGreaterThan(0);
  });
});
