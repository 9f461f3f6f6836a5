import type { Diagram } from '../core/diagram/diagram';
import { coilBurner } from './coilBurner';
import { electricDryer } from './electricDryer';
import { gasFurnace } from './gasFurnace';
import { millivoltFireplace } from './millivoltFireplace';
import { overRangeOven } from './overRangeOven';
import { radiantBurner } from './radiantBurner';
import { topLoadWasher } from './topLoadWasher';
import { trailerFurnace } from './trailerFurnace';
import { wallOven } from './wallOven';

/** The built-in diagrams. Generic units, drawn by us in the manner of the trade. */
export const LIBRARY: readonly Diagram[] = [
  overRangeOven,
  wallOven,
  coilBurner,
  topLoadWasher,
  electricDryer,
  radiantBurner,
  gasFurnace,
  trailerFurnace,
  millivoltFireplace,
];

export const builtIn = (id: string): Diagram | undefined => LIBRARY.find((each) => each.id === id);
