import { neverPairs } from '../diagram/contactTable';
import type { Diagram, LoadPart, Part, QuantityActuator, Supply } from '../diagram/diagram';
import { loopsOf } from '../diagram/loop';
import { positionsOf } from '../diagram/setup';
import { owners, switches, terminalRef, wiresAt } from '../diagram/terminal';

/** What a fault can sit on. */
export interface Places {
  contact: { part: string; contact: string };
  /** Two terminals of a switch that no contact joins, or of another part that is one way between them. */
  terminals: { part: string; between: [string, string] };
  /** A switch that stays in one position. */
  position: { part: string; stays: string };
  element: { part: string; element: string };
  part: { part: string };
  /** A terminal of a part or a supply. */
  terminal: { part: string; terminal: string };
  supply: { supply: string };
  leg: { supply: string; terminal: string };
  wire: { wire: string };
  /** All contacts that share the few volts of one source; named by the source. */
  loop: { loop: string };
  /** A quantity that is beyond the set point of a switch, which is right about it. */
  quantity: { actuator: string; beyond: string; side: 'below' | 'above' };
}
export type Place = keyof Places;

/** One place in a diagram where a mode can sit. */
export interface Placed<P extends Place> {
  at: Places[P];
  /** Part, wire or supply that is suspected for it. */
  suspect: string;
  /** Share of the suspect's failures, all sizes together; 0 where nobody weighs it. */
  share: number;
  /** Where alone it shows, and is weighed: a switch that is read by itself, pair by pair, or the unit in use. */
  shows?: 'alone' | 'in-use';
}

/** Every contact of every switch; the share is spread over the contacts of one switch. */
export const atContacts =
  (share: number, shows?: Placed<'contact'>['shows']) =>
  (diagram: Diagram): Placed<'contact'>[] =>
    switches(diagram).flatMap(({ id, contacts }) =>
      contacts.map((contact) => ({
        at: { part: id, contact: contact.id },
        suspect: id,
        share: share / contacts.length,
        ...(shows && { shows }),
      })),
    );

/** Contacts that close and open by turns in some position of their switch. */
export const atCyclers =
  (share: number) =>
  (diagram: Diagram): Placed<'contact'>[] =>
    switches(diagram).flatMap(({ id, table }) => {
      const cycling = new Set(table.rows.flatMap((row) => (row.cycles ? (row.either ?? []) : [])));
      return [...cycling].map((contact) => ({
        at: { part: id, contact },
        suspect: id,
        share: share / cycling.size,
        // By its own heat alone: no ohmmeter has it.
        shows: 'in-use',
      }));
    });

/** Pairs of terminals of a switch that no position joins. */
export const atNeverPairs =
  (share: number) =>
  (diagram: Diagram): Placed<'terminals'>[] =>
    switches(diagram).flatMap((part) => {
      const pairs = neverPairs(part);
      return pairs.map((between) => ({
        at: { part: part.id, between },
        suspect: part.id,
        share: share / pairs.length,
        shows: 'alone',
      }));
    });

/** What nothing moves stays in its free position far more often than in another: from memory. */
const STAYS_FREE = 0.8;

/**
 * Every position of every switch; all but the free one are weighed where the switch is read alone. One
 * that is reset by hand and stays above has tripped: that is a mode of its own.
 */
export const atPositions =
  (share: number) =>
  (diagram: Diagram): Placed<'position'>[] =>
    switches(diagram).flatMap((part) => {
      const positions = positionsOf(diagram, part).filter(
        (each) => !part.reset || each !== 'above',
      );
      return positions.map((stays): Placed<'position'> => {
        const at = { part: part.id, stays };
        if (stays === part.free) return { at, suspect: part.id, share: share * STAYS_FREE };
        const others = Math.max(1, positions.length - 1);
        return { at, suspect: part.id, share: (share * (1 - STAYS_FREE)) / others, shows: 'alone' };
      });
    });

const loads = (diagram: Diagram): LoadPart[] =>
  diagram.parts.filter((part): part is LoadPart => part.kind === 'load');

/** Every element of every load; the share is spread over the elements of one load. */
export const atElements =
  (share: number) =>
  (diagram: Diagram): Placed<'element'>[] =>
    loads(diagram).flatMap(({ id, elements }) =>
      elements.map((element) => ({
        at: { part: id, element: element.id },
        suspect: id,
        share: share / elements.length,
      })),
    );

/** Every part that something is true of, with the share that it gives. */
export const atParts =
  (shareOf: (part: Part) => number | undefined) =>
  (diagram: Diagram): Placed<'part'>[] =>
    diagram.parts.flatMap((part) => {
      const share = shareOf(part);
      return share === undefined ? [] : [{ at: { part: part.id }, suspect: part.id, share }];
    });

/** Terminals of loads, where the diagram has a frame that they can touch. */
export const atLoadTerminals =
  (share: number) =>
  (diagram: Diagram): Placed<'terminal'>[] =>
    diagram.frame === undefined
      ? []
      : loads(diagram).flatMap(({ id, terminals }) =>
          terminals.map((terminal) => ({
            at: { part: id, terminal: terminal.id },
            suspect: id,
            share: share / terminals.length,
          })),
        );

