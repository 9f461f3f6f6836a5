import type { Diagram } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { sayPosition } from './position';
import { nameOf } from './unit';

/**
 * A jumper try from the first switch to the last, in its order: common practice.
 * @param does what is done with the controls @param watched what is looked at
 */
export const sayJumperTry = (does: string, watched: string): string[] => [
  'Control off, nobody near what could start',
  'Power on, stand clear',
  `Now: ${does}`,
  `Watch: ${watched}`,
  'Control off, power off, proved dead again',
  'The jumper comes off, before anything else is done',
];

/**
 * Everything that must be so before power comes on for a try: common practice.
 * @param wiresOff switches whose wires are off; a jumper that is meant stays on
 */
export function sayBeforeUse(
  diagram: Diagram,
  wiresOff: ReadonlySet<string>,
  jumper: boolean,
): string[] {
  const names = [...wiresOff].map((id) => nameOf(diagram, id)).join(', ');
  const { actuators } = drawnSetup(diagram);
  const controls = diagram.actuators.flatMap(({ id, kind }) => {
    const state = actuators[id];
    return (kind === 'hand' || kind === 'momentary') && typeof state === 'string'
      ? [sayPosition(diagram, id, state)]
      : [];
  });
  const energies = diagram.energies ?? [];
  return [
    names
      ? `Wires back on by the map: ${names}, and every other that came off`
      : 'Every wire back on',
    jumper ? 'No jumper on but this one, probes off' : 'No jumper on, probes off',
    'Covers on, or nobody and nothing near what moves or is live',
    ...(energies.includes('microwaves') ? ['A cup of water in the cavity'] : []),
    ...(energies.includes('gas') ? ['Gas on, no smell of it'] : []),
    ...(energies.includes('water') ? ['Water on, hoses on'] : []),
    ...(controls.length ? [`To begin with: ${controls.join(', ')}`] : []),
  ];
}
