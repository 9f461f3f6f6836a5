import type { Diagram } from '../diagram/diagram';

/**
 * A part is named from this probability on: a protector that opens for good from a higher one, for
 * what has opened it may be at fault. The shop's own setting comes with sign-in.
 */
export const NAME_FROM = 0.97;
const NAME_PROTECTOR_FROM = 0.995;

/** Probability from which on a suspect is named. */
export function nameFrom({ parts }: Diagram, suspect: string | undefined): number {
  const part = parts.find((each) => each.id === suspect);
  const oneShot = part?.kind === 'protector' && part.protector !== 'overload';
  return oneShot ? NAME_PROTECTOR_FROM : NAME_FROM;
}
