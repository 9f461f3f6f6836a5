import type { Diagram, TerminalRef } from '../../core/diagram/diagram';
import { sayPosition } from '../../core/describe/position';
import { findSwitch, wiresAt } from '../../core/diagram/terminal';
import { isolate } from '../../core/circuit/isolation';
import { ohmReading } from '../../core/circuit/ohmReading';
import { expectation } from '../../core/inference/expectation';
import { sayOhms } from '../../core/describe/display';
import { proofOf } from '../../core/plan/proof';
import { totalMoves } from '../../core/plan/route';
import { EXIT, out, outJson, valueOf, BadInput, type Exit } from './command';
import { openDiagram } from './openDiagram';

const coloursAt = (diagram: Diagram, ref: TerminalRef): string[] =>
  wiresAt(diagram, ref).map((wire) => wire.colour);

/** `./yarrix proof DIAGRAM PART [--full] [--json]`: the readings that prove a switch, in order. */
export function proof(options: {
  diagram?: string;
  part?: string;
  full: boolean;
  json: boolean;
}): Exit {
  const diagram = openDiagram(options.diagram);
  if (!options.part) throw new BadInput('name a PART that is a switch');
  const part = valueOf(findSwitch(diagram, options.part));
  const depth = options.full ? 'full' : 'quick';
  const steps = proofOf(diagram, part, depth);
  const { lift, sneakPaths } = isolate(diagram, part);
  const readings = steps.map((step, i) => {
    const good = ohmReading(diagram, step.setup, step.from, step.to);
    const expected = expectation(part, step);
    const ohms = good.kind === 'ohms' ? good : { nominal: null, low: null, high: null };
    return {
      number: i + 1,
      from: step.from,
      to: step.to,
      wires: { from: coloursAt(diagram, step.from), to: coloursAt(diagram, step.to) },
      set: { [part.actuator]: step.position },
      say: sayPosition(diagram, part.actuator, step.position),
      wiggle: step.wiggle,
      shows: step.shows,
      expected: {
        state: expected.state,
        through: expected.through,
        nominal: ohms.nominal,
        low: ohms.low,
        high: ohms.high,
      },
    };
  });
  const route = totalMoves(
    steps.map((step) => ({ pair: [step.from, step.to], position: step.position })),
  );
  if (options.json) {
    outJson({
      diagram: diagram.id,
      part: part.id,
      depth,
      lift,
      sneakPaths,
      moves: route,
      readings,
    });
    return EXIT.done;
  }
  out(`${part.name}, ${depth} proof: ${readings.length} readings, ${route} moves`);
  out(
    lift.length
      ? `Power off. Wires off: ${lift.join(', ')}`
      : 'Power off. No wire needs to come off.',
  );
  for (const way of sneakPaths)
    out(`    else ${way.from} answers to ${way.to} by ${way.through.join(', ')}`);
  for (const each of readings) {
    const { state, low, high } = each.expected;
    const good =
      low !== null && high !== null ? `${state}, ${sayOhms(low)} to ${sayOhms(high)}` : state;
    out(
      `${String(each.number).padStart(3)}  ${each.from} to ${each.to}, ${each.say}${each.wiggle ? ', wiggle' : ''}: ${good}`,
    );
  }
  return EXIT.done;
}
