import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Records } from '../core/call/record';
import type { Yarrix } from './yarrix';

export type Line = { [K in keyof Records]: [K, Records[K]] }[keyof Records];
/** A call of the demo shop with a log that another device has made. */
export async function callWith(
  yarrix: Yarrix,
  diagramId: string,
  complaint: string,
  lines: Line[],
): Promise<string> {
  const callId = randomUUID();
  let at = Date.now() - 3_600_000;
  const phoneAt = (): string => new Date((at += 1000)).toISOString();
  await yarrix.put(`/calls/${callId}`, {
    appliance: { id: randomUUID(), make: 'Harrow', model: 'T-1', place: 'Mill Row 2' },
    diagramId,
    diagramVersion: 1,
    complaint,
    phoneAt: phoneAt(),
  });
  for (const [kind, body] of lines)
    await yarrix.put(`/entries/${randomUUID()}`, { callId, kind, phoneAt: phoneAt(), body });
  return callId;
}

/** The words of the customer's PDF. */
export async function reportText(yarrix: Yarrix, call: string): Promise<string> {
  const answer = await yarrix.ask(`/calls/${call}/report.pdf?currency=$`);
  const folder = mkdtempSync(join(tmpdir(), 'yarrix-report-'));
  try {
    const file = join(folder, 'report.pdf');
    writeFileSync(file, Buffer.from(await answer.arrayBuffer()));
    return execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
  } finally {
    rmSync(folder, { recursive: true });
  }
}
