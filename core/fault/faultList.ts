import type { Diagram } from '../diagram/diagram';
import { loopsOf } from '../diagram/loop';
import { ALL_MODES, modeOf, type Fault, type Mode } from './fault';
import type { OhmsRange } from './effect';
import { exactly, type Sizes } from './mode';
import type { Place, Placed } from './place';

/** A fault that is weighed, with its share of the failures of what would be suspected for it. */
export interface WeightedFault {
  suspect: string;
  fault: Fault;
  share: number;
  /** Where alone it shows, and is weighed. */
  shows: Placed<Place>['shows'];
}

/** The one list of faults that are weighed, in their typical sizes. */
export function weightedFaults(diagram: Diagram): WeightedFault[] {
  return ALL_MODES.flatMap((mode) =>
    modeOf(mode)
      .where(diagram)
      .filter(({ share }) => share > 0)
      .flatMap((placed): WeightedFault[] => {
        const { suspect, share, shows } = placed;
        const sizes = sizesAt(diagram, mode, placed)?.typical;
        if (!sizes) return [{ suspect, fault: faultAt(mode, placed), share, shows }];
        return sizes.map((ohms) => ({
          suspect,
          fault: faultAt(mode, placed, ohms),
          share: share / sizes.length,
          shows,
        }));
      }),
  );
}

/** Every single fault of a diagram, weighed or not, each size on its own. */
export function everyFault(diagram: Diagram): Fault[] {
  return ALL_MODES.flatMap((mode) =>
    modeOf(mode)
      .where(diagram)
      .flatMap((placed) => {
        const sizes = sizesAt(diagram, mode, placed)?.every;
        return sizes
          ? sizes.map((ohms) => faultAt(mode, placed, exactly(ohms)))
          : [faultAt(mode, placed)];
      }),
  );
}

/** A fault at one of its places; of a mode that has ohms, with those, or as of unknown size. */
export function faultOf(
  diagram: Diagram,
  mode: Mode,
  placed: Placed<Place>,
  ohms?: OhmsRange,
): Fault {
  const sizes = sizesAt(diagram, mode, placed);
  return sizes ? faultAt(mode, placed, ohms ?? sizes.unsaid) : faultAt(mode, placed);
}

/** Sizes of a mode at a place: by the circuit that its contact stands in. */
function sizesAt(diagram: Diagram, mode: Mode, { at }: Placed<Place>): Sizes | undefined {
  const { sizes } = modeOf(mode);
  if (!sizes) return undefined;
  const part = 'part' in at ? diagram.parts.find((each) => each.id === at.part) : undefined;
  const contact =
    part?.kind === 'switch' && 'contact' in at
      ? part.contacts.find((each) => each.id === at.contact)
      : undefined;
  const loop = loopsOf(diagram).find(({ source }) => 'loop' in at && source.id === at.loop);
  return sizes(loop?.circuit ?? contact?.circuit);
}

/** `where` of a mode gives places of its own kind, so that the two go together. */
const faultAt = (mode: Mode, { at }: Placed<Place>, ohms?: OhmsRange): Fault =>
  ({ mode, ...at, ...(ohms && { ohms }) }) as Fault;
