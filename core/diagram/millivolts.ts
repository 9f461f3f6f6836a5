import type { CircuitClass, Contact, Diagram, SupplyKind, SwitchPart } from './diagram';
import { switches } from './terminal';

/** Whether a circuit lives on the few volts of a flame, where tenths of an ohm matter. */
export const isMillivolts = (kind: CircuitClass | SupplyKind | undefined): boolean =>
  kind === 'thermopile' || kind === 'thermocouple';

/** Contacts that share the few volts of a source. */
export function contactsInLoop(
  diagram: Diagram,
  source: string,
): { part: SwitchPart; contact: Contact }[] {
  const kind = diagram.supplies.find(({ id }) => id === source)?.kind;
  if (!isMillivolts(kind)) return [];
  return switches(diagram).flatMap((part) =>
    part.contacts.filter(({ circuit }) => circuit === kind).map((contact) => ({ part, contact })),
  );
}
