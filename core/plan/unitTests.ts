import { checkJumper } from '../behaviour/jumper';
import { isNoticed, type Outcome } from '../behaviour/statement';
import { parseSteps, upToStep } from '../behaviour/step';
import { isolate } from '../circuit/isolation';
import type { Diagram, Part, TerminalRef } from '../diagram/diagram';
import { drawnSetup, positionsOf, type Setup } from '../diagram/setup';
import { switches, terminalRef } from '../diagram/terminal';
import { clampedLoad } from '../diagram/clampedLoad';
import { movedBy } from '../inference/quantity';
import { subsets } from '../subsets';

/** Ohms, with everything dead. */
export interface OhmTest {
  kind: 'ohm';
  /** `own`: at the terminals of one part, alone; `wire`: end to end; `through`: the unit itself. */
  reach: 'own' | 'wire' | 'through';
  from: TerminalRef;
  to: TerminalRef;
  setup: Setup;
  /** Whether what may be loose is moved while it is read. */
  wiggle: boolean;
}

/** Live, by the script: clipped on dead, then used by these steps. */
export interface VoltTest {
  kind: 'volt';
  from: TerminalRef;
  to: TerminalRef;
  steps: string;
}

/** A quantity that moves switches, by its own instrument, or the current of a load, by a clamp around a wire. */
export interface MeasureTest {
  kind: 'measure';
  /** The quantity, or the heater or motor. */
  actuator: string;
  /** What the unit is brought to do; as it stands, where nothing is said. */
  steps?: string;
}

/** A quick check without a meter. */
export interface LookTest {
  kind: 'look';
  look: string;
}

/**
 * The unit is used, and one load or board is watched in the last of the steps; with a jumper over a
 * contact that should be closed then.
 */
export interface TryTest {
  kind: 'try';
  steps: string;
  subject: string;
  jumper?: [TerminalRef, TerminalRef];
}

/** The customer is asked: did this do what it should, in the last of the steps? */
export interface AskTest {
  kind: 'ask';
  steps: string;
  subject: string;
  /** What a good unit does then. */
  expected: Outcome;
}

/** Something that can be asked of a unit next. */
export type UnitTest = OhmTest | VoltTest | LookTest | TryTest | MeasureTest | AskTest;

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
    ...measurements(diagram),
    ...tries(diagram),
    ...diagram.parts.flatMap((part) => ownTests(diagram, part, drawn)),
    ...diagram.wires.map((wire): UnitTest => ({
      kind: 'ohm',
      reach: 'wire',
      from: wire.from,
      to: wire.to,
      setup: drawn,
      wiggle: false,
    })),
    ...setups.flatMap((setup) => throughTests(diagram, setup)),
  ];
}

/** Every quantity that moves a switch: as it stands, and where the unit drives it in its uses. */
function measurements(diagram: Diagram): UnitTest[] {
  return diagram.actuators.flatMap((actuator): UnitTest[] => {
    if (actuator.kind !== 'quantity' || !movedBy(diagram, actuator.id).length) return [];
    const test = { kind: 'measure', actuator: actuator.id } as const;
    if (!actuator.driven) return [test];
    return (diagram.uses ?? []).flatMap(({ steps }) =>
      stepsOf(steps).map((each): UnitTest => ({ ...test, steps: each })),
    );
  });
}

/** The steps of a use, each up to itself. */
function stepsOf(written: string): string[] {
  const steps = written.split(',').filter((word) => !word.trim().startsWith('wait=')).length;
  return Array.from({ length: steps }, (_, i) => upToStep(written, i));
}

/** Every use up to each of its steps: what is watched is what the last one does. */
function tries(diagram: Diagram): UnitTest[] {
  const watched = diagram.parts.filter(
    (part) => (part.kind === 'load' && isNoticed(part)) || (part.kind === 'board' && part.logic),
  );
  return (diagram.uses ?? []).flatMap((use) =>
    stepsOf(use.steps).flatMap((text) =>
      watched.map((part): UnitTest => ({ kind: 'try', steps: text, subject: part.id })),
    ),
  );
}

