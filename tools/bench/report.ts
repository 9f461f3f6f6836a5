import { randomUUID } from 'node:crypto';
import type { LogEntry } from '../../core/call/record';
import type { ReportedCall } from '../../core/describe/report';
import type { Diagram } from '../../core/diagram/diagram';
import { switches } from '../../core/diagram/terminal';
import { METERS } from '../../core/meter/meter';
import { proofOf } from '../../core/plan/proof';
import { LIBRARY } from '../../library/library';
import type { PdfOptions } from '../../server/report/pdfOptions';
import { Reports } from '../../server/report/reports';
import { EXIT, out, outJson } from '../commands/command';
import { median } from './median';

const ENTRIES = 60;
const RUNS = 7;

interface ReportTimes {
  unit: string;
  /** Milliseconds in the median of some runs: its lines, and its PDF for each reader with the lines. */
  lines: number;
  customer: number;
  trade: number;
  bytes: number;
  /** PDF for the customer beside that of a call with nothing in its log. */
  ratio: number;
}

/** `./yarrix bench report [--json]`: a report of sixty entries, in the thread that the server makes them in, for every built-in unit. */
export async function benchReport(json: boolean): Promise<number> {
  const reports = new Reports();
  const times: ReportTimes[] = [];
  try {
    for (const diagram of LIBRARY) times.push(await timed(reports, diagram));
  } finally {
    await reports.close();
  }
  if (json) {
    outJson({ entries: ENTRIES, runs: RUNS, times });
    return EXIT.done;
  }
  const most = (of: (each: ReportTimes) => number): ReportTimes =>
    times.reduce((a, b) => (of(b) > of(a) ? b : a));
  const middle = (of: (each: ReportTimes) => number): number => median(times.map(of));
  out(`reports of ${ENTRIES} entries on ${times.length} units, medians of ${RUNS} runs, warm`);
  for (const name of ['lines', 'customer', 'trade', 'bytes'] as const) {
    const worst = most((each) => each[name]);
    const unit = name === 'bytes' ? 'bytes at most' : 'ms';
    out(
      `${name.padEnd(9)} ${middle((each) => each[name]).toFixed(0)} ${unit} in the middle, ${worst[name].toFixed(0)} on ${worst.unit}`,
    );
  }
  out(`beside a report of nothing: ${middle(({ ratio }) => ratio).toFixed(2)} times`);
  return EXIT.done;
}

async function timed(reports: Reports, diagram: Diagram): Promise<ReportTimes> {
  const call = callOn(diagram, logOf(diagram));
  const nothing = callOn(diagram, []);
  const pdf = (of: ReportedCall, reader: PdfOptions['reader']) =>
    reports.pdf(of, { reader, zone: 'UTC', currency: '$', shop: 'Bench', photos: [] });
  // Warm: the thread has read its code, and the faces.
  const { length } = await pdf(call, 'trade');
  const customer = await medianOf(() => pdf(call, 'customer'));
  return {
    unit: diagram.id,
    lines: await medianOf(() => reports.of(call)),
    customer,
    trade: await medianOf(() => pdf(call, 'trade')),
    bytes: length,
    ratio: customer / (await medianOf(() => pdf(nothing, 'customer'))),
  };
}

const callOn = (diagram: Diagram, entries: LogEntry[]): ReportedCall => ({
  appliance: { make: 'Marrowby', model: 'B-1', place: 'Bench' },
  complaint: 'It does not do what it should',
  diagram,
  entries,
  phoneAt: '2026-11-28T08:00:00.000Z',
});

/** Readings of every switch in turn as its table has them, a repair among them, until there are enough. */
function logOf(diagram: Diagram): LogEntry[] {
  const parts = switches(diagram);
  const [first] = parts;
  const readings = parts.flatMap((part) => proofOf(diagram, part, 'full'));
  const [meter] = METERS;
  return Array.from({ length: ENTRIES }, (_, i): LogEntry => {
    const line = {
      id: randomUUID(),
      phoneAt: new Date(Date.UTC(2026, 10, 28, 8, i)).toISOString(),
    };
    const step = readings[i % Math.max(1, readings.length)];
    if (!step || (i === ENTRIES / 2 && first))
      return {
        ...line,
        kind: 'act',
        body: { part: first?.id ?? diagram.supplies[0]?.id ?? '', act: 'replace' },
      };
    const { shows, position: _position, ...place } = step;
    const closed = shows.kind === 'cell' && shows.state === 'closed';
    return {
      ...line,
      kind: 'reading',
      body: {
        ...place,
        function: 'ohm',
        meter: meter.id,
        leadOhms: meter.leads.ohms,
        said: closed ? '0.3' : 'OL',
        supersedes: [],
      },
    };
  });
}

async function medianOf(work: () => Promise<unknown>): Promise<number> {
  const times: number[] = [];
  for (let run = 0; run < RUNS; run++) {
    const from = performance.now();
    await work();
    times.push(performance.now() - from);
  }
  return median(times);
}
