import type { Actuator, Diagram, Panel, Part, Supply, SupplyKind } from '../diagram/diagram';
import { owners, terminalRef, wiresAt } from '../diagram/terminal';
import { freeId } from './changePart';

/** Terminals that a kind of supply has, in the order that says what they are; ground comes last where there is one. */
const TERMINALS: Record<SupplyKind, readonly string[]> = {
  mains: ['L', 'N', 'G'],
  'split-phase': ['L1', 'L2', 'N', 'G'],
  'wye-legs': ['L1', 'L2', 'N', 'G'],
  'low-voltage-ac': ['R', 'C'],
  dc: ['+', '-'],
  thermopile: ['TH', 'TP'],
  thermocouple: ['+', '-'],
};

/** Volts of a kind where nobody has said them. */
export const USUAL_VOLTS: Record<SupplyKind, number> = {
  mains: 120,
  'split-phase': 240,
  'wye-legs': 208,
  'low-voltage-ac': 24,
  dc: 12,
  thermopile: 0.75,
  thermocouple: 0.03,
};

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
    const fresh = TERMINALS[kind].filter((each) => !used.some((rail) => rail.id === each));
    const more = fresh.slice(0, Math.max(0, needed - used.length)).map((each) => ({ id: each }));
    const terminals = inOrder([...used, ...more], kind);
    return { ...supply, kind, volts: USUAL_VOLTS[kind], terminals };
  });

/** In the order that says what they are, as far as their names tell. */
function inOrder(terminals: Supply['terminals'], kind: SupplyKind): Supply['terminals'] {
  const place = (id: string): number => {
    const at = TERMINALS[kind].indexOf(id);
    return at < 0 ? TERMINALS[kind].indexOf(id === 'L1' ? 'L' : id) : at;
  };
  const known = terminals.every(({ id }) => place(id) >= 0);
  return known ? [...terminals].sort((a, b) => place(a.id) - place(b.id)) : terminals;
}

/** One supply more. */
export function addSupply(
  draft: Diagram,
  kind: SupplyKind,
  name: string,
): { draft: Diagram; id: string } {
  const id = freeId(name, [...owners(draft), ...draft.actuators]);
  const terminals = TERMINALS[kind].filter((each) => each !== 'G').map((each) => ({ id: each }));
  const supply: Supply = { id, name, kind, volts: USUAL_VOLTS[kind], terminals };
  return { id, draft: { ...draft, supplies: [...draft.supplies, supply] } };
}

/** One terminal more on a supply: its ground, or a rail. */
export const addRail = (draft: Diagram, id: string, rail: string): Diagram =>
  changeSupply(draft, id, (supply) => ({
    ...supply,
    terminals: inOrder([...supply.terminals, { id: rail }], supply.kind),
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

/** Moves a position one place on or back, as the control passes it. */
export const movePosition = (
  draft: Diagram,
  actuator: string,
  position: string,
  by: 1 | -1,
): Diagram =>
  changeActuator(draft, actuator, (each) => {
    if (each.kind !== 'hand') return each;
    const from = each.positions.findIndex(({ id }) => id === position);
    const to = from + by;
    const positions = [...each.positions];
    const [moved] = positions.splice(from, 1);
    if (!moved || to < 0 || to > positions.length) return each;
    positions.splice(to, 0, moved);
    return { ...each, positions };
  });

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
