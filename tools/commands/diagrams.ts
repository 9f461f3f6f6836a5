import { positionsOf } from '../../core/diagram/setup';
import { LIBRARY } from '../../library/library';
import { EXIT, out, outJson, type Exit } from './command';

/** `./yarrix diagrams [--json]`: the built-in diagrams. */
export function diagrams({ json }: { json: boolean }): Exit {
  const list = LIBRARY.map((diagram) => ({
    id: diagram.id,
    kind: diagram.kind,
    name: diagram.name,
    parts: diagram.parts.map((part) => ({
      id: part.id,
      name: part.name,
      kind: part.kind,
      terminals: part.terminals.map((each) => each.id),
      ...(part.kind === 'switch' && {
        actuator: part.actuator,
        positions: positionsOf(diagram, part),
      }),
    })),
    actuators: diagram.actuators.map((actuator) => ({
      id: actuator.id,
      name: actuator.name,
      kind: actuator.kind,
      positions: actuator.kind === 'quantity' ? [] : actuator.positions.map((each) => each.id),
    })),
  }));
  if (json) outJson(list);
  else {
    for (const each of list) {
      out(`${each.id}  (${each.kind})  ${each.name}`);
      for (const part of each.parts)
        out(`    ${part.kind.padEnd(10)} ${part.id}: ${part.terminals.join(' ')}`);
      for (const actuator of each.actuators)
        out(`    moved by   ${actuator.id}: ${actuator.positions.join(' | ')}`);
    }
  }
  return EXIT.done;
}
