import type { Evidence } from '../call/evidence';
import { sayDisplay, sayVolts } from './display';

/** What an entry showed, in a word or as the display has it. */
export function sayEntryShown(entry: Evidence): string {
  switch (entry.kind) {
    case 'statement':
      return entry.outcome;
    case 'look':
      return entry.found ? 'found' : 'nothing';
    case 'sight':
      return entry.sight;
    case 'measurement':
      return `${entry.value}`;
    case 'act':
      return entry.act;
    case 'reading':
      return entry.shows.kind === 'volts' ? sayVolts(entry.shows.volts) : sayDisplay(entry.shows);
  }
}
