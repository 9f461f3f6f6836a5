import { chanceFrom } from '../../core/chance';
import type { Diagram, SwitchPart } from '../../core/diagram/diagram';

/**
 * A made-up unit with one selector of so many terminals and positions, for tests and benches of big
 * tables: some commons, each with its own throws, closed in a few positions each as a cam timer is.
 */
export function bigSelector(terminals: number, positions: number, seed: number): Diagram {
  const chance = chanceFrom(seed);
  const ids = Array.from({ length: terminals }, (_, i) => `t${i}`);
  const commons = Math.max(1, Math.round(terminals / 6));
  const contacts = ids.slice(commons).map((id, i) => {
    const common = `t${i % commons}`;
    return {
      id: `${common}-${id}`,
      between: [common, id] as [string, string],
      circuit: 'control' as const,
    };
  });
  const places = Array.from({ length: positions }, (_, i) => ({
    id: `p${i}`,
    name: `position ${i}`,
  }));
  const selector: SwitchPart = {
    id: 'selector',
    name: 'Big selector',
    role: 'for the bench',
    kind: 'switch',
    terminals: ids.map((id) => ({ id })),
    contacts,
    actuator: 'knob',
    free: 'p0',
    byHand: 'Turn its shaft.',
    table: {
      known: 'sheet',
      rows: places.map(({ id }) => ({
        position: id,
        closed: id === 'p0' ? [] : contacts.filter(() => chance() < 0.25).map((each) => each.id),
      })),
    },
  };
  return {
    format: 'yarrix-diagram',
    version: 1,
    id: 'big-selector',
    name: 'Big selector',
    kind: 'bench',
    drawnFor: { knob: 'p0' },
    supplies: [],
    parts: [selector],
    wires: [],
    actuators: [{ id: 'knob', name: 'Knob', kind: 'hand', shape: 'knob', positions: places }],
    panels: [],
    cautions: [],
  };
}
