import Papa from 'papaparse';
import type { InputFault } from './problem';

export interface CsvLine {
  fields: string[];
  line: number;
}

/** The lines of a CSV file that have something on them, each with its number; comma, semicolon or tab. A quote that does not close is a fault. */
export function csvLines(text: string): { rows: CsvLine[]; faults: InputFault[] } {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: false,
    delimitersToGuess: [',', ';', '\t'],
  });
  const starts: number[] = [];
  let line = 1;
  for (const fields of parsed.data) {
    starts.push(line);
    line += 1 + fields.reduce((sum, field) => sum + (field.match(/\n/g)?.length ?? 0), 0);
  }
  const faults = parsed.errors
    .filter((each) => each.type === 'Quotes')
    .map((each): InputFault => ({
      path: '',
      line: starts[each.row ?? 0] ?? 1,
      column: 1,
      message: each.message,
    }));
  const rows = parsed.data
    .map((fields, i) => ({ fields, line: starts[i] ?? 1 }))
    .filter(({ fields }) => fields.some((field) => field.trim() !== ''));
  return { rows, faults };
}
