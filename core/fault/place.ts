import { neverPairs } from '../diagram/contactTable';
import type { Diagram, LoadPart, Part } from '../diagram/diagram';
import { positionsOf } from '../diagram/setup';
import { owners, switches, terminalRef, wiresAt } from '../diagram/terminal';

/** What a fault can sit on. */
export interface Places {
  contact: { part: string; contact: string };
  /** Two terminals of a switch that no contact joins. */
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
}
export type Place = keyof Places;

/** One place in a diagram where a mode can sit. */
export interface Placed<P extends Place> {
  at: Places[P];
  /** Part, wire or supply that is suspected for it. */
  suspect: string;
  /** Share of the suspect's failures, all sizes together; 0 where nobody weighs it. */
  share: number;
  /** It shows only where a switch is read alone, pair by pair: weighed there and nowhere else. */
  alone?: true;
}

/** Every contact of every switch; the share is spread over the contacts of one switch. */
export const atContacts =
  (share: number) =>
  (diagram: Diagram): Placed<'contact'>[] =>
    switches(diagram).flatMap(({ id, contacts }) =>
      contacts.map((contact) => ({
        at: { part: id, contact: contact.id },
        suspect: id,
        share: share / contacts.length,
      })),
    );

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
        alone: true,
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
        return { at, suspect: part.id, share: (share * (1 - STAYS_FREE)) / others, alone: true };
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

/** Every supply. */
export const atSupplies =
  (share: number) =>
  (diagram: Diagram): Placed<'supply'>[] =>
    diagram.supplies.map(({ id }) => ({ at: { supply: id }, suspect: id, share }));

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
 * Every terminal with a wire on it. Weighed, as a fault of the wire, is the first end of a wire that
 * has its terminal to itself: the other end reads the same.
 */
export const atWiredTerminals =
  (share: number) =>
  (diagram: Diagram): Placed<'terminal'>[] =>
    owners(diagram).flatMap((owner) =>
      owner.terminals.flatMap(({ id }): Placed<'terminal'>[] => {
        const ref = terminalRef(owner.id, id);
        const wires = wiresAt(diagram, ref);
        const [only, another] = wires;
        if (!only) return [];
        const weighed = !another && only.from === ref;
        const at = { part: owner.id, terminal: id };
        return [{ at, suspect: weighed ? only.id : owner.id, share: weighed ? share : 0 }];
      }),
    );
