import type { Diagram } from '../core/diagram/diagram';
import { cleanOven } from './cleanOven';
import { coilBurner } from './coilBurner';
import { coilRange } from './coilRange';
import { coolingUnit } from './coolingUnit';
import { dehumidifier } from './dehumidifier';
import { dishwasher } from './dishwasher';
import { electricDryer } from './electricDryer';
import { frontLoadWasher } from './frontLoadWasher';
import { gasDryer } from './gasDryer';
import { gasFurnace } from './gasFurnace';
import { millivoltFireplace } from './millivoltFireplace';
import { overRangeOven } from './overRangeOven';
import { radiantBurner } from './radiantBurner';
import { radiantRange } from './radiantRange';
import { refrigerator } from './refrigerator';
import { relayMonitorOven } from './relayMonitorOven';
import { standingPilotHeater } from './standingPilotHeater';
import { topLoadWasher } from './topLoadWasher';
import { trailerFurnace } from './trailerFurnace';
import { trailerWaterHeater } from './trailerWaterHeater';
import { trashCompactor } from './trashCompactor';
import { wallOven } from './wallOven';

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
