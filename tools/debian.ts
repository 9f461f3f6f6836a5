import { existsSync } from 'node:fs';
import { EnvironmentError } from './folders';
import { runProgram } from './runProgram';

/** A program that shows that a Debian package is there. */
const SHOWS: Record<string, string> = {
  postgresql: '/usr/share/doc/postgresql',
  chromium: '/usr/bin/chromium',
  'chromium-driver': '/usr/bin/chromedriver',
  'poppler-utils': '/usr/bin/pdftotext',
  'tesseract-ocr': '/usr/bin/tesseract',
  ngspice: '/usr/bin/ngspice',
  patroni: '/usr/bin/patroni',
  'etcd-server': '/usr/bin/etcd',
  haproxy: '/usr/sbin/haproxy',
};

/** Installs the Debian packages that are missing. Needs root, or sudo without a password. */
export async function needDebian(packages: (keyof typeof SHOWS)[]): Promise<void> {
  const missing = packages.filter((name) => !existsSync(SHOWS[name] ?? ''));
  if (missing.length === 0) return;
  process.stderr.write(`yarrix: installing from Debian: ${missing.join(', ')}\n`);
  const root = process.getuid?.() === 0;
  const apt = (...args: string[]) => {
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    return root
      ? runProgram('apt-get', args, { env })
      : runProgram('sudo', ['-n', 'apt-get', ...args], { env });
  };
  const install = () => apt('install', '-y', '--no-install-recommends', ...missing);
  await apt('update').catch(() => undefined);
  const done = await install().catch((error: Error) => ({ code: 1, output: error.message }));
  if (done.code !== 0) {
    throw new EnvironmentError(
      `cannot install ${missing.join(', ')}: run "apt-get install ${missing.join(' ')}" as root.\n${done.output.trim().split('\n').slice(-3).join('\n')}`,
    );
  }
}
