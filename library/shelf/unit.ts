import type {
  Actuator,
  Diagram,
  Look,
  Part,
  TerminalRef,
  Use,
  Wire,
} from '../../core/diagram/diagram';

/** Parts that come together, with what moves them and the wires between them. */
export interface Assembly {
  actuators?: Actuator[];
  /** Where its quantities stand. */
  drawnFor?: Diagram['drawnFor'];
  parts: Part[];
  wires?: Wire[];
  looks?: Look[];
  uses?: Use[];
}

/** A unit as it is written down here: what follows from the rest is left out. */
type Written = Omit<Diagram, 'format' | 'version' | 'drawnFor' | 'frame'> & {
  /** Where quantities stand, and what the sheet does not draw at rest or in its first position. */
  drawnFor?: Diagram['drawnFor'];
  assemblies?: Assembly[];
};

/** The diagram of a unit with its assemblies put in. */
export function unit({ drawnFor = {}, assemblies = [], ...written }: Written): Diagram {
  const actuators = [...written.actuators, ...assemblies.flatMap((each) => each.actuators ?? [])];
  const parts = [...written.parts, ...assemblies.flatMap((each) => each.parts)].map((part) =>
    inOrder(part, actuators),
  );
  const rest = Object.fromEntries(actuators.flatMap((each) => drawnAt(each)));
  return {
    format: 'yarrix-diagram',
    version: 1,
    ...written,
    drawnFor: Object.assign(rest, ...assemblies.map((each) => each.drawnFor), drawnFor),
    ...(parts.some(({ id }) => id === 'frame') && { frame: 'frame.F' }),
    actuators,
    parts,
    wires: [...written.wires, ...assemblies.flatMap((each) => each.wires ?? [])],
    uses: [...(written.uses ?? []), ...assemblies.flatMap((each) => each.uses ?? [])],
    looks: [...(written.looks ?? []), ...assemblies.flatMap((each) => each.looks ?? [])],
  };
}

/** Rows of a table in the order of the positions of its control, as it is passed. */
function inOrder(part: Part, actuators: readonly Actuator[]): Part {
  if (part.kind !== 'switch') return part;
  const actuator = actuators.find(({ id }) => id === part.actuator);
  if (!actuator || actuator.kind === 'quantity') return part;
  const places = actuator.positions.map(({ id }) => id);
  const rows = [...part.table.rows].sort(
    (a, b) => places.indexOf(a.position) - places.indexOf(b.position),
  );
  return { ...part, table: { ...part.table, rows } };
}

function drawnAt(actuator: Actuator): [string, string][] {
  switch (actuator.kind) {
    case 'hand':
      return actuator.positions.slice(0, 1).map(({ id }) => [actuator.id, id]);
    case 'momentary':
    case 'driven':
      return [[actuator.id, actuator.rest]];
    case 'quantity':
      return [];
  }
}

/** Wires, one a line: colour, from, to. Their ids are counted from `w1`, or after a prefix of their own. */
export const wires = (lines: string, prefix = 'w'): Wire[] =>
  lines
    .trim()
    .split('\n')
    .map((line, i) => {
      const [colour = '', from = '', to = ''] = line.trim().split(/\s+/);
      return { id: `${prefix}${i + 1}`, colour, from: from as TerminalRef, to: to as TerminalRef };
    });

type Pair = [from: TerminalRef, to: TerminalRef];

/** The pairs of points that put parts of two terminals one after the other, from one point to another. */
export function inSeries(from: TerminalRef, parts: readonly Part[], to: TerminalRef): Pair[] {
  const ends = parts.map(({ id, terminals: [a, b] }): Pair => [
    `${id}.${a?.id ?? ''}`,
    `${id}.${b?.id ?? ''}`,
  ]);
  const [starts, arrives] = [ends.map(([a]) => a), ends.map(([, b]) => b)];
  return [from, ...arrives].map((each, i): Pair => [each, starts[i] ?? to]);
}

/** Wires between pairs of points, a colour each. */
export const wired = (
  prefix: string,
  colours: readonly string[],
  pairs: readonly Pair[],
  ohms?: Wire['ohms'],
): Wire[] =>
  pairs.map(([from, to], i) => ({
    id: `${prefix}${i + 1}`,
    colour: colours[i] ?? 'NA',
    from,
    to,
    ...(ohms && { ohms }),
  }));
