import type {
  BoardPart,
  Contact,
  Diagram,
  LoadPart,
  Ohms,
  Part,
  ProtectorPart,
  Supply,
  SwitchPart,
} from '../diagram/diagram';
import { cellInAnyPosition, cellState, cycling } from '../diagram/contactTable';
import { feeds, switchPosition, type Setup } from '../diagram/setup';
import type { Makes, OhmsRange } from '../fault/effect';
import { contactsInLoop } from '../diagram/loop';
import { effectOf, isHeld, type Fault } from '../fault/fault';
import { coldOhms, JOIN, ratedVolts, scaled, SHORT, SOUND_CONTACT, workingOhms } from './ohms';
import { KINDS, legsOf, SUPPLY_TOLERANCE } from './supply';

export type EdgeKind =
  'wire' | 'join' | 'contact' | 'load' | 'protector' | 'source' | 'board' | 'leak';

/**
 * One resistive way inside a part or supply, between two of its terminals. `high` is Infinity where
 * it may rightly be open; such an edge has no nominal value and `unsure` says why.
 */
export interface PartEdge {
  from: string;
  to: string;
  /** Contact, element or input that it is; unique within its part. */
  key: string;
  kind: EdgeKind;
  nominal: number | null;
  low: number;
  high: number;
  unsure?: string;
  /** Volts in series with it, driving from `to` to `from`: a phasor, or steady for direct current. */
  source?: { volts: number; degrees: number; current: 'ac' | 'dc'; spread: number };
  /** Secondary of a transformer: its volts are `ratio` times those over the primary's terminals. */
  coupled?: { primary: [string, string]; ratio: number };
}

/** What the circuit is like beyond its setup. */
export interface WorkingState {
  /** Loads have the value that they work with, not the one of an ohmmeter. */
  warm: boolean;
  /** Motors that are fed and stand still; all others count as turning. */
  stalled?: ReadonlySet<string>;
  /** Switches that a quantity has moved, where the quantity alone does not tell. */
  positions?: ReadonlyMap<string, string>;
  /** Switches whose cycling contacts stand open at the moment; without it they are either. */
  paused?: ReadonlySet<string>;
}

/** Spread of ohms inside a supply, which nobody prints; from memory. */
const INSIDE_SPREAD = 0.2;
/** Input of electronics that nobody has given: from a few hundred ohm to open; from memory. */
const UNKNOWN_INPUT = { nominal: 10_000, low: 300 };

/** The ways inside a part in a setup, with those faults of the list that are its own. */
export function partEdges(
  diagram: Diagram,
  part: Part,
  setup: Setup,
  faults: readonly Fault[],
  working: WorkingState,
): PartEdge[] {
  switch (part.kind) {
    case 'switch':
      return switchEdges(diagram, part, setup, faults, working);
    case 'load':
      return loadEdges(diagram, part, faults, working);
    case 'protector':
      return protectorEdges(part, faults);
    case 'board':
      return boardEdges(part, working);
    case 'connection':
      return part.joins.flatMap(([from, to]) =>
        joinEdge(part.id, { from, to, key: `${from}-${to}`, kind: 'join' }, faults),
      );
    case 'hardware':
      return [];
  }
}

function loadEdges(
  diagram: Diagram,
  part: LoadPart,
  faults: readonly Fault[],
  { warm, stalled }: WorkingState,
): PartEdge[] {
  const edges: PartEdge[] = [];
  const own = faults.filter((each) => 'part' in each && each.part === part.id);
  const turns = !faults.some((each) => isHeld(diagram, each, part.id)) && !stalled?.has(part.id);
  const leaves = (element: string | undefined) =>
    own
      .filter((each) => 'element' in each && each.element === element)
      .flatMap((each) => effectOf(each, 'element')?.leaves ?? [])
      .at(0);
  for (const element of part.elements) {
    const [from, to] = element.between;
    const left = leaves(element.id);
    if (left === 'open') continue;
    const sound = warm ? workingOhms(part, element, turns) : coldOhms(element);
    const ohms = left === undefined ? sound : left === 'short' ? SHORT : shareOf(sound, left);
    const edge: PartEdge = { from, to, key: element.id, kind: 'load', ...pick(ohms) };
    const whole = leaves(part.windings?.primary) !== 'open';
    if (warm && whole && part.windings?.secondary === element.id) couple(part, edge);
    edges.push(edge);
  }
  return edges;
}

