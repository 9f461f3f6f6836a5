import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { SessionOptions } from '../server/people/sessions';
import type { DoorOptions } from '../server/routes/door';
import { EnvironmentError } from './folders';

/** How people come in, by the environment. */
export interface WaysIn {
  sessions: SessionOptions;
  door: DoorOptions;
  /** What the server is known as beside loopback. */
  origins: string[];
  /** Where metrics are told. */
  metricsPort?: number;
}

const LEAST_SECRET = 32;

/**
 * For trying things on this machine: a secret made once for the data folder, the demo, and anybody may found a shop.
 * With YARRIX_PRODUCTION=1 nothing of that: the secret comes from the environment, cookies go over https alone, there is no demo.
 * @throws EnvironmentError for a production start that would not be safe, saying what is missing
 */
export function waysIn(
  dataFolder: string,
  env: Readonly<Record<string, string | undefined>>,
): WaysIn {
  const origins = (env.YARRIX_ORIGINS ?? '').split(',').filter(Boolean);
  const plain = origins.find((each) => !each.startsWith('https://') && !isLoopback(each));
  const watched = metricsIn(env.YARRIX_METRICS_PORT);
  const founding = env.YARRIX_FOUNDING !== 'closed';
  if (env.YARRIX_PRODUCTION !== '1')
    return {
      sessions: { secret: env.YARRIX_SECRET ?? secretOf(dataFolder), secure: false },
      door: { demo: true, founding },
      origins,
      ...watched,
    };
  if (plain !== undefined)
    throw new EnvironmentError(
      `YARRIX_ORIGINS has ${plain}: in production only https:// is served, but on loopback`,
    );
  const secret = env.YARRIX_SECRET ?? '';
  if (secret.length < LEAST_SECRET || new Set(secret).size < 10)
    throw new EnvironmentError(
      `YARRIX_SECRET must have ${LEAST_SECRET} letters or more that nobody guesses, such as what "openssl rand -hex 32" gives`,
    );
  const served = origins.filter((each) => !isLoopback(each));
  return {
    sessions: { secret, secure: served.length > 0 },
    door: { demo: false, founding },
    origins,
    ...watched,
  };
}

function metricsIn(text: string | undefined): { metricsPort?: number } {
  if (!text) return {};
  const metricsPort = Number(text);
  if (!Number.isInteger(metricsPort) || metricsPort < 1 || metricsPort > 65535)
    throw new EnvironmentError(`YARRIX_METRICS_PORT is "${text}": a number from 1 to 65535`);
  return { metricsPort };
}

function isLoopback(origin: string): boolean {
  try {
    return ['127.0.0.1', 'localhost', '[::1]'].includes(new URL(origin).hostname);
  } catch {
    throw new EnvironmentError(
      `YARRIX_ORIGINS has "${origin}": name origins such as https://shop.example`,
    );
  }
}

/** Made once, and readable by nobody else. */
function secretOf(folder: string): string {
  const path = join(folder, 'session-secret');
  if (!existsSync(path))
    writeFileSync(path, randomBytes(32).toString('hex'), { mode: 0o600, flag: 'wx' });
  return readFileSync(path, 'utf8').trim();
}
