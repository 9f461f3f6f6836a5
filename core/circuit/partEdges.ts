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
import { cellInAnyPosition, cellState } from '../diagram/contactTable';
import { feeds, switchPosition, type Setup } from '../diagram/setup';
import { FILM_OHMS, PART_SHORTED, WEAK, type Fault, type OhmsRange } from '../fault/modes';
import { CLOSED_CONTACT, coldOhms, JOIN, ratedVolts, scaled, SHORT, workingOhms } from './ohms';
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
      return loadEdges(part, faults, working);
    case 'protector':
      return protectorEdges(part, faults);
    case 'board':
      return boardEdges(part, working);
    case 'connection':
      return part.joins.map(([from, to]) => ({
        from,
        to,
        key: `${from}-${to}`,
        kind: 'join',
        ...JOIN,
      }));
    case 'hardware':
      return [];
  }
}

function loadEdges(
  part: LoadPart,
  faults: readonly Fault[],
  { warm, stalled }: WorkingState,
): PartEdge[] {
  const edges: PartEdge[] = [];
  const seized = faults.some((each) => each.mode === 'seized' && each.part === part.id);
  const turns = !seized && !stalled?.has(part.id);
  for (const element of part.elements) {
    const [from, to] = element.between;
    const fault = faults.find(
      (each) => 'element' in each && each.part === part.id && each.element === element.id,
    );
    if (fault?.mode === 'open') continue;
    const sound = warm ? workingOhms(part, element, turns) : coldOhms(element);
    let ohms: Ohms = sound;
    if (fault?.mode === 'shorted') ohms = SHORT;
    if (fault?.mode === 'part-shorted')
      ohms = {
        nominal: sound.nominal * PART_SHORTED.nominal,
        low: sound.low * PART_SHORTED.low,
        high: sound.high * PART_SHORTED.high,
      };
    const edge: PartEdge = { from, to, key: element.id, kind: 'load', ...pick(ohms) };
    const whole = !faults.some(
      (each) =>
        each.mode === 'open' && each.part === part.id && each.element === part.windings?.primary,
    );
    if (warm && whole && part.windings?.secondary === element.id) couple(part, edge);
    edges.push(edge);
  }
  return edges;
}

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
    (each) => (each.mode === 'blown' || each.mode === 'tripped') && each.part === part.id,
  );
  const [from, to] = part.between;
  return gone ? [] : [{ from, to, key: part.id, kind: 'protector', ...JOIN }];
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
  for (const fault of faults) {
    if (fault.mode === 'not-actuated' && fault.part === part.id) return fault.stays;
    if (fault.mode === 'tripped' && fault.part === part.id) return 'above';
    if (fault.mode === 'broken') {
      const hardware = diagram.parts.find((each) => each.id === fault.part);
      if (hardware?.kind === 'hardware' && hardware.serves.includes(part.id)) return part.free;
    }
  }
  return positions?.get(part.id) ?? switchPosition(setup, part);
}

function switchEdges(
  diagram: Diagram,
  part: SwitchPart,
  setup: Setup,
  faults: readonly Fault[],
  { warm, positions }: WorkingState,
): PartEdge[] {
  const position = truePosition(diagram, part, setup, faults, positions);
  const edges: PartEdge[] = [];
  for (const contact of part.contacts) {
    const fault = faults.find(
      (each) => 'contact' in each && each.part === part.id && each.contact === contact.id,
    );
    const cell =
      position === undefined
        ? cellInAnyPosition(part, contact.id)
        : cellState(part, contact.id, position);
    if (fault?.mode === 'stuck-open') continue;
    if (fault?.mode === 'stuck-closed') edges.push(contactEdge(contact, CLOSED_CONTACT));
    else if (fault?.mode === 'resistive' && cell !== 'open')
      edges.push(contactEdge(contact, fault.ohms));
    else if (fault?.mode === 'leaking' && cell !== 'closed')
      edges.push(contactEdge(contact, fault.ohms));
    else if (fault?.mode === 'film' && cell === 'closed' && !warm)
      edges.push({
        ...contactEdge(contact, FILM_OHMS),
        nominal: null,
        unsure: `a film on ${part.name}: megohms to a meter, closed at working volts`,
      });
    else if (cell === 'closed') edges.push(contactEdge(contact, CLOSED_CONTACT));
    else if (cell === 'either')
      edges.push({
        ...contactEdge(contact, CLOSED_CONTACT),
        nominal: null,
        high: Infinity,
        unsure: `${part.name} may rightly be open or closed there`,
      });
  }
  for (const fault of faults) {
    if (fault.mode === 'bridged' && fault.part === part.id) {
      const [from, to] = fault.between;
      edges.push({ from, to, key: `bridge ${from}-${to}`, kind: 'leak', ...pick(fault.ohms) });
    }
  }
  return edges;
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
  const own = faults.filter((each) => 'supply' in each && each.supply === supply.id);
  const dead = own.some((each) => each.mode === 'dead');
  const weak = own.some((each) => each.mode === 'weak');
  const fed = feeds(setup, supply);
  const terminal = (place: number): string => supply.terminals[place]?.id ?? '';
  const edges: PartEdge[] = [];
  if (!fed && !kind.staysIn) return edges;
  for (const leg of legsOf(supply)) {
    const from = terminal(leg.from);
    const to = terminal(leg.to);
    // Without a neutral the one leg runs from hot to hot, and dies with either.
    const hot = leg.share === 1 && KINDS[supply.kind].legs.length > 1 ? [from, to] : [from];
    const legDead = own.some((each) => each.mode === 'dead-leg' && hot.includes(each.terminal));
    if (dead || legDead) continue;
    const inside = (supply.internalOhms ?? kind.ohms) * (weak ? WEAK.ohms : 1);
    const edge: PartEdge = {
      from,
      to,
      key: from,
      kind: 'source',
      ...scaled({ nominal: inside, low: inside, high: inside }, 1, INSIDE_SPREAD),
    };
    if (fed) {
      const volts = supply.volts * leg.share * (weak ? WEAK.volts : 1);
      const spread = (supply.tolerancePercent ?? SUPPLY_TOLERANCE) / 100;
      edge.source = { volts, degrees: leg.degrees, current: kind.current, spread };
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
