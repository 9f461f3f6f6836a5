import type { BoardPart, Diagram } from './diagram';
import { unique, type Report } from './lintReport';

/** Names in a board's states: its inputs, the actuators it drives, the states it goes to. */
export function lintLogic(diagram: Diagram, part: BoardPart, path: string, error: Report): void {
  const { logic } = part;
  if (!logic) return;
  const inputs = part.inputs.map((each) => each.id);
  const states = logic.states.map((each) => each.id);
  part.inputs.forEach(({ id, senses, range }, i) => {
    if ((senses === 'resistance') !== (range !== undefined))
      error(
        `${path}/inputs/${i}/range`,
        `"${id}" senses a resistance with a range, and nothing else has one`,
      );
    else if (range && range.low >= range.high)
      error(`${path}/inputs/${i}/range`, `the range of "${id}" ends below where it begins`);
  });
  if (!inputs.includes(logic.power))
    error(`${path}/logic/power`, `${part.id} has no input "${logic.power}"`);
  unique(states, (id) => error(`${path}/logic/states`, `the state "${id}" is given twice`));
  logic.states.forEach((state, i) => {
    const at = `${path}/logic/states/${i}`;
    state.drives.forEach((id, j) => {
      const actuator = diagram.actuators.find((each) => each.id === id);
      if (actuator?.kind !== 'driven' || actuator.by !== part.id)
        error(`${at}/drives/${j}`, `"${id}" is not an actuator driven by ${part.id}`);
    });
    state.next.forEach((way, j) => {
      if (!states.includes(way.to))
        error(`${at}/next/${j}/to`, `there is no state "${way.to}"; known: ${states.join(', ')}`);
      for (const name of Object.keys(way.when)) {
        const known = inputs.includes(name) || diagram.actuators.some((each) => each.id === name);
        if (!known) error(`${at}/next/${j}/when`, `"${name}" is neither an input nor an actuator`);
      }
    });
  });
}
