import pino, { type Logger } from 'pino';
import pinoRoll from 'pino-roll';

/** A log file is put aside at this size, and so many are kept beside the one in use. */
const ROLL = { size: '10m', limit: { count: 5 } };
/** What waits to be written, at most, in bytes: while the disk is full the rest is dropped. */
const MOST_WAITING = 2 ** 20;

/** The server's log, with how many lines of it could not be written. */
export interface ServerLog {
  log: Logger;
  dropped: () => number;
  close: () => void;
}

/**
 * Opens a log that never ends the process: what cannot be written is counted and dropped, and it goes
 * on by itself when there is space again.
 * @param file numbered files beside this name
 */
export async function openServerLog(file: string): Promise<ServerLog> {
  const stream = await pinoRoll({
    file,
    ...ROLL,
    mkdir: true,
    sync: false,
    maxLength: MOST_WAITING,
  });
  let dropped = 0;
  stream.on('error', () => dropped++);
  stream.on('drop', () => dropped++);
  return {
    log: pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime }, stream),
    dropped: () => dropped,
    close: () => stream.end(),
  };
}
