/** What a page reads as strictly as the server does: forms before they are kept, tables as CSV. One script of its own. */
export { NewCallDto } from './call';
export { readTableCsv, writeTableCsv } from './contactTableCsv';
export { CorrectionBody } from './entries/correction';
export { MeterDto } from './meter';
export { pasteRows, pasteTable } from './pasteTable';
export { readDto } from './readDto';
export { readRecordingCsv } from './recordingCsv';
