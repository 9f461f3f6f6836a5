import ical from 'ical-generator';
import Papa from 'papaparse';
import type { CallDetail } from '../../contract/call';
import type { Entry } from '../../contract/entry';
import { sayLogEntry } from '../../core/describe/logEntry';
import { takenBack } from '../../core/call/takenBack';
import { saySetup } from '../../core/describe/test';

/** A text that a spreadsheet would take for a formula is marked as a text. */
const plain = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text);

/** Every line of a call's log, as it was entered. */
export function logCsv({ diagram, entries }: CallDetail): string {
  const gone = takenBack(entries);
  return Papa.unparse({
    fields: ['at', 'kind', 'says', 'taken back', 'id'],
    data: entries.map((entry) => [
      entry.phoneAt,
      entry.kind,
      plain(sayLogEntry(diagram, entry)),
      gone.has(entry.id) ? 'yes' : '',
      entry.id,
    ]),
  });
}

/** Every reading of a call, with all that it was taken with. */
export function readingsCsv({ diagram, entries }: CallDetail): string {
  const gone = takenBack(entries);
  const readings = entries.filter(
    (each): each is Extract<Entry, { kind: 'reading' }> => each.kind === 'reading',
  );
  return Papa.unparse({
    fields: [
      'at',
      'part',
      'from',
      'to',
      'function',
      'range',
      'said',
      'setup',
      'steps',
      'of',
      'meter',
      'lead ohms',
      'wiggled',
      'taken back',
    ],
    data: readings.map(({ id, phoneAt, body }) => [
      phoneAt,
      body.part,
      body.from,
      body.to,
      body.function,
      body.range ?? '',
      plain(body.said),
      saySetup(diagram, body.setup).join(', '),
      body.steps ?? '',
      body.of ?? 'unit',
      body.meter,
      body.leadOhms,
      body.wiggle ? 'yes' : '',
      gone.has(id) ? 'yes' : '',
    ]),
  });
}

/** A return visit, for any calendar. @param at when it begins */
export function returnVisit(call: CallDetail, at: Date, minutes: number): string {
  const { appliance, complaint, id } = call;
  const calendar = ical({ name: 'Yarrix', prodId: '//Yarrix//Return visit//EN' });
  calendar.createEvent({
    id: `${id}@yarrix`,
    start: at,
    end: new Date(at.getTime() + minutes * 60_000),
    summary: `${appliance.make} ${appliance.model}: ${complaint}`,
    location: appliance.place,
    description: [call.found?.name, call.found?.says].filter(Boolean).join(': ') || complaint,
  });
  return calendar.toString();
}
