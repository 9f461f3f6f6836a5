import type { Diagram, Part, SwitchPart } from '../diagram/diagram';
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

/** An id that nothing else has. */
export function freeId(name: string, taken: readonly { id: string }[]): string {
  const base = idOf(name) || 'part';
  const has = (id: string): boolean => taken.some((each) => each.id === id);
  let id = base;
  for (let n = 2; has(id); n++) id = `${base.slice(0, 36)}-${n}`;
  return id;
}
