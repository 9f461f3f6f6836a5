import type { Diagram } from '../diagram/diagram';

/** Minutes of a look at outlet, breaker and source with all covers on: from memory. */
const SUPPLY_LOOK = 1.5;

/**
 * How probable it is that what feeds the unit is at fault, where a look there saves more minutes than it takes (what it saves
 * when it is that, by how often it is); undefined where it does not.
 * @param expected minutes that the way to the part takes without it
 */
export function supplyPays(
  { supplies }: Diagram,
  suspects: readonly { id: string | undefined; probability: number }[],
  expected: number,
): number | undefined {
  const share = suspects
    .filter(({ id }) => supplies.some((supply) => supply.id === id))
    .reduce((sum, { probability }) => sum + probability, 0);
  return share * expected > SUPPLY_LOOK ? share : undefined;
}
