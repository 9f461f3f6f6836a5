import { upToStep } from '../behaviour/step';
import { isolate } from '../circuit/isolate';
import type { Diagram, Part, TerminalRef } from '../diagram/diagram';
import { drawnSetup, positionsOf, type Setup } from '../diagram/setup';
import { splitRef, terminalRef } from '../diagram/terminal';
import { subsets } from '../subsets';

/** Something that can be asked of a unit next. */
export type UnitTest =
  | {
      kind: 'ohm';
      /** `own`: at the terminals of one part, alone; `wire`: end to end; `through`: the unit itself. */
      reach: 'own' | 'wire' | 'through';
      from: TerminalRef;
      to: TerminalRef;
      setup: Setup;
    }
  | { kind: 'look'; look: string }
  /** The unit is used, and one load or protector is watched in the last of the steps. */
  | { kind: 'try'; steps: string; subject: string };

/** Minutes of what a technician does; from memory. */
const MINUTES = { read: 0.6, wire: 0.8, move: 0.3, byHand: 1, use: 3 };

/** What has been done already, and so costs nothing again. */
export interface Bench {
  openPanels: ReadonlySet<string>;
  setup: Setup | undefined;
}

/** Minutes that a test takes on a unit that stands as it does. */
export function minutesOf(diagram: Diagram, test: UnitTest, bench: Bench): number {
  const panel = (id: string | undefined): number => {
    if (id === undefined || bench.openPanels.has(id)) return 0;
    return diagram.panels.find((each) => each.id === id)?.minutes ?? 0;
  };
  switch (test.kind) {
    case 'look': {
      const look = diagram.looks?.find((each) => each.id === test.look);
      return (look?.minutes ?? 1) + panel(look?.panel);
    }
    case 'try':
      return MINUTES.use;
    case 'ohm': {
      const panels = new Set(
        [test.from, test.to].map(
          (ref) => diagram.parts.find((part) => part.id === splitRef(ref).part)?.panel,
        ),
      );
      const opening = [...panels].reduce((sum, id) => sum + panel(id), 0);
      const lifted = bench.setup?.lifted ?? [];
      const wires = test.setup.lifted.filter((ref) => !lifted.includes(ref)).length;
      const stands = bench.setup ?? drawnSetup(diagram);
      const moves = diagram.actuators.filter(
        ({ id }) =>
          JSON.stringify(stands.actuators[id]) !== JSON.stringify(test.setup.actuators[id]),
      ).length;
      const held = Object.keys(test.setup.byHand).length;
      return (
        MINUTES.read + opening + wires * MINUTES.wire + moves * MINUTES.move + held * MINUTES.byHand
      );
    }
  }
}

/** Panels that a test opens. */
export function panelsOf(diagram: Diagram, test: UnitTest): string[] {
  if (test.kind === 'look') {
    const panel = diagram.looks?.find((each) => each.id === test.look)?.panel;
    return panel ? [panel] : [];
  }
  if (test.kind === 'try') return [];
  return [test.from, test.to].flatMap((ref) => {
    const panel = diagram.parts.find((part) => part.id === splitRef(ref).part)?.panel;
    return panel ? [panel] : [];
  });
}

/** Setups with the unit dead and at most this many controls away from where they are drawn. */
const MOST_MOVED = 3;
const MOST_SETUPS = 40;

/** The dead unit, every source off, with its controls where a hand can put them. */
export function deadSetups(diagram: Diagram): Setup[] {
  const drawn: Setup = { ...drawnSetup(diagram), except: [] };
  const controls = diagram.actuators.filter(
    (each) => each.kind === 'hand' || each.kind === 'momentary',
  );
  const setups = [drawn];
  for (let size = 1; size <= Math.min(MOST_MOVED, controls.length); size++) {
    for (const some of subsets(controls, size)) {
      let moved = [drawn];
      for (const control of some) {
        const others = control.positions.filter((each) => each.id !== drawn.actuators[control.id]);
        moved = moved.flatMap((setup) =>
          others.map((each) => ({
            ...setup,
            actuators: { ...setup.actuators, [control.id]: each.id },
          })),
        );
      }
      for (const setup of moved) if (setups.length < MOST_SETUPS) setups.push(setup);
    }
  }
  return setups;
}

