import type { Diagram } from '../core/diagram/diagram';
import { coilBurner } from './coilBurner';
import { coolingUnit } from './coolingUnit';
import { dehumidifier } from './dehumidifier';
import { dishwasher } from './dishwasher';
import { electricDryer } from './electricDryer';
import { frontLoadWasher } from './frontLoadWasher';
import { gasFurnace } from './gasFurnace';
import { millivoltFireplace } from './millivoltFireplace';
import { overRangeOven } from './overRangeOven';
import { radiantBurner } from './radiantBurner';
import { refrigerator } from './refrigerator';
import { topLoadWasher } from './topLoadWasher';
import { trailerFurnace } from './trailerFurnace';
import { trashCompactor } from './trashCompactor';
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
  trashCompactor,
  dishwasher,
  dehumidifier,
  coolingUnit,
  frontLoadWasher,
  refrigerator,
];

export const builtIn = (id: string): Diagram | undefined => LIBRARY.find((each) => each.id === id);
