import type { Diagram, SwitchPart } from '../diagram/diagram';
import { modeOf, type Fault } from '../fault/fault';
import type { Explanation, SwitchState } from '../inference/switchVerdict';
import { positionsOf } from '../diagram/setup';
import { coldPositions, type Depth } from '../plan/proof';
import { sayFaultOfSwitch } from './fault';
import { sayGuesses } from './guesses';
import { sayNewPart } from './newPart';
import { sayPosition } from './position';
import { isReplaced, remedyFor } from './remedy';
import { saySlip, SLIP_REMEDY } from './slip';
import { capital } from './use';

/** The verdict in words: a headline, what follows from it, and details line by line. */
export interface VerdictInWords {
  tone: 'good' | 'bad' | 'warn' | 'ink';
  headline: string;
  follows: string;
  lines: string[];
}

/** What has become of the proof of one switch. */
export interface Proved {
  diagram: Diagram;
  part: SwitchPart;
  state: SwitchState;
  depth: Depth;
  /** Readings that still count. */
  counting: number;
}

export function sayVerdict(proved: Proved): VerdictInWords {
  const { diagram, part, state, depth, counting } = proved;
  const say = (position: string): string => sayPosition(diagram, part.actuator, position);
  const { verdict } = state;
  switch (verdict.kind) {
    case 'good': {
      const cold = coldPositions(diagram, part);
      const unseen = positionsOf(diagram, part).filter((each) => !cold.includes(each));
      if (unseen.length)
        return {
          tone: 'warn',
          headline: 'Good at rest',
          follows:
            'No hand moves it, and with everything dead it stays there. Read volts across each of its contacts while it is driven: near none where it has closed, full where it is open. Not seen yet:',
          lines: unseen.map(say),
        };
      return {
        tone: 'good',
        headline: 'Good switch',
        follows:
          depth === 'full'
            ? 'Every cell seen as the table says, wiggled, and no path where none may be.'
            : 'Every contact seen closed and open. Not yet looked for: loose when wiggled, leaks, paths between poles. The full proof does.',
        lines: [],
      };
    }
    case 'half-proved': {
      const done = state.proof.length - verdict.unseen.length;
      if (counting === 0) {
        return {
          tone: 'ink',
          headline: 'Not read yet',
          follows: `${state.proof.length} readings prove it.`,
          lines: [],
        };
      }
      return {
        tone: 'warn',
        headline: `Half proved: ${done} of ${state.proof.length}`,
        follows: 'All agrees so far. Not seen yet:',
        lines: verdict.unseen.map((step) => {
          const what =
            step.shows.kind === 'cell' ? `${step.shows.contact} ${step.shows.state}` : 'no path';
          const pair =
            step.shows.kind === 'cell'
              ? ''
              : ` ${step.from.split('.')[1]} to ${step.to.split('.')[1]}`;
          return `${what}${pair}, ${say(step.position)}`;
        }),
      };
    }
    case 'fault': {
      const names = verdict.faults.map((fault) => sayFaultOfSwitch(part, fault, say)).join(' and ');
      const percent = Math.min(99, Math.floor(verdict.probability * 100));
      return {
        tone: 'bad',
        headline: capital(names),
        follows: verdict.faults.map((fault) => action(proved, fault))[0] ?? '',
        lines: [
          `${percent} in 100, from ${verdict.because.length} reading${verdict.because.length === 1 ? '' : 's'} for it` +
            (verdict.against.length ? ` and ${verdict.against.length} against` : ''),
          ...[sayGuesses(diagram, part.id)].flatMap((each) => each ?? []),
          ...(isReplaced(diagram, verdict.faults) ? sayNewPart(diagram, part.id) : []),
        ],
      };
    }
    case 'check-again':
      return {
        tone: 'warn',
        headline: 'Look again before you condemn it',
        follows: saySlip(verdict.slip, say),
        lines: [SLIP_REMEDY[verdict.slip.kind]],
      };
    case 'undecided':
      return {
        tone: 'warn',
        headline: 'Something is off',
        follows:
          verdict.needs === 'second-reading'
            ? 'One odd reading condemns nothing. It could be:'
            : 'Not enough to name it yet. It could be:',
        lines: verdict.leading.map(
          (each) =>
            `${Math.max(1, Math.round(each.probability * 100))} in 100: ${explain(part, each, say)}`,
        ),
      };
  }
}

function explain(
  part: SwitchPart,
  { hypothesis }: Explanation,
  say: (position: string) => string,
): string {
  switch (hypothesis.kind) {
    case 'good':
      return 'the switch is good and a reading slipped';
    case 'slip':
      return saySlip(hypothesis.slip, say)
        .replace(/^The readings fit/, 'they fit')
        .replace(/\.$/, '');
    case 'fault':
      return hypothesis.faults.map((fault) => sayFaultOfSwitch(part, fault, say)).join(' and ');
  }
}

/** What to do about a fault; the actuator is looked at before a switch is bought. */
function action({ diagram, part }: Proved, fault: Fault): string {
  if (modeOf(fault.mode).remedy.kind !== 'adjust') return remedyFor(diagram, fault).says;
  const hardware = diagram.parts.flatMap((each) =>
    each.kind === 'hardware' && each.serves.includes(part.id) ? each.name : [],
  );
  const what = hardware.length ? hardware.join(', ') : 'what moves it';
  return `The switch itself works. Look at ${what}: worn, bent or out of reach.`;
}