const shareOf = (ohms: Ohms, share: OhmsRange): Ohms => ({
  nominal: ohms.nominal * share.nominal,
  low: ohms.low * share.low,
  high: ohms.high * share.high,
});

/** Puts the ohms of both windings into the secondary: r2 + n squared r1, n the ratio of turns. */
function couple(part: LoadPart, edge: PartEdge): void {
  const primary = part.elements.find((each) => each.id === part.windings?.primary);
  const secondary = part.elements.find((each) => each.id === part.windings?.secondary);
  const [over, under] = [secondary && ratedVolts(secondary), primary && ratedVolts(primary)];
  if (!primary || !secondary || !over || !under) return;
  const ratio = over / under;
  const [one, two] = [coldOhms(primary), coldOhms(secondary)];
  edge.nominal = two.nominal + ratio * ratio * one.nominal;
  edge.low = two.low + ratio * ratio * one.low;
  edge.high = two.high + ratio * ratio * one.high;
  edge.coupled = { primary: primary.between, ratio };
}

function protectorEdges(part: ProtectorPart, faults: readonly Fault[]): PartEdge[] {
  const gone = faults.some(
    (each) => 'part' in each && each.part === part.id && effectOf(each, 'opens'),
  );
  const [from, to] = part.between;
  return gone ? [] : joinEdge(part.id, { from, to, key: part.id, kind: 'protector' }, faults);
}

/** A way that is one piece of metal, as a fault of it leaves it. */
function joinEdge(
  part: string,
  way: Pick<PartEdge, 'from' | 'to' | 'key' | 'kind'>,
  faults: readonly Fault[],
): PartEdge[] {
  const fault = faults.find(
    (each) =>
      'between' in each &&
      each.part === part &&
      each.between[0] === way.from &&
      each.between[1] === way.to,
  );
  const makes = fault && effectOf(fault, 'contact')?.makes('closed', false);
  if (makes === 'open') return [];
  return [{ ...way, ...pick(makes === 'own-ohms' && fault?.ohms ? fault.ohms : JOIN) }];
}

function boardEdges(part: BoardPart, { warm }: WorkingState): PartEdge[] {
  return part.inputs.map(({ id, between: [from, to], ohms }): PartEdge => {
    const edge = { from, to, key: id, kind: 'board' } as const;
    if (ohms) return { ...edge, nominal: Math.sqrt(ohms.low * ohms.high), ...ohms };
    const unsure = `${part.name} is electronics`;
    return warm
      ? { ...edge, ...UNKNOWN_INPUT, high: Infinity, unsure }
      : { ...edge, nominal: null, low: SHORT.low, high: Infinity, unsure };
  });
}

/** The position that a switch really is in, with what keeps it from following its actuator. */
export function truePosition(
  diagram: Diagram,
  part: SwitchPart,
  setup: Setup,
  faults: readonly Fault[],
  positions?: ReadonlyMap<string, string>,
): string | undefined {
  const held = setup.byHand[part.id];
  if (held !== undefined) return held;
  // What somebody felt or looked at is not somewhere else.
  const looked = diagram.actuators.some(
    ({ id, kind }) =>
      id === part.actuator && kind === 'quantity' && typeof setup.actuators[id] === 'string',
  );
  for (const fault of faults) {
    if (looked && 'actuator' in fault) continue;
    const at = effectOf(fault, 'stands')?.position(fault, part, diagram);
    if (at !== undefined) return at;
  }
  return positions?.get(part.id) ?? switchPosition(setup, part);
}

/** How a contact makes in a position of its switch, with what faults leave of it. */
export function contactMakes(
  diagram: Diagram,
  part: SwitchPart,
  contact: Contact,
  position: string | undefined,
  faults: readonly Fault[],
  warm: boolean,
): { makes: Makes; fault: Fault | undefined } {
  const shares = (loop: string): boolean =>
    contactsInLoop(diagram, loop).some(
      (each) => each.part.id === part.id && each.contact.id === contact.id,
    );
  const fault = faults.find(
    (each) =>
      ('contact' in each && each.part === part.id && each.contact === contact.id) ||
      ('loop' in each && shares(each.loop)) ||
      // A blade inside a common takes all contacts on it.
      ('terminal' in each &&
        'part' in each &&
        each.part === part.id &&
        contact.between.includes(each.terminal) &&
        effectOf(each, 'contact') !== undefined),
  );
  const cell =
    position === undefined
      ? cellInAnyPosition(part, contact.id)
      : cellState(part, contact.id, position);
  return { makes: (fault && effectOf(fault, 'contact')?.makes(cell, warm)) ?? cell, fault };
}

