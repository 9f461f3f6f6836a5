import type { Evidence } from '../call/evidence';
import type { Diagram } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';
import { wiresAt } from '../diagram/terminal';
import { marked, sayTerminals } from './point';
import { nameOf } from './unit';

/**
 * What goes back before a reading: wires that were off for the one before, or by the map, and are on in this one. Undefined
 * where nothing does.
 * @param wiresOff switches whose wires are known to be off
 */
export function sayBackOn(
  diagram: Diagram,
  { lifted }: Setup,
  entries: readonly Evidence[],
  wiresOff: ReadonlySet<string>,
): string | undefined {
  const last = entries.findLast((each) => each.kind === 'reading' && each.of === 'unit');
  const before = last?.kind === 'reading' && last.steps === undefined ? last.setup.lifted : [];
  const back = before.filter((ref) => !lifted.includes(ref));
  const parts = [...wiresOff].filter(
    (id) => ![...lifted, ...back].some((ref) => ref.startsWith(`${id}.`)),
  );
  const names = [
    ...(back.length ? [sayTerminals(diagram, back)] : []),
    ...parts.map((id) => nameOf(diagram, id)),
  ];
  return names.length ? `Wires back on first, by the map: ${names.join(', ')}` : undefined;
}

/** What is minded while two points are read, as far as it is due: common practice. */
export function sayDuringReading(diagram: Diagram, { lifted, actuators, byHand }: Setup): string[] {
  const wires = lifted.flatMap((ref) => {
    const colours = wiresAt(diagram, ref).map(({ colour }) => colour);
    return colours.length ? [`${marked(diagram, ref)} ${colours.join(' and ')}`] : [];
  });
  const held = diagram.actuators.filter(
    (each) => each.kind === 'momentary' && (actuators[each.id] ?? each.rest) !== each.rest,
  );
  return [
    ...(wires.length
      ? [
          `Photo first: ${wires.join(', ')}. Pull at the tab, never at the wire; one that locks lets go when its tongue is pressed`,
        ]
      : []),
    ...held.map(
      ({ name }) => `${name} is held all the while: clip the probes on, or let a helper press`,
    ),
    ...Object.keys(byHand).map(
      (id) =>
        `${nameOf(diagram, id)} is moved where its actuator would, and held until the display stands`,
    ),
  ];
}
