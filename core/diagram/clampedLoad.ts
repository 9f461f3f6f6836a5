import type { Diagram, LoadPart } from './diagram';

/** A load whose current a clamp meter shows: lamps, coils and controls take too little. */
export const clampedLoad = (diagram: Diagram, id: string): LoadPart | undefined =>
  diagram.parts.find(
    (part): part is LoadPart =>
      part.id === id && part.kind === 'load' && (part.load === 'heater' || part.load === 'motor'),
  );
