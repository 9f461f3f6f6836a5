/** The package brings no types of its own. */
declare module 'pino-roll' {
  import type { SonicBoom, SonicBoomOpts } from 'sonic-boom';

  export default function pinoRoll(
    options: SonicBoomOpts & { file: string; size?: string; limit?: { count: number } },
  ): Promise<SonicBoom>;
}
