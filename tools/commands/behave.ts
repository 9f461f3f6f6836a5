import { run, type StepResult } from '../../core/behaviour/run';
import { noticed } from '../../core/behaviour/statement';
import { sayStatement } from '../../core/describe/statement';
import { parseSteps } from '../../core/behaviour/step';
import type { Diagram } from '../../core/diagram/diagram';
import { BadInput, EXIT, out, outJson, valueOf, type Exit } from './command';
import { openDiagram } from './openDiagram';
import { faultsFrom } from './setup';

export interface BehaveOptions {
  diagram?: string;
  steps?: string;
  fault: string[];
  json: boolean;
}

/** Moments shown of a step; the rest is counted. */
const SHOWN = 12;

/** `./yarrix behave DIAGRAM --steps "door=closed,..." [--fault ...]`: what the unit does. */
export function behave(options: BehaveOptions): Exit {
  const diagram = openDiagram(options.diagram);
  if (options.steps === undefined)
    throw new BadInput('--steps is missing: write actuator=position,...');
  const steps = valueOf(parseSteps(diagram, options.steps));
  const faults = faultsFrom(diagram, options.fault);
  const results = run(diagram, steps, faults);
  const differs = faults.length ? noticed(diagram, run(diagram, steps), results) : [];
  if (options.json) {
    outJson({ diagram: diagram.id, faults, steps: results, noticed: differs });
    return EXIT.done;
  }
  for (const result of results) sayStep(diagram, result);
  if (faults.length) {
    out(differs.length ? 'Unlike a healthy unit:' : 'Nothing that a healthy unit would not do.');
    for (const each of differs) out(`  ${sayStatement(diagram, results, each)}`);
  }
  return EXIT.done;
}

function sayStep(diagram: Diagram, result: StepResult): void {
  const { cycle } = result;
  const ends = { settled: 'then nothing changes', cycling: '', over: '', chatters: 'it chatters' };
  out(`${result.step}${ends[result.end] ? `: ${ends[result.end]}` : ''}`);
  for (const moment of result.moments.slice(0, SHOWN)) {
    const loads = Object.entries(moment.loads).filter(([, doing]) => doing !== 'off');
    const boards = Object.entries(moment.boards).map(([id, state]) => {
      const board = diagram.parts.find((each) => each.id === id);
      const known =
        board?.kind === 'board' ? board.logic?.states.find((each) => each.id === state) : undefined;
      return `${id}: ${known?.says ?? state}`;
    });
    const parts = [
      ...loads.map(([id, doing]) => `${id} ${doing}`),
      ...moment.opened.map((id) => `${id} OPEN`),
      ...boards,
    ];
    out(`  ${moment.at.toFixed(1).padStart(8)} s  ${parts.join(', ') || 'all off'}`);
  }
  if (result.moments.length > SHOWN) out(`  and ${result.moments.length - SHOWN} more changes`);
  if (!cycle) return;
  const shares = Object.entries(cycle.runs)
    .filter(([, share]) => share > 0)
    .map(([id, share]) => `${id} ${Math.round(share * 100)} %`);
  out(`  goes round in ${cycle.seconds.toFixed(0)} s; on-time: ${shares.join(', ')}`);
}
