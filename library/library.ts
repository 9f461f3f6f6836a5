import type { Diagram } from '../core/diagram/diagram';
import { absorptionRefrigerator } from './units/absorptionRefrigerator';
import { airHandler } from './units/airHandler';
import { boiler } from './units/boiler';
import { cleanOven } from './units/cleanOven';
import { coilBurner } from './units/coilBurner';
import { coilRange, coilRangeOf } from './units/coilRange';
import { compressorDehumidifier } from './units/compressorDehumidifier';
import { coolingUnit } from './units/coolingUnit';
import { countertopMicrowave } from './units/countertopMicrowave';
import { dehumidifier } from './units/dehumidifier';
import { dishwasher } from './units/dishwasher';
import { disposer } from './units/disposer';
import { electronicRange } from './units/electronicRange';
import { electricDryer, electricDryerOf } from './units/electricDryer';
import { electricFurnace } from './units/electricFurnace';
import { electricWaterHeater } from './units/electricWaterHeater';
import { frontLoadWasher } from './units/frontLoadWasher';
import { gasDryer } from './units/gasDryer';
import { gasFurnace, gasFurnaceOf } from './units/gasFurnace';
import { gasRange } from './units/gasRange';
import { heatPump } from './units/heatPump';
import { iceMaker } from './units/iceMaker';
import { lidLockWasher } from './units/lidLockWasher';
import { millivoltFireplace, millivoltFireplaceOf } from './units/millivoltFireplace';
import { oilBurner } from './units/oilBurner';
import { overRangeOven } from './units/overRangeOven';
import { radiantBurner } from './units/radiantBurner';
import { radiantRange } from './units/radiantRange';
import { rangeHood } from './units/rangeHood';
import { refrigerator } from './units/refrigerator';
import { relayMonitorOven } from './units/relayMonitorOven';
import { roofAirConditioner } from './units/roofAirConditioner';
import { standingPilotHeater } from './units/standingPilotHeater';
import { stepSwitchBurner } from './units/stepSwitchBurner';
import { timerWasher } from './units/timerWasher';
import { topLoadWasher, topLoadWasherOf } from './units/topLoadWasher';
import { trailerFurnace } from './units/trailerFurnace';
import { trailerWaterHeater } from './units/trailerWaterHeater';
import { transferSwitch } from './units/transferSwitch';
import { trashCompactor } from './units/trashCompactor';
import { wallOven } from './units/wallOven';
import { waterPump } from './units/waterPump';
import { windowAirConditioner } from './units/windowAirConditioner';

/** The built-in diagrams. Generic units, drawn by us in the manner of the trade. */
export const LIBRARY: readonly Diagram[] = [
  overRangeOven,
  relayMonitorOven,
  countertopMicrowave,
  wallOven,
  cleanOven,
  coilBurner,
  coilRange,
  stepSwitchBurner,
  electronicRange,
  radiantBurner,
  radiantRange,
  gasRange,
  rangeHood,
  topLoadWasher,
  timerWasher,
  lidLockWasher,
  frontLoadWasher,
  electricDryer,
  gasDryer,
  dishwasher,
  disposer,
  trashCompactor,
  refrigerator,
  iceMaker,
  dehumidifier,
  compressorDehumidifier,
  windowAirConditioner,
  electricWaterHeater,
  standingPilotHeater,
  gasFurnace,
  electricFurnace,
  airHandler,
  coolingUnit,
  heatPump,
  boiler,
  oilBurner,
  millivoltFireplace,
  trailerFurnace,
  trailerWaterHeater,
  absorptionRefrigerator,
  roofAirConditioner,
  waterPump,
  transferSwitch,
];

/** Units of the same kind that differ by a choice: the built-in one first, then what else is met. */
export const VARIANTS: Readonly<Record<string, readonly Diagram[]>> = {
  'coil-range': [coilRange, coilRangeOf({ lamps: 'side' }), coilRangeOf({ lamps: 'burner' })],
  'electric-dryer': [
    electricDryer,
    electricDryerOf({ cord: 4, belt: 'motor' }),
    electricDryerOf({ cord: 3, belt: 'hold-in' }),
  ],
  'gas-furnace': [gasFurnace, gasFurnaceOf({ condensing: true })],
  'millivolt-fireplace': [millivoltFireplace, millivoltFireplaceOf({ control: 'remote' })],
  'top-load-washer': [topLoadWasher, topLoadWasherOf({ lidStops: 'all' })],
};

export const builtIn = (id: string): Diagram | undefined => LIBRARY.find((each) => each.id === id);
