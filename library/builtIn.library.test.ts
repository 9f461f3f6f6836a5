import { runWhole } from '../core/behaviour/run';
import { isNoticed, saidBeside, statementsOf } from '../core/behaviour/statement';
import { parseSteps } from '../core/behaviour/step';
import { lintWhole } from '../core/circuit/lintCircuit';
import { complaintMap } from '../core/inference/complaint';
import type { Diagram } from '../core/diagram/diagram';
import type { Fault } from '../core/fault/fault';
import { WIRE_COLOURS } from '../core/drawing/wireColours';
import type { UnitDiagnosis } from '../core/plan/unitDiagnosis';
import { LIBRARY } from './library';
import { preparedUnit } from '../tools/preparations/preparedUnit';

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
  expect(LIBRARY.length).toBeGreaterThanOrEqual(34);
  expect(new Set(LIBRARY.map((each) => each.id)).size).toBe(LIBRARY.length);
  expect(new Set(LIBRARY.map((each) => each.kind)).size).toBeGreaterThanOrEqual(30);
});

it('says of every prior where it is from', () => {
  const priors = LIBRARY.flatMap(({ parts }) => parts.flatMap(({ prior }) => prior ?? []));
  expect(priors.length).toBeGreaterThan(50);
  for (const { source, weight } of priors) {
    expect(source).not.toBe('');
    expect(weight).toBeGreaterThan(0);
  }
});

describe.each(EACH)('%s', (_id, diagram) => {
  let unit: UnitDiagnosis;
  beforeAll(() => {
    unit = preparedUnit(diagram);
  });

  it('is sound, and shorts nothing while it is whole', () => {
    expect(lintWhole(diagram)).toEqual([]);
  });

  it('has wires of colours that are drawn', () => {
    expect(diagram.wires.length).toBeGreaterThan(0);
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
    const never = diagram.parts.filter(
      (part) => part.kind === 'load' && isNoticed(part) && !ran.has(part.id),
    );
    // A fault lamp is lit by nothing but a fault.
    const signs = (never.length ? unit.predictor.hypotheses : []).flatMap(({ uses: { courses } }) =>
      [...courses.values()].flatMap(({ stands }) =>
        stands.flatMap(({ loads }) => Object.keys(loads).filter((id) => loads[id] === 'runs')),
      ),
    );
    expect(never.map((each) => each.id).filter((id) => !signs.includes(id))).toEqual([]);
  });

  it('has for every fault what is noticed of it at which moment, or says that nobody notices it', () => {
    const predictor = unit.predictor;
    const { complaints, hidden } = complaintMap(predictor);
    // Run once more, apart from what the map was made of: told faults show it, hidden ones do not.
    const loads = diagram.parts.flatMap((part) => (part.kind === 'load' ? [part.id] : []));
    const shows = (steps: string, faults: readonly Fault[]): string[] => {
      const parsed = parseSteps(diagram, steps);
      const { results } = runWhole(diagram, parsed.ok ? parsed.value : [], faults);
      const last = results.length - 1;
      const good = runWhole(diagram, parsed.ok ? parsed.value : [], []).results;
      const usual = new Map(
        statementsOf(diagram, good)
          .filter(({ step }) => step === last)
          .map(({ subject, outcome }) => [subject, outcome]),
      );
      return statementsOf(diagram, results)
        .filter(({ step, subject }) => step === last && loads.includes(subject))
        .map(({ subject, outcome }) => {
          const said = saidBeside(diagram, subject, outcome, usual.get(subject));
          return `${subject} ${said}`;
        });
    };
    expect(complaints.length).toBeGreaterThan(0);
    for (const { statement, of } of complaints.filter((_, i) => i % 3 === 0)) {
      const [one] = of;
      expect(shows(statement.steps, one?.causes ?? [])).toContain(
        `${statement.subject} ${statement.outcome}`,
      );
      expect(shows(statement.steps, [])).not.toContain(`${statement.subject} ${statement.outcome}`);
    }
    const uses = (diagram.uses ?? []).map((each) => each.steps);
    for (const { causes } of hidden.filter((_, i) => i % 5 === 0))
      // An intermittent contact is complained of as in a bad moment, which this is not.
      for (const steps of uses) expect(shows(steps, causes)).toEqual(shows(steps, []));
    const told = complaints.flatMap((each) => each.of);
    expect(told.length).toBeGreaterThan(hidden.length / 2);
  });

  it('says from which side its panels are opened, and what to be careful of', () => {
    expect(diagram.panels.length).toBeGreaterThan(0);
    for (const panel of diagram.panels) expect(panel.side).toBeDefined();
    expect(diagram.cautions.length).toBeGreaterThan(0);
  });
});
