import Papa from 'papaparse';
import type { Recording } from '../core/call/recording';
import { fail, ok, type Result } from '../core/result';
import { csvLines } from './csvLines';
import type { InputFault } from './problem';

/** What a recorder writes for an open contact. */
const OVER = /^(ol|o\.l|over|inf|infinity|open|)$/i;
/** A recording is a minute at most, at a hundred looks a second. */
const MOST_LINES = 6000;
const MOST_CHANNELS = 8;

/** A recording as CSV: seconds, then ohms of each channel, OL where it is open. */
export const writeRecordingCsv = ({ seconds, channels }: Recording): string =>
  `${Papa.unparse(
    {
      fields: ['seconds', ...channels.map(({ name }) => name)],
      data: seconds.map((second, i) => [
        String(second),
        ...channels.map(({ ohms }) => {
          const value = ohms[i] ?? Infinity;
          return Number.isFinite(value) ? value.toFixed(2) : 'OL';
        }),
      ]),
    },
    { newline: '\n' },
  )}\n`;

/** Reads a recording: a line of names, then lines whose seconds go up. Refused whole, with line and column. */
export function readRecordingCsv(text: string): Result<Recording, InputFault[]> {
  const { rows, faults } = csvLines(text);
  if (faults.length) return fail(faults);
  const [header, ...lines] = rows;
  const names = header?.fields.slice(1).map((each) => each.trim()) ?? [];
  const at = (line: number, column: number, message: string): InputFault => ({
    path: '',
    line,
    column,
    message,
  });
  if (names.length < 2 || names.length > MOST_CHANNELS)
    return fail([
      at(
        header?.line ?? 1,
        1,
        `the first line names seconds and 2 to ${MOST_CHANNELS} channels: seconds,A,B`,
      ),
    ]);
  if (names.includes('') || new Set(names).size < names.length)
    return fail([at(header?.line ?? 1, 2, 'each channel has a name of its own')]);
  if (lines.length < 3 || lines.length > MOST_LINES)
    return fail([at(2, 1, `3 to ${MOST_LINES} lines of readings are wanted, not ${lines.length}`)]);
  const seconds: number[] = [];
  const channels = names.map((name) => ({ name, ohms: [] as number[] }));
  for (const { fields, line } of lines) {
    const [said = '', ...values] = fields;
    const second = numberOf(said);
    if (second === undefined || second <= (seconds.at(-1) ?? -Infinity))
      faults.push(at(line, 1, `"${said}" is no later second than that before it`));
    else seconds.push(second);
    if (values.length !== names.length)
      faults.push(at(line, 2, `has ${values.length} readings for ${names.length} channels`));
    channels.forEach(({ ohms }, j) => {
      const value = values[j]?.trim() ?? '';
      const number = OVER.test(value) ? Infinity : numberOf(value);
      if (number === undefined || number < 0)
        faults.push(at(line, j + 2, `"${value}" is no reading in ohms, nor OL`));
      else ohms.push(number);
    });
  }
  return faults.length ? fail(faults.slice(0, 5)) : ok({ seconds, channels });
}

function numberOf(text: string): number | undefined {
  const trimmed = text.trim().replace(',', '.');
  const value = Number(trimmed);
  return trimmed !== '' && Number.isFinite(value) ? value : undefined;
}
