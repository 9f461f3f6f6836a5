import { switches } from '../../core/diagram/terminal';
import { expectedOrder, orderedActuators } from '../../core/plan/eventOrder';
import { record as recordEvents } from '../../core/simulate/recorder';
import { writeRecordingCsv } from '../../contract/recordingCsv';
import { BadInput, EXIT, type Exit } from './command';
import { openDiagram } from './openDiagram';

/**
 * `./yarrix record DIAGRAM ACTUATOR opening|closing [--part A,B] [--wrong] [--seed N]`: what a recorder of two channels or more
 * writes on a made-up unit whose door is moved; with `--wrong` the first contact and the last change places.
 */
export function record(options: {
  diagram: string | undefined;
  actuator: string | undefined;
  way: string | undefined;
  part?: string;
  wrong: boolean;
  seed?: string;
}): Exit {
  const diagram = openDiagram(options.diagram);
  const ordered = orderedActuators(diagram);
  const actuator = ordered.find(({ id }) => id === options.actuator);
  if (!actuator)
    throw new BadInput(
      `say which door is moved: ${ordered.map(({ id }) => id).join(', ') || 'this diagram has none whose contacts have an order'}`,
    );
  const { way } = options;
  if (way !== 'opening' && way !== 'closing') throw new BadInput('say opening or closing');
  const parts = options.part?.split(',');
  const unknown = parts?.find((id) => !switches(diagram).some((each) => each.id === id));
  if (unknown !== undefined) throw new BadInput(`there is no switch "${unknown}"`);
  const events = expectedOrder(diagram, actuator, way).filter(
    ({ part }) => !parts || parts.includes(part),
  );
  if (events.length < 2) throw new BadInput('a recorder has two channels at least');
  const moved = options.wrong
    ? [...events.slice(-1), ...events.slice(1, -1), ...events.slice(0, 1)]
    : events;
  const names = moved.map(({ part, contact }) => `${part} ${contact}`);
  process.stdout.write(writeRecordingCsv(recordEvents(moved, names, Number(options.seed ?? 1))));
  return EXIT.done;
}
