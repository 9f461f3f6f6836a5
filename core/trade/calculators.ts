import type { Calculator } from './calculator';
import { circuitLoad } from './circuitLoad';
import { contactHeat } from './contactHeat';
import { element } from './element';
import { limitMarking } from './limitMarking';
import { millivoltLoop } from './millivoltLoop';
import { onTime } from './onTime';
import { pressure, temperature } from './quantities';
import { supplyBand } from './supplyBand';
import { temperatureRise } from './temperatureRise';
import { wireDrop } from './wireDrop';

/** Every calculator; adding one is adding its file and a line here. */
export const CALCULATORS: readonly Calculator[] = [
  element,
  contactHeat,
  onTime,
  limitMarking,
  millivoltLoop,
  supplyBand,
  wireDrop,
  circuitLoad,
  temperatureRise,
  pressure,
  temperature,
];
