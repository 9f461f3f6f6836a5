import { useMemo, useState } from 'react';
import { runWhole, type StepResult } from '../../../core/behaviour/run';
import { parseSteps } from '../../../core/behaviour/step';
import { circuitOf, type Machine } from '../../../core/behaviour/machine';
import { ohmReading } from '../../../core/circuit/ohmReading';
import { voltsBetween } from '../../../core/circuit/voltReading';
import type { Diagram, TerminalRef } from '../../../core/diagram/diagram';
import { showingOf, type Showing } from '../../../core/drawing/showing';
import type { Fault } from '../../../core/fault/modes';
import type { GoodShown } from '../../workers/diagnosis';

/** What a meter shows between two points, dead in ohms and live in volts; or why nobody can say. */
export type Expected = GoodShown | { kind: 'none'; reason: string };

export interface TeachingBench {
  showing: Showing;
  powered: boolean;
  /** The position of every control, and the value of every quantity. */
  stands: Record<string, string | number>;
  /** Changes of the last step, as seconds after it. */
  moments: number[];
  moment: number;
  setMoment: (at: number) => void;
  end: StepResult['end'];
  fault: Fault | undefined;
  putIn: (fault: Fault | undefined) => void;
  /** Does one thing with the unit: `door=open`, `power=on`. */
  move: (step: string) => void;
  asDrawn: () => void;
  /** What a meter would show between two points of the unit as it stands. */
  expected: (from: TerminalRef, to: TerminalRef, faults: readonly Fault[]) => Expected;
}

const UNPLUGGED = 'power=off';

/** A unit to try things on: its controls are moved, faults put in, and what follows is seen. */
export function useTeachingBench(diagram: Diagram): TeachingBench {
  const [steps, setSteps] = useState<string[]>([UNPLUGGED]);
  const [fault, setFault] = useState<Fault>();
  const [picked, setPicked] = useState<{ steps: string[]; moment: number }>();
  const faults = useMemo(() => (fault ? [fault] : []), [fault]);
  const ran = useMemo(() => {
    const parsed = parseSteps(diagram, steps.join(','));
    const { results, courses } = runWhole(diagram, parsed.ok ? parsed.value : [], faults);
    return { result: results.at(-1), stands: courses.at(-1)?.stands ?? [] };
  }, [diagram, steps, faults]);
  const { stands, result } = ran;
  const last = Math.max(0, stands.length - 1);
  const moment = picked?.steps === steps ? Math.min(picked.moment, last) : last;
  const stand = stands[moment];
  const showing = useMemo(
    () => (stand ? showingOf(diagram, stand, faults) : undefined),
    [diagram, stand, faults],
  );
  if (!stand || !showing) throw new Error(`${diagram.id}: ${steps.join(',')} cannot be run`);
  const { setup } = stand.machine;
  return {
    showing,
    powered: setup.power === 'on',
    stands: Object.fromEntries(
      Object.entries(setup.actuators).map(([id, state]) => [
        id,
        typeof state === 'object' ? state.value : state,
      ]),
    ),
    moments: stands.map((each) => each.at),
    moment,
    setMoment: (at) => setPicked({ steps, moment: at }),
    end: result?.end ?? 'settled',
    fault,
    putIn: setFault,
    move: (step) => setSteps(joined(steps, step)),
    asDrawn: () => setSteps([UNPLUGGED]),
    expected: (from, to, put) => expectedAt(diagram, stand.machine, from, to, put),
  };
}

/** What a meter would show of a unit that stands so. */
export function expectedAt(
  diagram: Diagram,
  machine: Machine,
  from: TerminalRef,
  to: TerminalRef,
  faults: readonly Fault[],
): Expected {
  const { setup } = machine;
  if (setup.power !== 'on') {
    const answer = ohmReading(diagram, { ...setup, except: [] }, from, to, faults);
    return answer.kind === 'open' || answer.kind === 'ohms'
      ? { kind: 'ohms', answer }
      : { kind: 'none', reason: answer.reason };
  }
  const answer = voltsBetween(circuitOf(diagram, machine, faults), from, to);
  if (answer.kind === 'volts') return { kind: 'volts', volts: answer.nominal };
  return { kind: 'none', reason: answer.reason };
}

/** Pulling the plug ends a run: what was done before is kept as positions alone. */
function joined(steps: readonly string[], step: string): string[] {
  if (step !== UNPLUGGED) return [...steps, step];
  const moved = new Map<string, string>();
  for (const each of steps) {
    const [id = ''] = each.split('=');
    if (id !== 'power' && id !== 'reset') moved.set(id, each);
  }
  return [UNPLUGGED, ...moved.values()];
}
