/**
 * What a clamp around one of its wires shows: the working current is off by the plate's and the house's
 * spread, a clamp shows nothing below `none`, and is nothing of the kind as often as `slip` (two wires in
 * its jaws cancel). From memory.
 */
const CLAMP = { spread: 0.2, none: 0.2, slip: 0.02 };

/** A current of less than this is none, in ampere. */
export const NO_AMPS = CLAMP.none;

/** What a good unit is expected to show, in ampere, from the one end to the other. */
export const clampBand = (amps: number): { low: number; high: number } => ({
  low: amps * (1 - CLAMP.spread),
  high: amps * (1 + CLAMP.spread),
});

/** How probable a shown current is where another was foretold; nothing foretold is none. */
export function weighAmps(shown: number, foretold: number | undefined): number {
  const { none, slip } = CLAMP;
  const { low, high } = clampBand(foretold ?? 0);
  const fits =
    (foretold ?? 0) < none ? shown < 2 * none : shown >= low - none && shown <= high + none;
  return fits ? 1 - slip : slip;
}
