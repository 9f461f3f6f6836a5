import { standAfter } from '../../core/behaviour/run';
import { parseSteps } from '../../core/behaviour/step';
import { drawLadder } from '../../core/drawing/place';
import { drawnShowing, showingOf } from '../../core/drawing/showing';
import { toSvg } from '../../core/drawing/svg';
import { layout } from '../../server/report/layout';
import { EXIT, valueOf, type Exit } from './command';
import { openDiagram } from './openDiagram';
import { faultsFrom } from './setup';

/** `./yarrix draw DIAGRAM [--steps "..."] [--fault F]...`: the ladder as an SVG, alive after some steps. */
export async function draw(options: {
  diagram?: string;
  steps?: string;
  fault: string[];
}): Promise<Exit> {
  const diagram = openDiagram(options.diagram);
  const faults = faultsFrom(diagram, options.fault);
  const drawing = await drawLadder(diagram, layout);
  const steps = options.steps === undefined ? [] : valueOf(parseSteps(diagram, options.steps));
  const stand = steps.length ? standAfter(diagram, steps, faults) : undefined;
  const showing = stand ? showingOf(diagram, stand, faults) : drawnShowing(diagram);
  process.stdout.write(toSvg(diagram, drawing, showing));
  return EXIT.done;
}
