import type { Diagram, Part, SwitchPart, TerminalRef } from '../diagram/diagram';
import { actuatorStateFor, positionsOf, switchPosition, type Setup } from '../diagram/setup';
import { partAt, splitRef, terminalRef } from '../diagram/terminal';

/** A setup that people believe they are in while they are in another, through all their readings. */
export type Slip =
  | { kind: 'swapped'; actuator: string; positions: [string, string] }
  | { kind: 'one-step-off'; actuator: string; step: 1 | -1 }
  | { kind: 'neighbour'; part: string; terminals: [string, string] }
  | { kind: 'twin'; part: string; twin: string }
  | { kind: 'wires-on'; part: string };

/** Positions up to which any two can be taken for each other; a knob with more is a step off. */
const SWAPPED_UP_TO = 3;

/** Every slip that reading one switch can suffer. */
export function slipsFor(diagram: Diagram, part: SwitchPart): Slip[] {
  const positions = positionsOf(diagram, part);
  const slips: Slip[] = [{ kind: 'wires-on', part: part.id }];
  const { actuator } = part;
  if (positions.length <= SWAPPED_UP_TO) {
    positions.forEach((a, i) => {
      for (const b of positions.slice(i + 1))
        slips.push({ kind: 'swapped', actuator, positions: [a, b] });
    });
  } else {
    slips.push(
      { kind: 'one-step-off', actuator, step: 1 },
      { kind: 'one-step-off', actuator, step: -1 },
    );
  }
  part.terminals.forEach((terminal, i) => {
    const next = part.terminals[i + 1];
    if (next && part.terminals.length > 2)
      slips.push({ kind: 'neighbour', part: part.id, terminals: [terminal.id, next.id] });
  });
  for (const { id } of twinsOf(diagram.parts, part))
    slips.push({ kind: 'twin', part: part.id, twin: id });
  return slips;
}

/** Parts of the same kind with the same terminals, which a hand takes one for the other. */
export const twinsOf = (parts: readonly Part[], part: Part): Part[] => {
  const names = namesOf(part);
  return parts.filter(
    (each) => each.id !== part.id && each.kind === part.kind && namesOf(each) === names,
  );
};

const namesOf = ({ terminals }: Part): string =>
  terminals
    .map((each) => each.id)
    .sort()
    .join(' ');

/** Two points in a setup. */
interface At {
  from: TerminalRef;
  to: TerminalRef;
  setup: Setup;
}

/** Where the probes really were and what was really set, if the slip happened. */
export function afterSlip<T extends At>(
  diagram: Diagram,
  part: SwitchPart,
  place: T,
  slip: Slip,
): T {
  const { setup } = place;
  switch (slip.kind) {
    case 'wires-on':
      return { ...place, setup: { ...setup, lifted: [] } };
    case 'swapped': {
      const [a, b] = slip.positions;
      return moved(place, part, (at) => (at === a ? b : at === b ? a : at));
    }
    case 'one-step-off': {
      const positions = positionsOf(diagram, part);
      return moved(place, part, (at) => positions[positions.indexOf(at) + slip.step] ?? at);
    }
    case 'neighbour': {
      const [a, b] = slip.terminals;
      const other = (ref: TerminalRef): TerminalRef => {
        const { terminal } = splitRef(ref);
        return terminalRef(part.id, terminal === a ? b : terminal === b ? a : terminal);
      };
      return { ...place, from: other(place.from), to: other(place.to) };
    }
    case 'twin':
      return onTwin(place, part.id, slip.twin);
  }
}

/** The same points of another part with the same terminals. */
export function onTwin<T extends At>(place: T, part: string, twin: string): T {
  const other = (ref: TerminalRef): TerminalRef =>
    splitRef(ref).part === part ? terminalRef(twin, splitRef(ref).terminal) : ref;
  const setup = { ...place.setup, lifted: place.setup.lifted.map(other) };
  return { ...place, from: other(place.from), to: other(place.to), setup };
}

/** The same reading with the actuator elsewhere; a switch held by hand is where the hand holds it. */
function moved<T extends At>(place: T, part: SwitchPart, to: (position: string) => string): T {
  const at = switchPosition(place.setup, part);
  if (at === undefined || part.id in place.setup.byHand) return place;
  const actuators = { ...place.setup.actuators, [part.actuator]: actuatorStateFor(part, to(at)) };
  return { ...place, setup: { ...place.setup, actuators } };
}

/** What may have gone wrong with a single reading of a unit, and how often it does; from memory. */
export const SLIPS = {
  state: { often: 0.03 },
  wires: { often: 0.02 },
  neighbour: { often: 0.01 },
  twin: { often: 0.01 },
  repeated: { often: 0.01 },
  meter: { often: 0.003 },
  once: { often: 0 },
  beeper: { often: 0 },
  misfit: { often: 0 },
} as const;

export type SlipKind = keyof typeof SLIPS;

/** Places that the probes or the unit may have been in instead, at a reading of one part. */
export function otherPlaces<T extends At>(diagram: Diagram, place: T): [SlipKind, T][] {
  const { from, to, setup } = place;
  const [one, two] = [splitRef(from), splitRef(to)];
  const part = diagram.parts.find((each) => each.id === partAt(from));
  // What runs through the unit is not at one part, and its neighbours are too many.
  if (!part || part.id !== partAt(to)) return [];
  const list: [SlipKind, T][] = [];
  if (part.kind === 'switch') {
    const stands = switchPosition(setup, part);
    for (const position of positionsOf(diagram, part))
      if (position !== stands) {
        const byHand = { ...setup.byHand, [part.id]: position };
        list.push(['state', { ...place, setup: { ...setup, byHand } }]);
      }
  }
  if (setup.lifted.length) list.push(['wires', { ...place, setup: { ...setup, lifted: [] } }]);
  for (const { id } of part.terminals) {
    if (id === one.terminal || id === two.terminal) continue;
    list.push(['neighbour', { ...place, to: terminalRef(part.id, id) }]);
    list.push(['neighbour', { ...place, from: terminalRef(part.id, id) }]);
  }
  for (const twin of twinsOf(diagram.parts, part))
    if (twin.panel === part.panel) list.push(['twin', onTwin(place, part.id, twin.id)]);
  return list;
}
