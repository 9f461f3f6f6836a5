import { celsius } from './quantities';
import { textIn, type Calculator } from './calculator';

/** What is stamped on a limit: it opens, or closes, on rise at `at`, and goes back so many degrees lower. */
export interface LimitMarking {
  opensOnRise: boolean;
  /** In degrees Fahrenheit. */
  at: number;
  differential: number;
}

/**
 * Reads "L160-30": a limit that opens at 160 °F on rise and closes 30 °F lower; F is a fan switch that closes on rise.
 * Common practice; other markings exist, and the maker's sheet goes before it.
 */
export function readLimitMarking(text: string): LimitMarking | undefined {
  const match = /^\s*([LF])\s*(\d{2,3})\s*[-–/ ]\s*(\d{1,3})\s*F?\s*$/i.exec(text);
  if (!match) return undefined;
  const [at, differential] = [Number(match[2]), Number(match[3])];
  if (differential <= 0 || differential >= at) return undefined;
  return { opensOnRise: match[1]?.toUpperCase() === 'L', at, differential };
}

/** How far a set point may be off, in degrees Fahrenheit: from memory. */
const TOLERANCE_F = 6;

export const limitMarking: Calculator = {
  id: 'limit-marking',
  name: 'Limit marking',
  asks: 'What is stamped on a limit or fan switch, in words',
  inputs: [
    { id: 'marking', label: 'As it is stamped', kind: 'text', usual: 'L160-30', like: 'L160-30' },
  ],
  formula: 'back at = set point − differential',
  source: 'Common practice; other markings exist: the maker’s sheet goes before it',
  answer: (values) => {
    const marking = readLimitMarking(textIn(values, 'marking'));
    if (!marking) return undefined;
    const { opensOnRise, at, differential } = marking;
    const says = (fahrenheit: number): string =>
      `${fahrenheit} °F, ${Math.round(celsius(fahrenheit))} °C`;
    return {
      lines: [
        { label: opensOnRise ? 'Opens on rise at' : 'Closes on rise at', says: says(at) },
        {
          label: opensOnRise ? 'Closes again at' : 'Opens again at',
          says: says(at - differential),
        },
        {
          label: 'Each within about',
          says: `${TOLERANCE_F} °F, ${Math.round(TOLERANCE_F / 1.8)} °C`,
        },
      ],
      mind: [
        opensOnRise
          ? `Open below ${at - differential - TOLERANCE_F} °F it is stuck, unless it is a one-shot or has a reset button.`
          : `Open when cold is right: it closes on heat.`,
      ],
    };
  },
};
