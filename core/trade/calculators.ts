import type { Calculator } from './calculator';
import { circuitLoad } from './circuitLoad';
import { contactHeat } from './contactHeat';
import { element } from './element';
import { limitMarking } from './limitMarking';
import { millivoltLosses } from './millivoltLoop';
import { onTime } from './onTime';
import { degrees, pressure } from './quantities';
import { supplyBand } from './supplyBand';
import { temperatureRise } from './temperatureRise';
import { wireDrop } from './wireDrop';

/** Every calculator; adding one is adding its file and a line here. */
export const CALCULATORS: readonly Calculator[] = [
  element,
  contactHeat,
  onTime,
  limitMarking,
  millivoltLosses,
  supplyBand,
  wireDrop,
  circuitLoad,
  temperatureRise,
  pressure,
  degrees,
];
