import type { Found } from '../core/call/decision';

/** Days within which another call for the same unit counts as a return. */
export const RETURN_DAYS = 90;

/** A call of the past that tells something of this one. */
export interface SeenCall {
  id: string;
  complaint: string;
  model: string;
  place: string;
  found: Found;
  lastAt: string;
  /** It was the same model, not only worked with the same diagram. */
  sameModel: boolean;
  /** Somebody had to come again for the same unit within `RETURN_DAYS`. */
  cameBack: boolean;
}

/** A part that was found at fault in units like this one. */
export interface SeenPart {
  part: string;
  name: string;
  calls: number;
  sameModel: number;
  cameBack: number;
}

/** What a shop has seen of units like the one of a call. */
export interface SeenBefore {
  /** The last ones, same model first. */
  calls: SeenCall[];
  /** Counted over all of them, the most frequent first. */
  parts: SeenPart[];
}

/** How long calls of one kind of unit took. */
export interface KindMinutes {
  kind: string;
  calls: number;
  /** In the mean, without the time in which nobody entered anything. */
  minutes: number;
}
