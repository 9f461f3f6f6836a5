import { useMemo, useState } from 'react';
import { Unit, type Course, type StepResult } from '../../../core/behaviour/run';
import { parseSteps, type Step } from '../../../core/behaviour/step';
import type { Diagram } from '../../../core/diagram/diagram';
import { showingOf, type Showing } from '../../../core/drawing/showing';
import type { Fault } from '../../../core/fault/fault';
import type { ReadAt } from '../../../core/inference/shownUnder';

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
  /** What was done since it was plugged in, as steps. */
  done: string;
  /** Plugs it in as drawn and does some steps, as they are written in a use. */
  play: (steps: string) => void;
  asDrawn: () => void;
  /** How it stands, for who asks what a meter would show of it. */
  at: ReadAt;
}

const UNPLUGGED = 'power=off';
const PLUGGED = 'power=on';

/** A unit in use: what was done with it, and how it came to stand after the last of that. */
interface Session {
  unit: Unit;
  steps: string[];
  fault: Fault | undefined;
  result: StepResult;
  course: Course;
}

/** Begins anew as drawn, and does some steps. */
function begin(diagram: Diagram, fault: Fault | undefined, steps: string[]): Session {
  const unit = new Unit(diagram, fault ? [fault] : []);
  const done = stepsOf(diagram, steps).map((step) => unit.do(step));
  const last = done.at(-1);
  if (!last) throw new Error(`${diagram.id}: "${steps.join(',')}" cannot be done`);
  return { unit, steps, fault, ...last };
}

const stepsOf = (diagram: Diagram, steps: readonly string[]): Step[] => {
  const parsed = parseSteps(diagram, steps.join(','));
  return parsed.ok ? parsed.value : [];
};

/** A unit to try things on: its controls are moved, faults put in, and what follows is seen. */
export function useTeachingBench(diagram: Diagram): TeachingBench {
  const [session, setSession] = useState(() => begin(diagram, undefined, [UNPLUGGED]));
  const [picked, setPicked] = useState<{ of: Session; moment: number }>();
  const { steps, fault, course, result } = session;
  const { stands } = course;
  const last = Math.max(0, stands.length - 1);
  const moment = picked?.of === session ? picked.moment : last;
  const stand = stands[moment];
  const showing = useMemo(
    () => stand && showingOf(diagram, stand, fault ? [fault] : []),
    [diagram, stand, fault],
  );
  if (!stand || !showing) throw new Error(`${diagram.id}: no moment ${moment}`);
  const { setup } = stand.machine;
  // Only what is new is run: the unit stands as the steps before have left it.
  const move = (step: string): void => {
    if (step === UNPLUGGED) return setSession(begin(diagram, fault, unplugged(steps)));
    const [next] = stepsOf(diagram, [step]);
    if (next) setSession({ ...session, steps: [...steps, step], ...session.unit.do(next) });
  };
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
    setMoment: (at) => setPicked({ of: session, moment: at }),
    end: result.end,
    fault,
    putIn: (put) => setSession(begin(diagram, put, steps)),
    move,
    done: steps.filter((each) => !each.startsWith('power=')).join(','),
    play: (use) => setSession(begin(diagram, fault, [UNPLUGGED, PLUGGED, ...use.split(',')])),
    asDrawn: () => setSession(begin(diagram, fault, [UNPLUGGED])),
    at:
      setup.power === 'on'
        ? { steps: steps.join(','), ...(moment < last && { second: stand.at }) }
        : { setup: { ...setup, except: [] } },
  };
}

/** Pulling the plug ends a run: what was done before is kept as positions alone. */
function unplugged(steps: readonly string[]): string[] {
  const moved = new Map<string, string>();
  for (const each of steps) {
    const [id = ''] = each.split('=');
    if (id !== 'power' && id !== 'reset') moved.set(id, each);
  }
  return [UNPLUGGED, ...moved.values()];
}