/** Readings of a part alone: its contacts in every position, its elements, what it protects by. */
function ownTests(diagram: Diagram, part: Part, drawn: Setup): UnitTest[] {
  const at = (from: string, to: string, setup: Setup, wiggle = false): UnitTest => ({
    kind: 'ohm',
    reach: 'own',
    from: terminalRef(part.id, from),
    to: terminalRef(part.id, to),
    setup,
    wiggle,
  });
  // What is pushed together may be loose: it is read held still, and moved.
  const steadyAndMoved = ([a, b]: [string, string]): UnitTest[] =>
    [false, true].map((wiggle) =>
      at(a, b, { ...drawn, lifted: [terminalRef(part.id, a)] }, wiggle),
    );
  switch (part.kind) {
    case 'switch': {
      const lifted = isolate(diagram, part).lift;
      const actuator = diagram.actuators.find((each) => each.id === part.actuator);
      const reached = actuator?.kind === 'hand' || actuator?.kind === 'momentary';
      return positionsOf(diagram, part).flatMap((position) => {
        const actuators = { ...drawn.actuators, [part.actuator]: position };
        const setups: Setup[] = part.handless
          ? []
          : [{ ...drawn, lifted, byHand: { [part.id]: position } }];
        if (reached) setups.push({ ...drawn, lifted, actuators });
        else if (position === part.free) setups.push({ ...drawn, lifted });
        const row = part.table.rows.find((each) => each.position === position);
        return setups.flatMap((setup) =>
          part.contacts.flatMap(({ id, between: [a, b] }) => {
            const steady = at(a, b, setup);
            // Only what should be closed can be seen to jump.
            return row?.closed.includes(id) ? [steady, at(a, b, setup, true)] : [steady];
          }),
        );
      });
    }
    case 'load':
      return part.elements.map(({ between: [a, b] }) =>
        at(a, b, { ...drawn, lifted: [terminalRef(part.id, a)] }),
      );
    case 'protector':
      return steadyAndMoved(part.between);
    case 'connection':
      return part.joins.flatMap(steadyAndMoved);
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
      .map((to): UnitTest => ({ kind: 'ohm', reach: 'through', from, to, setup, wiggle: false })),
  );
}

/** Live readings after some steps: over each part alone, from each supply to everywhere, the current of each load. */
export function liveTests(diagram: Diagram, steps: string): UnitTest[] {
  const volt = (from: TerminalRef, to: TerminalRef): UnitTest => ({
    kind: 'volt',
    from,
    to,
    steps,
  });
  const own = diagram.parts.flatMap((part) => {
    const pairs =
      part.kind === 'switch'
        ? part.contacts.map((each) => each.between)
        : part.kind === 'load'
          ? part.elements.map((each) => each.between)
          : part.kind === 'protector'
            ? [part.between]
            : [];
    return pairs.map(([a, b]) => volt(terminalRef(part.id, a), terminalRef(part.id, b)));
  });
  const ends = diagram.supplies.flatMap((supply) =>
    supply.terminals.map((terminal) => terminalRef(supply.id, terminal.id)),
  );
  const points = diagram.parts.flatMap((part) =>
    part.terminals.map((terminal) => terminalRef(part.id, terminal.id)),
  );
  return [
    ...own,
    ...diagram.parts.flatMap(({ id }): UnitTest[] =>
      clampedLoad(diagram, id) ? [{ kind: 'measure', actuator: id, steps }] : [],
    ),
    ...diagram.wires.map((wire) => volt(wire.from, wire.to)),
    ...ends.flatMap((from, i) => [...ends.slice(i + 1), ...points].map((to) => volt(from, to))),
  ];
}

/**
 * Tries with a jumper over each contact that a hand closes in some steps. Safeties and protectors are
 * never bridged, and nothing is that would short a supply.
 */
export function jumperTests(diagram: Diagram, steps: string, subject: string): UnitTest[] {
  const parsed = parseSteps(diagram, steps);
  if (!parsed.ok) return [];
  const drawn = drawnSetup(diagram);
  const at = { ...drawn.actuators };
  for (const { does } of parsed.value) if (does.kind === 'move') at[does.actuator] = does.position;
  return switches(diagram).flatMap((part) => {
    const moved = diagram.actuators.find((each) => each.id === part.actuator)?.kind;
    if (part.safety || (moved !== 'hand' && moved !== 'momentary')) return [];
    const row = part.table.rows.find((each) => each.position === at[part.actuator]);
    return part.contacts.flatMap(({ id, between: [a, b] }): UnitTest[] => {
      const jumper: [TerminalRef, TerminalRef] = [terminalRef(part.id, a), terminalRef(part.id, b)];
      if (!row?.closed.includes(id)) return [];
      if (checkJumper(diagram, drawn, ...jumper).verdict === 'refused') return [];
      return [{ kind: 'try', steps, subject, jumper }];
    });
  });
}
