import type { Diagram } from '../core/diagram/diagram';
import { cleanOven } from './units/cleanOven';
import { coilBurner } from './units/coilBurner';
import { coilRange } from './units/coilRange';
import { coolingUnit } from './units/coolingUnit';
import { dehumidifier } from './units/dehumidifier';
import { dishwasher } from './units/dishwasher';
import { electricDryer } from './units/electricDryer';
import { frontLoadWasher } from './units/frontLoadWasher';
import { gasDryer } from './units/gasDryer';
import { gasFurnace } from './units/gasFurnace';
import { millivoltFireplace } from './units/millivoltFireplace';
import { overRangeOven } from './units/overRangeOven';
import { radiantBurner } from './units/radiantBurner';
import { radiantRange } from './units/radiantRange';
import { refrigerator } from './units/refrigerator';
import { relayMonitorOven } from './units/relayMonitorOven';
import { standingPilotHeater } from './units/standingPilotHeater';
import { topLoadWasher } from './units/topLoadWasher';
import { trailerFurnace } from './units/trailerFurnace';
import { trailerWaterHeater } from './units/trailerWaterHeater';
import { trashCompactor } from './units/trashCompactor';
import { wallOven } from './units/wallOven';

/** The built-in diagrams. Generic units, drawn by us in the manner of the trade. */
export const LIBRARY: readonly Diagram[] = [
  overRangeOven,
  relayMonitorOven,
  wallOven,
  cleanOven,
  coilBurner,
  coilRange,
  radiantBurner,
  radiantRange,
  topLoadWasher,
  frontLoadWasher,
  electricDryer,
  gasDryer,
  dishwasher,
  trashCompactor,
  refrigerator,
  dehumidifier,
  gasFurnace,
  coolingUnit,
  standingPilotHeater,
  millivoltFireplace,
  trailerFurnace,
  trailerWaterHeater,
];

export const builtIn = (id: string): Diagram | undefined => LIBRARY.find((each) => each.id === id);