/** What is suspected of a loop is no single part of it. */
export const loopSuspect = (source: string): string => `${source} loop`;

/** Every source whose contacts in series are judged by their sum. */
export const atLoops =
  (share: number) =>
  (diagram: Diagram): Placed<'loop'>[] =>
    loopsOf(diagram).map(({ source: { id } }) => ({
      at: { loop: id },
      suspect: loopSuspect(id),
      share,
    }));

/** Every supply. */
export const atSupplies =
  (shareOf: (supply: Supply) => number) =>
  (diagram: Diagram): Placed<'supply'>[] =>
    diagram.supplies.map((supply) => ({
      at: { supply: supply.id },
      suspect: supply.id,
      share: shareOf(supply),
    }));

/** Terminals of switches that several contacts share: the blade inside serves them all. */
export const atCommons =
  (share: number) =>
  (diagram: Diagram): Placed<'terminal'>[] =>
    switches(diagram).flatMap(({ id, terminals, contacts }) => {
      const commons = terminals.filter(
        (each) => contacts.filter(({ between }) => between.includes(each.id)).length > 1,
      );
      return commons.map((each) => ({
        at: { part: id, terminal: each.id },
        suspect: id,
        share: share / commons.length,
      }));
    });

/** Every way through a connection or a protector, but for the bond of the frame; spread over those of one part. */
export const atJoins =
  (share: (part: Part) => number) =>
  (diagram: Diagram): Placed<'terminals'>[] =>
    diagram.parts.flatMap((part) => {
      const [frame] = diagram.frame?.split('.') ?? [];
      const ways =
        part.kind === 'protector'
          ? [part.between]
          : part.kind === 'connection' && part.id !== frame
            ? part.joins
            : [];
      return ways.map((between) => ({
        at: { part: part.id, between },
        suspect: part.id,
        share: share(part) / ways.length,
      }));
    });

/** The two hot legs of supplies that have two. */
export const atLegs =
  (share: number) =>
  (diagram: Diagram): Placed<'leg'>[] =>
    diagram.supplies
      .filter(({ kind }) => kind === 'split-phase' || kind === 'wye-legs')
      .flatMap(({ id, terminals }) =>
        terminals.slice(0, 2).map((leg) => ({
          at: { supply: id, terminal: leg.id },
          suspect: id,
          share: share / 2,
        })),
      );

/** Every wire. */
export const atWires =
  (share: number) =>
  (diagram: Diagram): Placed<'wire'>[] =>
    diagram.wires.map(({ id }) => ({ at: { wire: id }, suspect: id, share }));

/**
 * Every terminal with a wire on it, as a fault of the (first) wire there.
 * @param alone share of a wire that has its terminal to itself
 * @param shared share of a terminal where several wires sit, which all lose it together
 */
export const atWiredTerminals =
  (alone: number, shared: number) =>
  (diagram: Diagram): Placed<'terminal'>[] =>
    owners(diagram).flatMap((owner) =>
      owner.terminals.flatMap(({ id }): Placed<'terminal'>[] => {
        const ref = terminalRef(owner.id, id);
        const wires = wiresAt(diagram, ref);
        const [only, another] = wires;
        if (!only) return [];
        const at = { part: owner.id, terminal: id };
        // Of a wire that has its terminals to itself the other end reads the same.
        const own = another ? shared : only.from === ref ? alone : 0;
        return [{ at, suspect: only.id, share: own }];
      }),
    );

/** Driven quantities that are met on both sides of a set point: where they stay away is felt at once. */
const COMES_AND_GOES: readonly QuantityActuator['quantity'][] = ['airflow', 'pressure', 'level'];

/**
 * Every quantity beyond a set point on the side where it should not be: where nothing drives it the
 * side that it is not drawn on; a driven one where it stays away, or goes further than it ever should.
 */
export const atQuantities = (diagram: Diagram): Placed<'quantity'>[] =>
  diagram.actuators.flatMap((actuator) => {
    if (actuator.kind !== 'quantity') return [];
    const drawn = diagram.drawnFor[actuator.id];
    const sides = switches(diagram).flatMap(({ id, actuator: by, setPoints }) => {
      if (by !== actuator.id || !setPoints || typeof drawn !== 'number') return [];
      const from = drawn >= setPoints.rising.at ? 'above' : 'below';
      const other = from === 'above' ? 'below' : 'above';
      const { driven } = actuator;
      const goal =
        driven && (driven.held?.to ?? Math.max(driven.to, driven.alone?.to ?? driven.to));
      const named = actuator.conditions?.filter((each) => each.beyond === id);
      if (named?.length)
        return named.map(({ side }) => ({ actuator: actuator.id, beyond: id, side }) as const);
      const arrives = goal !== undefined && goal >= setPoints.rising.at;
      if (arrives && !COMES_AND_GOES.includes(actuator.quantity)) return [];
      return [{ actuator: actuator.id, beyond: id, side: arrives ? from : other } as const];
    });
    return sides.map((at) => ({ at, suspect: actuator.id, share: 1 / sides.length }));
  });
