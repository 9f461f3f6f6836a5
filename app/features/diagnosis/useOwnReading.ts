import { useMemo, useState } from 'react';
import { isolate } from '../../../core/circuit/isolation';
import type { Diagram, QuantityActuator, TerminalRef } from '../../../core/diagram/diagram';
import { drawnSetup, movedFrom, positionsOf, type Setup } from '../../../core/diagram/setup';
import { isWireEnd, partAt, switches, terminalAt } from '../../../core/diagram/terminal';
import { quantityOf } from '../../../core/inference/quantity';
import type { MeterTest, Work } from './useWork';

/** Where a reading of one's own is taken, as far as it was said. */
interface Said {
  points: readonly TerminalRef[];
  /** Controls that are not where they are drawn. */
  moved: Readonly<Record<string, string>>;
  alone: boolean;
  /** The part is out, on the bench, with no wire on it. */
  out: boolean;
  /** Of the quantity that moves the switch at hand; as it is drawn, where nothing is said. */
  value: number | undefined;
  /** The position that a hand holds the switch itself in. */
  byHand: string | undefined;
  wiggle: boolean;
  /** What the unit was brought to do, of a live reading. */
  live: string | undefined;
  /** Of a live reading: the unit is on, and everybody stands clear. */
  clear: boolean;
}

const NOTHING: Said = {
  points: [],
  moved: {},
  alone: false,
  out: false,
  value: undefined,
  byHand: undefined,
  wiggle: false,
  live: undefined,
  clear: false,
};

export interface OwnReading extends Said {
  say: (some: Partial<Said>) => void;
  /** Two points while everything stands as it does for a test in hand, wires on. */
  begin: (points: readonly TerminalRef[], as: MeterTest | undefined) => void;
  /** One more point; a third begins anew. */
  point: (ref: TerminalRef) => void;
  forget: () => void;
  /** The part that both points are at. */
  part: string | undefined;
  /** What moves that switch, where no hand does. */
  quantity: QuantityActuator | undefined;
  /** Positions that a hand can hold that switch in. */
  positions: readonly string[];
  /** Wires that would have to come off to read it alone: on, another way round is read as well. */
  wayRound: readonly TerminalRef[];
  /** The reading, once both points are said. */
  test: MeterTest | undefined;
  /** The same, once it may be taken: dead and proved, or everybody clear, and no jumper on. */
  ready: MeterTest | undefined;
}

/** What a reading of one's own goes by. */
type At = Pick<Work, 'safe' | 'meterProved' | 'jumper'> & { call: { diagram: Diagram } };

/** A reading that nobody proposed: its points, and how everything stands while it is taken. */
export function useOwnReading({ call: { diagram }, safe, meterProved, jumper }: At): OwnReading {
  const [said, setSaid] = useState(NOTHING);
  const { points, moved, alone, out, value, byHand, wiggle, live } = said;
  const [from, to] = points;
  const owner = from === undefined ? undefined : partAt(from);
  const part = to !== undefined && partAt(to) === owner ? owner : undefined;
  const found = switches(diagram).find(({ id }) => id === part);
  const quantity = found && quantityOf(diagram, found.actuator);
  const wayRound = useMemo(() => liftedFor(diagram, part, from), [diagram, part, from]);
  const test = useMemo((): MeterTest | undefined => {
    if (from === undefined || to === undefined) return undefined;
    if (live !== undefined) return { kind: 'volt', from, to, steps: live };
    const drawn = drawnSetup(diagram);
    const ends = [from, to].filter(isWireEnd).map(terminalAt);
    const setup: Setup = {
      ...drawn,
      except: [],
      actuators: {
        ...drawn.actuators,
        ...moved,
        ...(quantity && value !== undefined && { [quantity.id]: { value } }),
      },
      lifted: [...new Set([...(alone ? wayRound : []), ...ends])],
      partsOut: out && part !== undefined ? [part] : [],
      byHand: byHand !== undefined && part !== undefined ? { [part]: byHand } : {},
    };
    return { kind: 'ohm', reach: part === undefined ? 'through' : 'own', from, to, setup, wiggle };
  }, [diagram, from, to, moved, alone, out, value, quantity, byHand, wiggle, live, part, wayRound]);
  return {
    ...said,
    // Whatever is said anew has to be made safe anew.
    say: (some) => setSaid((before) => ({ ...before, clear: false, ...some })),
    point: (ref) =>
      setSaid((before) => ({
        ...before,
        byHand: undefined,
        out: false,
        value: undefined,
        clear: false,
        points:
          before.points.length === 1 && before.points[0] !== ref ? [...before.points, ref] : [ref],
      })),
    begin: (two, as) =>
      setSaid({
        ...NOTHING,
        points: two,
        ...(as?.kind === 'volt'
          ? { live: as.steps }
          : as && { moved: movedFrom(drawnSetup(diagram), as.setup) }),
      }),
    forget: () => setSaid(NOTHING),
    part,
    quantity,
    positions: found && !found.handless ? positionsOf(diagram, found) : [],
    wayRound,
    test,
    ready: !jumper && (test?.kind === 'ohm' ? safe && meterProved : said.clear) ? test : undefined,
  };
}

/** Wires that have to be off for a part to be read alone. */
function liftedFor(
  diagram: Diagram,
  part: string | undefined,
  from: TerminalRef | undefined,
): TerminalRef[] {
  const found = diagram.parts.find(({ id }) => id === part);
  if (!found || from === undefined) return [];
  return found.kind === 'switch' ? [...isolate(diagram, found).lift] : [from];
}
