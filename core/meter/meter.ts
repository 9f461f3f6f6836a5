import type { Display } from './display';

/** One ohm range: what it can show and how far off it may be, as printed in a meter's manual. */
export interface OhmRange {
  id: string;
  name: string;
  fullScale: number;
  resolution: number;
  accuracyPercent: number;
  accuracyCounts: number;
}

export interface Meter {
  id: string;
  name: string;
  /** An auto-ranging meter chooses by itself, so its OL is that of the highest range. */
  autoRanging: boolean;
  /** From the lowest to the highest. */
  ohmRanges: [OhmRange, ...OhmRange[]];
  /** Resistance of the leads, read by touching them together, and how sure that is. */
  leads: { ohms: number; plusMinus: number };
  /** The beeper sounds for certain below `sure` and never above `never`. */
  beeper: { sure: number; never: number };
}

const range = (name: string, fullScale: number, resolution: number): OhmRange => ({
  id: name.replace(' ', ''),
  name,
  fullScale,
  resolution,
  accuracyPercent: fullScale >= 6e6 ? 2 : 0.9,
  accuracyCounts: 3,
});

/** An ordinary pocket meter; the figures are from memory and are replaced by the shop's own meter. */
export const ORDINARY_METER: Meter = {
  id: 'ordinary-auto',
  name: 'Auto-ranging meter',
  autoRanging: true,
  ohmRanges: [
    range('600 Ω', 600, 0.1),
    range('6 kΩ', 6e3, 1),
    range('60 kΩ', 6e4, 10),
    range('600 kΩ', 6e5, 100),
    range('6 MΩ', 6e6, 1e3),
    range('40 MΩ', 40e6, 1e4),
  ],
  leads: { ohms: 0.2, plusMinus: 0.1 },
  beeper: { sure: 20, never: 60 },
};

/** The same with a dial for the range: its OL says only "above the range in use". */
export const MANUAL_METER: Meter = {
  ...ORDINARY_METER,
  id: 'ordinary-manual',
  name: 'Manual-range meter',
  autoRanging: false,
  ohmRanges: [
    range('200 Ω', 200, 0.1),
    range('2 kΩ', 2e3, 1),
    range('20 kΩ', 2e4, 10),
    range('200 kΩ', 2e5, 100),
    range('2 MΩ', 2e6, 1e3),
    range('20 MΩ', 20e6, 1e4),
  ],
};

export const METERS: [Meter, ...Meter[]] = [ORDINARY_METER, MANUAL_METER];

/** A meter as it was used for one reading: with the leads as noted, and the range that was dialled. */
export interface MeterUse {
  meter: Meter;
  /** Of a manual-range meter. */
  range?: string;
}

/** A meter with its leads as they were noted; undefined for an id that nobody knows. */
export function meterWithLeads(id: string, leadOhms: number): Meter | undefined {
  const known = METERS.find((each) => each.id === id);
  return known && { ...known, leads: { ...known.leads, ohms: leadOhms } };
}

export const lowestRange = (meter: Meter): OhmRange => meter.ohmRanges[0];
export const highestRange = (meter: Meter): OhmRange =>
  meter.ohmRanges.at(-1) ?? meter.ohmRanges[0];

/** The range in use: the one named, or for an auto-ranging meter the highest. */
export const rangeInUse = (meter: Meter, id: string | undefined): OhmRange =>
  meter.ohmRanges.find((each) => each.id === id) ??
  (meter.autoRanging ? highestRange(meter) : lowestRange(meter));

/** The range to dial for what is expected: the lowest that can show it; the highest for open. */
export const rangeToDial = (meter: Meter, ohms: number): OhmRange =>
  meter.ohmRanges.find((each) => ohms + meter.leads.ohms <= each.fullScale) ?? highestRange(meter);

/** Ohms of the circuit, leads taken off, that can have made a display. */
export interface Interval {
  low: number;
  high: number;
}

/**
 * What a display says about the circuit between the tips: a number within the meter's accuracy and
 * less the leads, OL as "above the range in use", a beep and a silence as either side of the
 * threshold. An unsteady display says nothing about one value: undefined.
 */
export function displayInterval(
  display: Display,
  { meter, range: rangeId }: MeterUse,
): Interval | undefined {
  switch (display.kind) {
    case 'unsteady':
      return undefined;
    case 'beep':
      return { low: 0, high: meter.beeper.never };
    case 'silent':
      return { low: meter.beeper.sure, high: Infinity };
    case 'over':
      return { low: rangeInUse(meter, rangeId).fullScale, high: Infinity };
    case 'ohms': {
      const within =
        meter.ohmRanges.find((each) => display.ohms <= each.fullScale) ?? highestRange(meter);
      const used = meter.autoRanging ? within : rangeInUse(meter, rangeId);
      // A number that does not fit the range it is said to be on was read on another range.
      const scale = display.ohms <= used.fullScale ? used : within;
      const off =
        (display.ohms * scale.accuracyPercent) / 100 + scale.accuracyCounts * scale.resolution;
      const { ohms: lead, plusMinus } = meter.leads;
      return {
        low: Math.max(0, display.ohms - lead - off - plusMinus),
        high: Math.max(0, display.ohms - lead + off + plusMinus),
      };
    }
  }
}

export type SideOfLimit = 'below' | 'above' | 'cannot-decide';

/** On which side of a limit a display puts the circuit, or that this meter cannot tell. */
export function sideOfLimit(interval: Interval, limitOhms: number): SideOfLimit {
  if (interval.high <= limitOhms) return 'below';
  if (interval.low > limitOhms) return 'above';
  return 'cannot-decide';
}

/**
 * What the meter shows with its tips on a resistance, without noise: the leads are added, then it
 * is rounded to the range, or over it.
 * @param ohms true ohms between the tips; Infinity for open
 */
export function showOhms(meter: Meter, ohms: number, rangeId?: string): Display {
  const total = ohms + meter.leads.ohms;
  const used = meter.autoRanging
    ? meter.ohmRanges.find((each) => total <= each.fullScale)
    : rangeInUse(meter, rangeId);
  if (!used || total > used.fullScale) return { kind: 'over' };
  const counts = Math.round(total / used.resolution);
  return { kind: 'ohms', ohms: Number((counts * used.resolution).toPrecision(12)) };
}
