import { useState } from 'react';
import { highestRange, rangeToDial, type Meter, type OhmRange } from '../../../core/meter/meter';
import type { GoodShown } from '../../workers/diagnosis';
import type { MeterTest } from './useWork';

/** The range that the dial of a manual meter is on, and turning it one further. */
export interface Dial {
  range: OhmRange;
  turn: () => void;
}

/**
 * The dial as it is for a reading: on the range that a good unit would fit, until somebody says that
 * they have turned it. None for an auto-ranging meter and for volts.
 */
export function useDial(
  meter: Meter,
  good: GoodShown | undefined,
  reading: MeterTest | undefined,
): Dial | undefined {
  const [turned, setTurned] = useState<{ at: MeterTest; id: string }>();
  if (meter.autoRanging || reading?.kind !== 'ohm') return undefined;
  const expected =
    good?.kind === 'ohms' && good.answer.kind === 'ohms'
      ? rangeToDial(meter, good.answer.high)
      : highestRange(meter);
  const said = turned?.at === reading ? turned.id : expected.id;
  const at = meter.ohmRanges.findIndex((each) => each.id === said);
  const next = meter.ohmRanges[at + 1] ?? meter.ohmRanges[0];
  return {
    range: meter.ohmRanges[at] ?? expected,
    turn: () => setTurned({ at: reading, id: next.id }),
  };
}
