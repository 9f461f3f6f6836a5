import type { Actuator, Diagram, Panel, Part, Supply, SupplyKind } from '../diagram/diagram';
import { owners, terminalRef, wiresAt } from '../diagram/terminal';
import { freeId } from './changePart';
import { inRailOrder, RAILS_OF, USUAL_VOLTS } from './rails';
import { moved } from './moved';

export const changeSupply = (
  draft: Diagram,
  id: string,
  change: (supply: Supply) => Supply,
): Diagram => ({
  ...draft,
  supplies: draft.supplies.map((each) => (each.id === id ? change(each) : each)),
});

/**
 * Says what kind a supply is: it gets the usual volts of that kind, and its usual rails in place of those that nothing is
 * wired to.
 */
export const setSupplyKind = (draft: Diagram, id: string, kind: SupplyKind): Diagram =>
  changeSupply(draft, id, (supply) => {
    const needed = kind === 'split-phase' || kind === 'wye-legs' ? 3 : 2;
    const used = supply.terminals.filter(
      (each) => wiresAt(draft, terminalRef(id, each.id)).length > 0,
    );
    const fresh = RAILS_OF[kind].filter((each) => !used.some((rail) => rail.id === each));
    const more = fresh.slice(0, Math.max(0, needed - used.length)).map((each) => ({ id: each }));
    const terminals = inRailOrder([...used, ...more], kind);
    return { ...supply, kind, volts: USUAL_VOLTS[kind], terminals };
  });

/** One supply more. */
export function addSupply(
  draft: Diagram,
  kind: SupplyKind,
  name: string,
): { draft: Diagram; id: string } {
  const id = freeId(name, [...owners(draft), ...draft.actuators]);
  const terminals = RAILS_OF[kind].filter((each) => each !== 'G').map((each) => ({ id: each }));
  const supply: Supply = { id, name, kind, volts: USUAL_VOLTS[kind], terminals };
  return { id, draft: { ...draft, supplies: [...draft.supplies, supply] } };
}

/** One terminal more on a supply: its ground, or a rail. */
export const addRail = (draft: Diagram, id: string, rail: string): Diagram =>
  changeSupply(draft, id, (supply) => ({
    ...supply,
    terminals: inRailOrder([...supply.terminals, { id: rail }], supply.kind),
  }));

/** A panel that is opened to reach parts. */
export const addPanel = (draft: Diagram, name: string): Diagram => ({
  ...draft,
  panels: [
    ...draft.panels,
    { id: freeId(name, draft.panels), name, fastener: 'screws', minutes: 3 },
  ],
});

export const changePanel = (
  draft: Diagram,
  id: string,
  fields: Partial<Omit<Panel, 'id'>>,
): Diagram => ({
  ...draft,
  panels: draft.panels.map((each) => (each.id === id ? { ...each, ...fields } : each)),
});

/** A panel less; what lay behind it is reached without one. */
export const removePanel = (draft: Diagram, id: string): Diagram => ({
  ...draft,
  panels: draft.panels.filter((each) => each.id !== id),
  parts: draft.parts.map((part): Part => {
    const { panel, ...rest } = part;
    return panel === id ? (rest as Part) : part;
  }),
});

/** Says behind which panel a part lies; undefined for none. */
export const putBehind = (draft: Diagram, id: string, panel: string | undefined): Diagram => ({
  ...draft,
  parts: draft.parts.map((part): Part => {
    if (part.id !== id) return part;
    const { panel: _old, ...rest } = part;
    return { ...rest, ...(panel !== undefined && { panel }) } as Part;
  }),
});

/** Names a position as it is said: "timer at COOL DOWN". */
export const namePosition = (
  draft: Diagram,
  actuator: string,
  position: string,
  name: string,
): Diagram =>
  changeActuator(draft, actuator, (each) =>
    each.kind === 'quantity'
      ? each
      : ({
          ...each,
          positions: each.positions.map((one) => (one.id === position ? { ...one, name } : one)),
        } as Actuator),
  );

/** Puts one position where another stands, as the control passes them. */
export const movePosition = (draft: Diagram, actuator: string, from: number, to: number): Diagram =>
  changeActuator(draft, actuator, (each) =>
    each.kind === 'hand' ? { ...each, positions: moved(each.positions, from, to) } : each,
  );

/** Says in which position a control is drawn. */
export const setDrawn = (draft: Diagram, actuator: string, at: string | number): Diagram => ({
  ...draft,
  drawnFor: { ...draft.drawnFor, [actuator]: at },
});

/** Says which load, or board, moves a control. */
export const setDriver = (draft: Diagram, actuator: string, by: string): Diagram =>
  changeActuator(draft, actuator, (each) => (each.kind === 'driven' ? { ...each, by } : each));

const changeActuator = (
  draft: Diagram,
  id: string,
  change: (actuator: Actuator) => Actuator,
): Diagram => ({
  ...draft,
  actuators: draft.actuators.map((each) => (each.id === id ? change(each) : each)),
});
