import type { ContactEvent, OrderSeen } from '../call/orderSeen';
import type { Diagram } from '../diagram/diagram';
import { wiredContacts } from '../diagram/terminal';
import type { ExpectedEvent, OrderDue, OrderVerdict } from '../plan/eventOrder';
import { nameOf } from './unit';

/** "Opening the door", "Closing the door". */
export const sayWay = (name: string, way: OrderSeen['way']): string =>
  `${way === 'opening' ? 'Opening' : 'Closing'} the ${name.toLowerCase()}`;

/** A contact by its part; with its own name where several of the part are wired. */
export function sayContact(diagram: Diagram, { part, contact }: ContactEvent): string {
  const several = diagram.parts.find(({ id }) => id === part);
  const many = several?.kind === 'switch' && wiredContacts(diagram, several).length > 1;
  return `${nameOf(diagram, part)}${many ? `, ${contact}` : ''}`;
}

/** "Primary door switch opens". */
export const sayEvent = (diagram: Diagram, event: ExpectedEvent): string =>
  `${sayContact(diagram, event)} ${event.becomes === 'open' ? 'opens' : 'closes'}`;

/** What was seen of an order, and what follows. */
export function sayOrder(diagram: Diagram, verdict: OrderVerdict): string {
  switch (verdict.kind) {
    case 'right':
      return 'In the order that protects.';
    case 'wrong':
      return `${sayContact(diagram, verdict.later)} went over before ${sayContact(diagram, verdict.earlier)}: that must not be. Bracket, hooks and the places of the switches; do not run it.`;
    case 'not-whole':
      return `Not seen yet: ${verdict.missing.map((each) => sayContact(diagram, each)).join(', ')}.`;
  }
}

/** An order that is due, as a line of what is missing or proved. */
export const sayOrderDue = (diagram: Diagram, { actuator, way, verdict }: OrderDue): string =>
  `${sayWay(actuator.name, way)}: ${verdict ? sayOrder(diagram, verdict) : 'which contact goes over first is to be seen.'}`;
