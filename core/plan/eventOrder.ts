import { sinceRepair, type Evidence } from '../call/evidence';
import type { ContactEvent, OrderSeen } from '../call/orderSeen';
import type { LogEntry } from '../call/record';
import { takenBack } from '../call/takenBack';
import type { Diagram, HandActuator, SwitchPart } from '../diagram/diagram';
import { cellState } from '../diagram/contactTable';
import { switches, wiredContacts } from '../diagram/terminal';

/** A contact that goes over on the way, and between which two positions: events of one step may come in any order. */
export interface ExpectedEvent extends ContactEvent {
  step: number;
  becomes: 'open' | 'closed';
}

/** Doors and lids whose contacts have to go over one after another: they protect people by that order. */
export const orderedActuators = (diagram: Diagram): HandActuator[] =>
  diagram.actuators.filter(
    (each): each is HandActuator =>
      each.kind === 'hand' &&
      ['door', 'lid', 'drawer'].includes(each.shape) &&
      each.positions.length > 2 &&
      new Set(expectedOrder(diagram, each, 'opening').map(({ step }) => step)).size > 1,
  );

/**
 * What goes over while something is opened, or closed, from its first position to its last and back, by the contact tables of the
 * switches that it moves. Positions are in the order in which they are passed, the first being closed.
 */
export function expectedOrder(
  diagram: Diagram,
  actuator: HandActuator,
  way: OrderSeen['way'],
): ExpectedEvent[] {
  const positions = actuator.positions.map(({ id }) => id);
  const passed = positions[0] === drawnClosed(actuator) ? positions : [...positions].reverse();
  const path = way === 'opening' ? passed : [...passed].reverse();
  return path.slice(1).flatMap((to, step) => {
    const from = path[step];
    return switches(diagram)
      .filter((part) => part.actuator === actuator.id)
      .flatMap((part) =>
        wiredContacts(diagram, part).flatMap(({ id }): ExpectedEvent[] => {
          const [before, after] = [stateIn(part, from, id), stateIn(part, to, id)];
          if (before === after || after === 'either' || before === 'either') return [];
          return [{ part: part.id, contact: id, step, becomes: after }];
        }),
      );
  });
}

/** The position that is closed, by its name; the first where none is called so. */
const drawnClosed = ({ positions }: HandActuator): string | undefined =>
  (positions.find(({ id }) => /closed|shut/.test(id)) ?? positions[0])?.id;

const stateIn = (part: SwitchPart, position: string | undefined, contact: string) =>
  cellState(part, contact, position ?? '');

export type OrderVerdict =
  | { kind: 'right' }
  /** `later` went over before `earlier`, and must not. */
  | { kind: 'wrong'; earlier: ContactEvent; later: ContactEvent }
  | { kind: 'not-whole'; missing: ContactEvent[] };

/** Whether contacts went over in an order that the tables allow; what is out of order comes before what is missing. */
export function judgeOrder(
  expected: readonly ExpectedEvent[],
  seen: readonly ContactEvent[],
): OrderVerdict {
  const stepOf = ({ part, contact }: ContactEvent): number | undefined =>
    expected.find((each) => each.part === part && each.contact === contact)?.step;
  for (const [i, later] of seen.entries())
    for (const earlier of seen.slice(i + 1)) {
      const [one, two] = [stepOf(later), stepOf(earlier)];
      if (one !== undefined && two !== undefined && one > two)
        return { kind: 'wrong', earlier, later };
    }
  const missing = expected
    .filter(
      ({ part, contact }) => !seen.some((each) => each.part === part && each.contact === contact),
    )
    .map(({ part, contact }) => ({ part, contact }));
  return missing.length ? { kind: 'not-whole', missing } : { kind: 'right' };
}

/** An order that is due after a repair, and how it stands; undefined where it was not seen since. */
export interface OrderDue {
  actuator: HandActuator;
  way: OrderSeen['way'];
  verdict: OrderVerdict | undefined;
}

/** What has to be seen in order: every way of each door whose interlocks were touched by a repair, since that repair. */
export function ordersDue(
  diagram: Diagram,
  entries: readonly LogEntry[],
  evidence: readonly Evidence[],
): OrderDue[] {
  const gone = takenBack(entries);
  return orderedActuators(diagram).flatMap((actuator) => {
    const moved = switches(diagram).filter((part) => part.actuator === actuator.id);
    const touched = moved.map(({ id }) => sinceRepair(evidence, id)).filter((place) => place > 0);
    if (touched.length === 0) return [];
    const last = evidence[Math.max(...touched) - 1]?.id;
    const since = entries.slice(entries.findIndex(({ id }) => id === last) + 1);
    return (['opening', 'closing'] as const).map((way): OrderDue => {
      const seen = since.findLast(
        ({ id, kind, body }) =>
          kind === 'order' && !gone.has(id) && body.actuator === actuator.id && body.way === way,
      );
      const verdict =
        seen?.kind === 'order'
          ? judgeOrder(expectedOrder(diagram, actuator, way), seen.body.events)
          : undefined;
      return { actuator, way, verdict };
    });
  });
}
