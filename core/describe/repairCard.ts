import type { Diagram, Part } from '../diagram/diagram';
import { sayNewPart } from './newPart';

/** A heading of a repair card, and what stands under it. */
export interface RepairStep {
  title: string;
  says: string[];
}

/**
 * What is minded while a part is changed: how it comes out, how the new one goes in, what is tightened how, what is moved over, what
 * else is looked at while it is open. From the diagram, with what is usual for its kind; common practice, the maker's sheet goes before it.
 */
export function repairCard(diagram: Diagram, id: string | undefined): RepairStep[] {
  const part = diagram.parts.find((each) => each.id === id);
  if (!part) return [];
  const steps: RepairStep[] = [
    { title: 'Getting at it', says: gettingAt(diagram, part) },
    { title: 'How it gives way', says: GIVES_WAY[part.kind] },
    { title: 'In the bag, and in its place', says: sayNewPart(diagram, part.id) },
    { title: 'Tight', says: tight(part) },
    { title: 'Moved over from the old one', says: movedOver(diagram, part) },
    { title: 'While it is open', says: whileOpen(diagram, part) },
    { title: 'Do not break', says: neighbours(diagram, part) },
  ];
  return steps.filter(({ says }) => says.length > 0);
}

function gettingAt({ panels }: Diagram, { panel: id, where }: Part): string[] {
  const panel = panels.find((each) => each.id === id);
  return [
    ...(where === undefined ? [] : [`${where}.`]),
    ...(panel
      ? [
          `${panel.name}: ${panel.fastener}${panel.tool === undefined ? '' : `, ${panel.tool}`}${panel.side === undefined ? '' : `, from the ${panel.side}`}.`,
        ]
      : []),
    ...(panel?.tethered === undefined ? [] : [`It hangs on ${panel.tethered}: hold it.`]),
    ...(panel?.helper ? ['Two people.'] : []),
  ];
}

const GIVES_WAY: Record<Part['kind'], string[]> = {
  switch: [
    'Tabs that lock are pressed with a small blade, the connector pulled by its housing and never by the wire.',
    'A switch in posts: its clip bent aside a little, the switch swung out of it.',
  ],
  load: ['Wires off by their housings; what is screwed to it comes out straight, not levered.'],
  protector: ['Both leads off; the clip or the two screws that press it to the metal.'],
  board: ['Plugs by their keys; standoffs squeezed with pliers, not pried up from one side.'],
  connection: ['One wire at a time out of the old block into the new one.'],
  hardware: ['Marked where it sits before it comes off: slots let it back in anywhere.'],
};

function tight(part: Part): string[] {
  const splice =
    'A splice by crimp, of the kind that bears the heat there; no twist and tape, no solder near a heater.';
  switch (part.kind) {
    case 'connection':
      return [
        'Terminal screws tight on bright strands, pulled at once each; a loose one burns.',
        splice,
      ];
    case 'load':
      return ['Terminals tight, its screws snug.', splice];
    case 'protector':
      return ['Flat on the metal, its screws snug: a gap lets it open too late.', splice];
    default:
      return [
        'Screws snug, and in plastic only until they stop: it strips.',
        'Each blade holds by itself; one that slides is pinched or has a new terminal.',
      ];
  }
}

function movedOver({ actuators }: Diagram, part: Part): string[] {
  if (part.kind === 'switch') {
    const moved = actuators.find(({ id }) => id === part.actuator);
    if (moved?.kind === 'hand' && moved.shape === 'knob')
      return [
        'Knob, its insert or spring, the bezel nut.',
        'A stem that is longer is cut to the old one’s length, filings kept out of the switch.',
      ];
    if (moved?.kind === 'quantity')
      return ['Bracket, gasket, tube and its clamp; the bulb’s clips.'];
    return ['Lever, spring, bracket and screws, if they are not on the new one.'];
  }
  if (part.kind === 'load' && part.load === 'motor')
    return ['Pulley, wheel or coupling, mounts, ground strap.'];
  if (part.kind === 'board')
    return ['Links, jumpers and switches set as on the old one; its cover and shield.'];
  return [];
}

function whileOpen({ energies = [], parts }: Diagram, part: Part): string[] {
  const near = parts.filter(
    (each) => each.id !== part.id && each.panel === part.panel && each.kind === 'connection',
  );
  return [
    ...(near.length
      ? [`Look at ${near.map(({ name }) => name).join(', ')}: brown, loose or brittle wires.`]
      : []),
    ...(energies.includes('moving-air') ? ['Lint, dust and hair out of the air’s way.'] : []),
    ...(energies.includes('water') ? ['Hoses and clamps for damp and lime.'] : []),
    ...(energies.includes('gas') ? ['Soot, webs and rust at burner and orifice.'] : []),
  ];
}

function neighbours({ cautions }: Diagram, { kind, causes = [] }: Part): string[] {
  const dear = cautions.filter((each) =>
    /glass|ceramic|edge|clip|capacitor|tube|brittle/i.test(each),
  );
  return [
    ...dear,
    ...(kind === 'protector' && causes.length ? [`Its cause first: ${causes.join('; ')}.`] : []),
  ];
}
