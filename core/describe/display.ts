import type { Display } from '../meter/display';

/** Ohms as a person reads them: `0.3 Ω`, `820 kΩ`, `4.7 MΩ`. */
export function sayOhms(ohms: number): string {
  const [scale, unit] = ohms >= 1e6 ? [1e6, 'MΩ'] : ohms >= 1e3 ? [1e3, 'kΩ'] : [1, 'Ω'];
  const value = ohms / scale;
  const digits = value >= 100 ? 0 : value >= 10 ? 1 : 2;
  return `${Number(value.toFixed(digits))} ${unit}`;
}

export function sayDisplay(display: Display): string {
  switch (display.kind) {
    case 'beep':
      return 'beep';
    case 'silent':
      return 'silent';
    case 'over':
      return 'OL';
    case 'unsteady':
      return 'unsteady';
    case 'ohms':
      return sayOhms(display.ohms);
  }
}

/** Ampere as a clamp would show them. */
export const sayAmps = (amps: number): string => `${Number(amps.toPrecision(3))} A`;

/** Volts as a meter would show them. */
export const sayVolts = (volts: number): string =>
  volts < 1 ? `${Math.round(volts * 1000)} mV` : `${Number(volts.toPrecision(3))} V`;
