import { runWhole } from '../behaviour/run';
import { parseSteps } from '../behaviour/step';
import type { Actuator, Diagram, Use } from '../diagram/diagram';
import { switches } from '../diagram/terminal';
import { freeId } from './changePart';

/** Uses guessed at most: a selector with more positions than that is told by hand. */
const MOST = 12;

/**
 * How a unit is likely to be used, where nobody has said it: for each position of its busiest control what else a hand does so
 * that most of its loads run, and then single moves that run what has not run yet.
 */
export function guessUses(diagram: Diagram): Use[] {
  const controls = diagram.actuators.filter(
    ({ kind }) => kind === 'hand' || kind === 'momentary',
  ) as Control[];
  const knobs = controls.filter(({ kind }) => kind === 'hand');
  const [main] = [...knobs].sort((a, b) => weight(diagram, b) - weight(diagram, a));
  const uses: Use[] = [];
  const seen = new Set<string>();
  const ran = new Set<string>();
  const keep = (steps: string[], running: readonly string[]): void => {
    const key = [...running].sort().join();
    if (!running.length || seen.has(key) || uses.length >= MOST) return;
    seen.add(key);
    for (const each of running) ran.add(each);
    const name = nameOf(controls, steps);
    uses.push({ id: freeId(name, uses), name, steps: steps.join(',') });
  };
  const begins = main
    ? main.positions
        .filter(({ id }) => id !== diagram.drawnFor[main.id])
        .map(({ id }) => [`${main.id}=${id}`])
    : [[]];
  for (const begin of begins) {
    const others = controls.filter((each) => each !== main);
    const { steps, running } = warmed(diagram, greedy(diagram, begin, others));
    keep(steps.length ? steps : [`power=on`], running);
  }
  for (const control of controls)
    for (const { id } of control.positions) {
      const steps = [`${control.id}=${id}`];
      const running = runningAfter(diagram, steps);
      if (running.some((each) => !ran.has(each))) keep(steps, running);
    }
  return uses;
}

type Control = Extract<Actuator, { kind: 'hand' | 'momentary' }>;

/** Values that bring a quantity past the set points of what it moves. */
const valuesOf = (diagram: Diagram, id: string): number[] =>
  switches(diagram).flatMap(({ actuator, setPoints }) =>
    actuator === id && setPoints
      ? [
          setPoints.rising.at + setPoints.rising.tolerance,
          setPoints.falling.at - setPoints.falling.tolerance,
        ]
      : [],
  );

/** Contacts that a control moves: the one that moves most decides what the unit does. */
const weight = ({ parts }: Diagram, { id, positions }: Control): number =>
  parts.reduce(
    (sum, part) =>
      sum + (part.kind === 'switch' && part.actuator === id ? part.contacts.length : 0),
    positions.length / 100,
  );

/** One control after the other is moved where that makes more run. */
function greedy(diagram: Diagram, begin: string[], controls: readonly Control[]) {
  let steps = begin;
  let running = runningAfter(diagram, steps);
  // Buttons first: a door is left as it is drawn where that starts more. All once more: some help only together.
  const buttons = controls.filter(({ kind }) => kind === 'momentary');
  const others = controls.filter(({ kind }) => kind === 'hand');
  for (const control of [...buttons, ...others, ...buttons, ...others]) {
    const tries =
      control.kind === 'momentary'
        ? control.positions
            .filter(({ id }) => id !== control.rest)
            .map(({ id }) => [`${control.id}=${id}`, 'wait=3', `${control.id}=${control.rest}`])
        : control.positions.map(({ id }) => [`${control.id}=${id}`]);
    if (steps.some((each) => each.startsWith(`${control.id}=`))) continue;
    for (const more of tries) {
      const then = runningAfter(diagram, [...steps, ...more]);
      if (then.length > running.length) [steps, running] = [[...steps, ...more], then];
    }
  }
  return { steps, running };
}

/** What is too cold or too warm as it is drawn is brought to where more runs. */
function warmed(diagram: Diagram, used: { steps: string[]; running: string[] }) {
  let { steps, running } = used;
  for (const { id, kind } of diagram.actuators)
    for (const value of kind === 'quantity' ? valuesOf(diagram, id) : []) {
      // It stands so before anybody comes.
      const then = [`${id}=${value}`, ...steps];
      const more = runningAfter(diagram, then);
      if (more.length > running.length) [steps, running] = [then, more];
    }
  return { steps, running };
}

/** Loads that run at some moment of the last step, plugged in as drawn. */
function runningAfter(diagram: Diagram, steps: readonly string[]): string[] {
  const parsed = parseSteps(diagram, steps.join(',') || 'power=on');
  if (!parsed.ok) return [];
  const { courses } = runWhole(diagram, parsed.value, []);
  const loads = courses
    .flatMap(({ stands }) => stands)
    .flatMap((stand) => Object.keys(stand.loads).filter((id) => stand.loads[id] === 'runs'));
  return [...new Set(loads)];
}

function nameOf(controls: readonly Control[], steps: readonly string[]): string {
  const said = steps.flatMap((step) => {
    const [id, position] = step.split('=');
    const control = controls.find((each) => each.id === id);
    if (!control || (control.kind === 'momentary' && position === control.rest)) return [];
    return control.positions.find((each) => each.id === position)?.name ?? [];
  });
  return said.join(', ') || 'Plugged in';
}
