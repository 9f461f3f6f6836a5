import type { NewPart } from '../call/candidate';
import type { LogEntry } from '../call/record';
import { fitAsAWhole, fitOf, type Fit, type FitLine, type FitPoint } from '../decide/fit';
import type { Diagram } from '../diagram/diagram';
import { nameOf } from './unit';

const POINT_WORDS: Record<FitPoint, string> = {
  approval: 'The maker’s own, new',
  contacts: 'Contacts and throws',
  amps: 'Amperes',
  volts: 'Volts',
  'set-points': 'Set points, rising and falling',
  reset: 'Reset',
  lever: 'Lever or stem',
  connectors: 'Connectors',
  mounting: 'Mounting',
  orientation: 'Which way round',
  proved: 'Proved on the bench',
};
const STANDS: Record<FitLine['stands'], string> = {
  holds: 'holds',
  'does-not': 'does not hold',
  unknown: 'not known yet',
};

/** "Amperes, at least 13.2 A: holds". */
export const sayFitLine = ({ point, stands, wants }: FitLine): string =>
  `${POINT_WORDS[point]}${wants === undefined ? '' : `, ${point === 'amps' || point === 'volts' ? 'at least ' : ''}${wants}`}: ${STANDS[stands]}`;

export const FIT_WORDS: Record<Fit, string> = {
  fits: 'It fits',
  'does-not': 'It does not fit',
  unknown: 'Not known yet whether it fits',
};

/** What was held against an old part: what does not hold in full, then what nobody has looked at. */
export function sayFit(diagram: Diagram, part: NewPart, entries: readonly LogEntry[]): string {
  const lines = fitOf(diagram, part, entries);
  const open = lines.filter(({ stands }) => stands === 'unknown');
  const short = [
    ...lines.filter(({ stands }) => stands === 'does-not').map(sayFitLine),
    ...(open.length
      ? [`not known: ${open.map(({ point }) => POINT_WORDS[point].toLowerCase()).join(', ')}`]
      : []),
  ];
  const name = `${nameOf(diagram, part.part)}, ${part.words}${part.used ? ', used' : ''}`;
  const points = short.length ? ` (${short.join('; ')})` : `, ${lines.length} points held`;
  return `${name}: ${FIT_WORDS[fitAsAWhole(lines)].toLowerCase()}${points}`;
}
