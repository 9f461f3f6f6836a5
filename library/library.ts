import type { Diagram } from '../core/diagram/diagram';
import { coilBurner } from './coilBurner';
import { overRangeOven } from './overRangeOven';
import { topLoadWasher } from './topLoadWasher';
import { wallOven } from './wallOven';

/** The built-in diagrams. Generic units, drawn by us in the manner of the trade. */
export const LIBRARY: readonly Diagram[] = [overRangeOven, wallOven, coilBurner, topLoadWasher];

export const builtIn = (id: string): Diagram | undefined => LIBRARY.find((each) => each.id === id);