/** Everything that can be asked of a unit that is cold and dead, and uses of it that can be watched. */
export function unitTests(diagram: Diagram): UnitTest[] {
  const setups = deadSetups(diagram);
  const [drawn] = setups;
  if (!drawn) return [];
  return [
    ...(diagram.looks ?? []).map((look): UnitTest => ({ kind: 'look', look: look.id })),
    ...tries(diagram),
    ...diagram.parts.flatMap((part) => ownTests(diagram, part, drawn)),
    ...diagram.wires.map((wire): UnitTest => ({
      kind: 'ohm',
      reach: 'wire',
      from: wire.from,
      to: wire.to,
      setup: drawn,
    })),
    ...setups.flatMap((setup) => throughTests(diagram, setup)),
  ];
}

/** Every use up to each of its steps: what is watched is what the last one does. */
function tries(diagram: Diagram): UnitTest[] {
  const watched = diagram.parts.filter(
    (part) => part.kind === 'load' || (part.kind === 'board' && part.logic),
  );
  return (diagram.uses ?? []).flatMap((use) => {
    const steps = use.steps.split(',').filter((word) => !word.trim().startsWith('wait=')).length;
    return Array.from({ length: steps }, (_, i) => upToStep(use.steps, i)).flatMap((text) =>
      watched.map((part): UnitTest => ({ kind: 'try', steps: text, subject: part.id })),
    );
  });
}

/** Readings of a part alone: its contacts in every position, its elements, what it protects by. */
function ownTests(diagram: Diagram, part: Part, drawn: Setup): UnitTest[] {
  const at = (from: string, to: string, setup: Setup): UnitTest => ({
    kind: 'ohm',
    reach: 'own',
    from: terminalRef(part.id, from),
    to: terminalRef(part.id, to),
    setup,
  });
  switch (part.kind) {
    case 'switch': {
      const lifted = isolate(diagram, part).lift;
      const actuator = diagram.actuators.find((each) => each.id === part.actuator);
      const reached = actuator?.kind === 'hand' || actuator?.kind === 'momentary';
      return positionsOf(diagram, part).flatMap((position) => {
        const actuators = { ...drawn.actuators, [part.actuator]: position };
        const setups: Setup[] = [{ ...drawn, lifted, byHand: { [part.id]: position } }];
        if (reached) setups.push({ ...drawn, lifted, actuators });
        else if (position === part.free) setups.push({ ...drawn, lifted });
        return setups.flatMap((setup) =>
          part.contacts.map(({ between: [a, b] }) => at(a, b, setup)),
        );
      });
    }
    case 'load':
      return part.elements.map(({ between: [a, b] }) =>
        at(a, b, { ...drawn, lifted: [terminalRef(part.id, a)] }),
      );
    case 'protector':
      return [at(...part.between, { ...drawn, lifted: [terminalRef(part.id, part.between[0])] })];
    default:
      return [];
  }
}

/** From each terminal of a supply to every terminal of the unit, wires on. */
function throughTests(diagram: Diagram, setup: Setup): UnitTest[] {
  const ends = diagram.supplies.flatMap((supply) =>
    supply.terminals.map((terminal) => terminalRef(supply.id, terminal.id)),
  );
  const points = [
    ...ends,
    ...diagram.parts.flatMap((part) =>
      part.terminals.map((terminal) => terminalRef(part.id, terminal.id)),
    ),
  ];
  return ends.flatMap((from) =>
    points
      .filter((to) => to !== from)
      .map((to): UnitTest => ({ kind: 'ohm', reach: 'through', from, to, setup })),
  );
}
