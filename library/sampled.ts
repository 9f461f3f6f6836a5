import type { Diagram } from '../core/diagram/diagram';
import { LIBRARY } from './library';

/** Every so manieth diagram, from a place that the seed says: for laws that take long over all of them. */
export const sampled = (every: number, seed: number): Diagram[] =>
  LIBRARY.filter((_, i) => i % every === seed % every);
