import { neverPairs } from '../diagram/contactTable';
import type { Diagram, Part } from '../diagram/diagram';
import { positionsOf } from '../diagram/setup';
import { owners } from '../diagram/terminal';
import { METAL_BRIDGE_OHMS, type Fault } from './modes';

const exactly = (ohms: number) => ({ nominal: ohms, low: ohms, high: ohms });

/** Sizes of contacts that make badly, from a warm heater contact to a burnt one: common practice. */
export const RESISTIVE_SIZES = [0.8, 4, 60, 2_000, 820_000].map(exactly);
/** Sizes of leaks across contacts that are open: a carbon track, wet dirt, a film. */
export const LEAKING_SIZES = [1_000, 100_000, 4.7e6].map(exactly);
/** Sizes of a path to the frame: metal on metal, a damp element. */
export const TO_FRAME_SIZES = [2, 20_000].map(exactly);
/** Sizes of a loose connection. */
export const LOOSE_SIZES = [2, 500].map(exactly);

/** Every single fault of a diagram, each size on its own: parts, supplies, wires and connections. */
export function everyFault(diagram: Diagram): Fault[] {
  return [
    ...diagram.parts.flatMap((part) => faultsOfPart(diagram, part)),
    ...diagram.supplies.flatMap((supply): Fault[] => [
      { mode: 'dead', supply: supply.id },
      { mode: 'weak', supply: supply.id },
      ...(supply.kind === 'split-phase' || supply.kind === 'wye-legs'
        ? supply.terminals
            .slice(0, 2)
            .map((leg): Fault => ({ mode: 'dead-leg', supply: supply.id, terminal: leg.id }))
        : []),
    ]),
    ...diagram.wires.map((wire): Fault => ({ mode: 'wire-open', wire: wire.id })),
    ...owners(diagram).flatMap((owner) =>
      owner.terminals
        .filter((terminal) =>
          diagram.wires.some((wire) => [wire.from, wire.to].includes(`${owner.id}.${terminal.id}`)),
        )
        .flatMap((terminal): Fault[] => {
          const place = { part: owner.id, terminal: terminal.id };
          return [
            { mode: 'wire-off', ...place },
            ...LOOSE_SIZES.map((ohms): Fault => ({ mode: 'loose', ...place, ohms })),
          ];
        }),
    ),
  ];
}

function faultsOfPart(diagram: Diagram, part: Part): Fault[] {
  const id = part.id;
  switch (part.kind) {
    case 'switch':
      return [
        ...part.contacts.flatMap((contact): Fault[] => {
          const place = { part: id, contact: contact.id };
          return [
            { mode: 'stuck-open', ...place },
            { mode: 'stuck-closed', ...place },
            { mode: 'film', ...place },
            { mode: 'intermittent', ...place },
            ...RESISTIVE_SIZES.map((ohms): Fault => ({ mode: 'resistive', ...place, ohms })),
            ...LEAKING_SIZES.map((ohms): Fault => ({ mode: 'leaking', ...place, ohms })),
          ];
        }),
        ...neverPairs(part).map((between): Fault => ({
          mode: 'bridged',
          part: id,
          between,
          ohms: METAL_BRIDGE_OHMS,
        })),
        ...positionsOf(diagram, part).map((stays): Fault => ({
          mode: 'not-actuated',
          part: id,
          stays,
        })),
        ...(part.reset ? [{ mode: 'tripped', part: id } satisfies Fault] : []),
      ];
    case 'load':
      return [
        ...part.elements.flatMap((element): Fault[] => [
          { mode: 'open', part: id, element: element.id },
          { mode: 'shorted', part: id, element: element.id },
          { mode: 'part-shorted', part: id, element: element.id },
        ]),
        ...(diagram.frame && part.load === 'heater'
          ? part.terminals.flatMap((terminal) =>
              TO_FRAME_SIZES.map((ohms): Fault => ({
                mode: 'to-frame',
                part: id,
                terminal: terminal.id,
                ohms,
              })),
            )
          : []),
        ...(part.load === 'motor' ? [{ mode: 'seized', part: id } satisfies Fault] : []),
      ];
    case 'protector':
      return [{ mode: part.protector === 'overload' ? 'tripped' : 'blown', part: id }];
    case 'board':
      return part.logic ? [{ mode: 'no-output', part: id }] : [];
    case 'hardware':
      return part.serves.some((served) =>
        diagram.parts.some((each) => each.id === served && each.kind === 'switch'),
      )
        ? [{ mode: 'broken', part: id }]
        : [];
    case 'connection':
      return [];
  }
}
