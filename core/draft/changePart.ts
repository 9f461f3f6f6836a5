import type { Actuator, Diagram, Part, SwitchPart } from '../diagram/diagram';
import { idOf } from './findPlace';

/** Changes one part of a draft. */
export const changePart = (draft: Diagram, id: string, change: (part: Part) => Part): Diagram => ({
  ...draft,
  parts: draft.parts.map((each) => (each.id === id ? change(each) : each)),
});

/** The same where it is a switch. */
export const changeSwitch = (
  draft: Diagram,
  id: string,
  change: (part: SwitchPart) => SwitchPart,
): Diagram => changePart(draft, id, (part) => (part.kind === 'switch' ? change(part) : part));

/** A part with what it brings: what moves it, and how that is drawn. */
export interface MadePart {
  part: Part;
  actuators: Actuator[];
  drawnFor: Diagram['drawnFor'];
}

/** Puts a part in, at the end or in place of the one with its id, with what moves it where that is new to the draft. */
export function putIn(draft: Diagram, { part, actuators, drawnFor }: MadePart): Diagram {
  const known = new Set(draft.actuators.map((each) => each.id));
  const fresh = actuators.filter((each) => !known.has(each.id));
  const there = draft.parts.some((each) => each.id === part.id);
  return {
    ...draft,
    parts: there
      ? draft.parts.map((each) => (each.id === part.id ? part : each))
      : [...draft.parts, part],
    // What moves a part that is guessed is guessed as well.
    actuators: [
      ...draft.actuators,
      ...fresh.map((each) => ({ ...each, ...(part.known && { known: part.known }) })),
    ],
    drawnFor: { ...drawnFor, ...draft.drawnFor },
  };
}

/** An id that nothing else has. */
export function freeId(name: string, taken: readonly { id: string }[]): string {
  const base = idOf(name) || 'part';
  const has = (id: string): boolean => taken.some((each) => each.id === id);
  let id = base;
  for (let n = 2; has(id); n++) id = `${base.slice(0, 36)}-${n}`;
  return id;
}
