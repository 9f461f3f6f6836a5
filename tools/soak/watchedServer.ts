import 'reflect-metadata';
import { randomBytes } from 'node:crypto';
import { startServer } from '../../server/main';

/**
 * The server as a process of its own that another one watches: `--database URL`, `--data FOLDER`.
 * Says its port; asked for a report, it says how long its longest block was and what memory it holds.
 */
export interface WatchReport {
  /** Longest time in which nothing else was done, in ms of processor time: a busy machine adds nothing. */
  longestBlockMs: number;
  heapBytes: number;
  rssBytes: number;
}

const EVERY_MS = 5;
let longestBlockMs = 0;
let last = { wall: performance.now(), cpu: process.cpuUsage() };
let watch: ReturnType<typeof setInterval> | undefined;
function look(): void {
  const cpu = process.cpuUsage(last.cpu);
  const wall = performance.now() - last.wall;
  longestBlockMs = Math.max(longestBlockMs, Math.min(wall, (cpu.user + cpu.system) / 1000));
  last = { wall: performance.now(), cpu: process.cpuUsage() };
}

const [databaseUrl = '', dataFolder = '', rate] = process.argv.slice(2);
const server = startServer({
  databaseUrl,
  dataFolder,
  port: 0,
  sessions: { secret: process.env.YARRIX_SECRET ?? randomBytes(32).toString('hex'), secure: false },
  door: { demo: true, founding: true },
  rate: rate === undefined ? undefined : Number(rate),
});
process.on('message', (asks) => {
  const block = longestBlockMs;
  globalThis.gc?.();
  const { heapUsed, rss } = process.memoryUsage();
  process.send?.({
    longestBlockMs: block,
    heapBytes: heapUsed,
    rssBytes: rss,
  } satisfies WatchReport);
  // Tidying up for this report is nobody's request.
  if (asks === 'start over') {
    longestBlockMs = 0;
    // Looking takes time of its own: not where nobody asked for it.
    watch ??= setInterval(look, EVERY_MS);
  }
  last = { wall: performance.now(), cpu: process.cpuUsage() };
});
process.on('disconnect', () => void server.then(({ stop }) => stop()).then(() => process.exit()));
void server.then(({ port }) => process.send?.({ port }));
