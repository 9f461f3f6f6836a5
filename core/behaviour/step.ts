import type { Diagram } from '../diagram/diagram';
import { switches, unknownName, type UnknownName } from '../diagram/terminal';
import { fail, ok, type Result } from '../result';

/** One thing that somebody does to the unit, and how long it is watched after. */
export interface Step {
  does:
    | { kind: 'move'; actuator: string; position: string }
    /** A quantity that a person sets: warms a thermostat, draws on a hose. */
    | { kind: 'set'; actuator: string; value: number }
    | { kind: 'power'; on: boolean }
    /** A tripped limit is pressed back. */
    | { kind: 'reset'; part: string };
  /** Seconds; without it the unit is watched until nothing changes any more. */
  lasts?: number;
  /** As it was written. */
  text: string;
}

/** A button is held this long when nothing else is said. */
export const HOLD_SECONDS = 2;

/**
 * Reads steps written `door=closed,start=pressed,wait=5,start=released`: an actuator and its
 * position or value, `power=on` or `off`, `reset=PART`, and `wait=SECONDS` for the step before it.
 */
export function parseSteps(diagram: Diagram, text: string): Result<Step[], UnknownName> {
  const steps: Step[] = [];
  for (const written of text.split(',').map((each) => each.trim())) {
    if (written === '') continue;
    const [, name, value] = /^([^=]+)=(.+)$/.exec(written) ?? [];
    if (!name || !value) return fail(unknownStep(written));
    if (name === 'wait') {
      const seconds = Number(value);
      const last = steps.at(-1);
      if (!(seconds >= 0) || !last) return fail(unknownStep(written));
      last.lasts = (last.lasts ?? 0) + seconds;
      last.text += `, ${written}`;
      continue;
    }
    const does = readDeed(diagram, name, value);
    if (!does.ok) return does;
    const held = does.value.kind === 'move' && isHeld(diagram, does.value);
    steps.push({ does: does.value, text: written, ...(held && { lasts: HOLD_SECONDS }) });
  }
  return ok(steps);
}

function readDeed(
  diagram: Diagram,
  name: string,
  value: string,
): Result<Step['does'], UnknownName> {
  if (name === 'power') {
    return value === 'on' || value === 'off'
      ? ok({ kind: 'power', on: value === 'on' })
      : fail(unknownName('position', `power=${value}`, ['on', 'off']));
  }
  if (name === 'reset') {
    const known = switches(diagram)
      .filter((part) => part.reset)
      .map((part) => part.id);
    return known.includes(value)
      ? ok({ kind: 'reset', part: value })
      : fail(unknownName('part', value, known));
  }
  const actuator = diagram.actuators.find((each) => each.id === name);
  if (!actuator) {
    const known = diagram.actuators.map((each) => each.id);
    return fail(unknownName('actuator', name, known));
  }
  if (actuator.kind === 'quantity') {
    const number = Number(value);
    return Number.isFinite(number)
      ? ok({ kind: 'set', actuator: name, value: number })
      : fail(unknownName('position', `${name}=${value}`, [`a number of ${actuator.unit}`]));
  }
  const known = actuator.positions.map((each) => each.id);
  return known.includes(value)
    ? ok({ kind: 'move', actuator: name, position: value })
    : fail(unknownName('position', `${name}=${value}`, known));
}

function isHeld(diagram: Diagram, move: { actuator: string; position: string }): boolean {
  const actuator = diagram.actuators.find((each) => each.id === move.actuator);
  return actuator?.kind === 'momentary' && actuator.rest !== move.position;
}

const unknownStep = (text: string): UnknownName => ({
  kind: 'unknown-name',
  what: 'actuator',
  name: text,
  message: `"${text}" is not a step; write actuator=position, power=on, reset=PART or wait=SECONDS`,
});

/** The steps of a written use up to one of them, each with the wait that belongs to it. */
export function upToStep(written: string, last: number): string {
  let step = -1;
  const kept: string[] = [];
  for (const word of written.split(',').map((each) => each.trim())) {
    if (!word.startsWith('wait=')) step++;
    if (step > last) break;
    kept.push(word);
  }
  return kept.join(',');
}

/** Steps without the waits that they end with, and the seconds of these; 0 where there are none. */
export function splitWait(written: string): { base: string; waits: number } {
  const words = written.split(',').map((each) => each.trim());
  let waits = 0;
  while (words.at(-1)?.startsWith('wait=')) waits += Number(words.pop()?.slice('wait='.length));
  return { base: words.join(','), waits };
}
