import type { NewPart, Likeness } from '../call/candidate';
import type { LogEntry } from '../call/record';
import type { Diagram, Part } from '../diagram/diagram';
import { quantityOf } from '../inference/quantity';
import { protects } from './hardRules';
import { benchStanding } from './usedPart';

/** What a new part is held against the old one by. */
export type FitPoint =
  | 'approval'
  | 'contacts'
  | 'amps'
  | 'volts'
  | 'set-points'
  | 'reset'
  | 'lever'
  | 'connectors'
  | 'mounting'
  | 'orientation'
  | 'proved';

export interface FitLine {
  point: FitPoint;
  stands: 'holds' | 'does-not' | 'unknown';
  /** What the old part or the circuit asks for, where that is a number: "13.2 A". */
  wants?: string;
}

/** It may go in, it may not, or something about it is not known yet. */
export type Fit = 'fits' | 'does-not' | 'unknown';

/**
 * A candidate, point by point. Another lever or mounting may do where its geometry is proved and its ratings hold, and never on
 * what protects people or burns: common practice.
 */
export function fitOf(
  diagram: Diagram,
  candidate: NewPart,
  entries: readonly LogEntry[],
): FitLine[] {
  const part = diagram.parts.find(({ id }) => id === candidate.part);
  if (!part) return [];
  const safety = protects(diagram, part);
  const like = (point: FitPoint, how: Likeness | undefined): FitLine => ({
    point,
    stands:
      how === undefined
        ? 'unknown'
        : how === 'same' || (how === 'proved' && !safety)
          ? 'holds'
          : 'does-not',
  });
  const wants = circuitOfPart(diagram, part);
  const rated = (point: 'amps' | 'volts', least: number | undefined, unit: string): FitLine[] => {
    if (least === undefined) return [];
    const has = candidate[point];
    const stands = has === undefined ? 'unknown' : has >= least ? 'holds' : 'does-not';
    return [{ point, stands, wants: `${Number(least.toPrecision(3))} ${unit}` }];
  };
  const isSwitch = part.kind === 'switch';
  const moves = isSwitch || part.kind === 'hardware';
  return [
    ...(safety ? [{ point: 'approval' as const, stands: approval(candidate) }] : []),
    ...(isSwitch ? [like('contacts', candidate.contacts)] : []),
    ...rated('amps', wants.amps, 'A'),
    ...rated('volts', wants.volts, 'V'),
    ...setPoints(diagram, part, candidate),
    ...(isSwitch && part.setPoints
      ? [
          {
            point: 'reset' as const,
            stands:
              candidate.reset === undefined
                ? ('unknown' as const)
                : candidate.reset === (part.reset ?? 'automatic')
                  ? ('holds' as const)
                  : ('does-not' as const),
            wants: part.reset ?? 'automatic',
          },
        ]
      : []),
    ...(moves ? [like('lever', candidate.lever)] : []),
    like('connectors', candidate.connectors),
    like('mounting', candidate.mounting),
    ...(moves ? [like('orientation', candidate.orientation)] : []),
    ...(candidate.used && isSwitch
      ? [
          {
            point: 'proved' as const,
            stands: (
              { good: 'holds', bad: 'does-not', half: 'unknown', 'not-read': 'unknown' } as const
            )[benchStanding(diagram, part, entries)],
          },
        ]
      : []),
  ];
}

export const fitAsAWhole = (lines: readonly FitLine[]): Fit =>
  lines.some(({ stands }) => stands === 'does-not')
    ? 'does-not'
    : lines.every(({ stands }) => stands === 'holds')
      ? 'fits'
      : 'unknown';

/** What protects people is the maker's own and new. */
function approval({ approved, used }: NewPart): FitLine['stands'] {
  if (used || approved === false) return 'does-not';
  return approved ? 'holds' : 'unknown';
}

/** Amperes and volts that a part has to carry in this unit; undefined where the diagram does not say. */
function circuitOfPart(diagram: Diagram, part: Part): { amps?: number; volts?: number } {
  const volts = Math.max(...diagram.supplies.map((each) => each.volts));
  switch (part.kind) {
    case 'switch': {
      const amps = Math.max(...part.contacts.flatMap((each) => each.amps ?? []));
      return { ...(Number.isFinite(amps) && { amps }), volts };
    }
    case 'protector':
      return { volts };
    default:
      return {};
  }
}

/** Set points within what the old ones allow. */
function setPoints(diagram: Diagram, part: Part, { rising, falling }: NewPart): FitLine[] {
  if (part.kind !== 'switch' || !part.setPoints) return [];
  const { rising: up, falling: down } = part.setPoints;
  const unit = quantityOf(diagram, part.actuator)?.unit ?? '';
  const within = (has: number | undefined, { at, tolerance }: typeof up): FitLine['stands'] =>
    has === undefined ? 'unknown' : Math.abs(has - at) <= tolerance ? 'holds' : 'does-not';
  const both = [within(rising, up), within(falling, down)];
  return [
    {
      point: 'set-points',
      stands: both.includes('does-not')
        ? 'does-not'
        : both.includes('unknown')
          ? 'unknown'
          : 'holds',
      wants: `${up.at} and ${down.at} ${unit}`,
    },
  ];
}
