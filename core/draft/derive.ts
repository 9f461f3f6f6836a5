import type { Diagram } from '../diagram/diagram';

/** A diagram that is begun with nothing in it. */
export const blankDiagram = (id: string): Diagram => ({
  format: 'yarrix-diagram',
  version: 1,
  id,
  name: 'New unit',
  kind: 'unit',
  drawnFor: {},
  supplies: [],
  parts: [],
  wires: [],
  actuators: [],
  panels: [],
  cautions: [],
});

/** One that differs from another: the same with an id of its own, which remembers where it is from. */
export const derive = (from: Diagram, version: number, id: string): Diagram => ({
  ...from,
  id,
  name: `${from.name}, another`,
  derivedFrom: { id: from.id, version, name: from.name },
});

/** Entries of a derived diagram that are not as they were: new, or changed. */
export function changedSince(origin: Diagram, draft: Diagram): Map<string, 'new' | 'changed'> {
  const changed = new Map<string, 'new' | 'changed'>();
  for (const list of ['supplies', 'parts', 'wires', 'actuators'] as const) {
    const before = new Map<string, unknown>(origin[list].map((each) => [each.id, each]));
    for (const each of draft[list]) {
      const old = before.get(each.id);
      if (old === undefined) changed.set(each.id, 'new');
      else if (JSON.stringify(old) !== JSON.stringify(each)) changed.set(each.id, 'changed');
    }
  }
  return changed;
}