function switchEdges(
  diagram: Diagram,
  part: SwitchPart,
  setup: Setup,
  faults: readonly Fault[],
  { warm, positions, paused }: WorkingState,
): PartEdge[] {
  const position = truePosition(diagram, part, setup, faults, positions);
  const cycles = paused !== undefined && cycling(part) !== undefined;
  const edges: PartEdge[] = [];
  for (const contact of part.contacts) {
    const made = contactMakes(diagram, part, contact, position, faults, warm);
    const { fault } = made;
    const now = cycles && made.makes === 'either';
    const makes = now ? (paused.has(part.id) ? 'open' : 'closed') : made.makes;
    if (makes === 'open') continue;
    const sound = SOUND_CONTACT[contact.circuit];
    if (makes === 'own-ohms') edges.push(contactEdge(contact, fault?.ohms ?? sound));
    else if (makes === 'closed') edges.push(contactEdge(contact, sound));
    else if (makes === 'either')
      edges.push({
        ...contactEdge(contact, sound),
        nominal: null,
        high: Infinity,
        unsure: `${part.name} may rightly be open or closed there`,
      });
    else
      edges.push({
        ...contactEdge(contact, makes.unsure),
        nominal: null,
        unsure: `${part.name}: ${makes.because}`,
      });
  }
  return edges;
}

/** Switches whose own ways a fault of something else changes: one that moves them, or wears a whole loop. */
export function switchesTouched(
  diagram: Diagram,
  fault: Fault,
  among: readonly SwitchPart[],
): string[] {
  const stands = effectOf(fault, 'stands');
  if (!stands && !('loop' in fault)) return [];
  return among.flatMap((part) => {
    const touched =
      'loop' in fault
        ? contactsInLoop(diagram, fault.loop).some((each) => each.part.id === part.id)
        : stands?.position(fault, part, diagram) !== undefined;
    return touched ? [part.id] : [];
  });
}

const contactEdge = (contact: Contact, { nominal, low, high }: OhmsRange): PartEdge => ({
  from: contact.between[0],
  to: contact.between[1],
  key: contact.id,
  kind: 'contact',
  nominal,
  low,
  high,
});

/** The legs of a supply as it stands: feeding, or only lying in the circuit. */
export function supplyEdges(supply: Supply, setup: Setup, faults: readonly Fault[]): PartEdge[] {
  const kind = KINDS[supply.kind];
  const own = faults.flatMap((each) => {
    const source = effectOf(each, 'source');
    if (!source || !('supply' in each) || each.supply !== supply.id) return [];
    return [{ ...source, leg: 'terminal' in each ? each.terminal : undefined }];
  });
  const fed = feeds(setup, supply);
  const terminal = (place: number): string => supply.terminals[place]?.id ?? '';
  const edges: PartEdge[] = [];
  if (!fed && !kind.staysIn) return edges;
  for (const leg of legsOf(supply)) {
    const from = terminal(leg.from);
    const to = terminal(leg.to);
    // Without a neutral the one leg runs from hot to hot, and dies with either.
    const hot = leg.share === 1 && KINDS[supply.kind].legs.length > 1 ? [from, to] : [from];
    let [volts, more] = [1, 1];
    for (const { leg: at, ...source } of own) {
      if (at !== undefined && !hot.includes(at)) continue;
      volts *= source.volts;
      more *= source.ohms;
    }
    if (volts === 0) continue;
    const inside = (supply.internalOhms ?? kind.ohms) * more;
    const edge: PartEdge = {
      from,
      to,
      key: from,
      kind: 'source',
      ...scaled({ nominal: inside, low: inside, high: inside }, 1, INSIDE_SPREAD),
    };
    if (fed) {
      const spread = (supply.tolerancePercent ?? SUPPLY_TOLERANCE) / 100;
      edge.source = {
        volts: supply.volts * leg.share * volts,
        degrees: leg.degrees,
        current: kind.current,
        spread,
      };
    }
    edges.push(edge);
  }
  const ground = kind.ground;
  if (fed && ground && supply.terminals.length > ground.at) {
    const [from, to] = [terminal(ground.neutral), terminal(ground.at)];
    edges.push({ from, to, key: to, kind: 'source', ...JOIN });
  }
  return edges;
}

const pick = ({ nominal, low, high }: OhmsRange): OhmsRange => ({ nominal, low, high });
