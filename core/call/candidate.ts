/** Whether something of a new part is as on the old one: the same, another, or another that was proved to do. */
export const LIKENESS = ['same', 'other', 'proved'] as const;
export type Likeness = (typeof LIKENESS)[number];

/** A part that may be fitted in the place of an old one, as its marking and a look at it say; what is not said is not known. */
export interface NewPart {
  /** The part that it would take the place of. */
  part: string;
  /** What it is: its number, where it is from. */
  words: string;
  used: boolean;
  /** It is the maker's own, or approved by the maker for this very model. */
  approved?: boolean;
  /** Its contacts and throws beside the old part's. */
  contacts?: Likeness;
  /** What is printed on it. */
  amps?: number;
  volts?: number;
  /** Set points, in the unit that the diagram has them in. */
  rising?: number;
  falling?: number;
  reset?: 'automatic' | 'manual';
  lever?: Likeness;
  connectors?: Likeness;
  mounting?: Likeness;
  orientation?: Likeness;
}
