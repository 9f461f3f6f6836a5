import type { CellState } from '../diagram/diagram';
import type { Symbol } from './boxes';
import { circle, rect, type DrawnShape } from './shape';

/** Parts as we draw them: in our own hand, the shape says what it is without any colour. */

/** A contact as it stands: lying on both ends, lifted with a gap, or dashed where it may be either. */
export function contactMarks(from: number, to: number, y: number, state: CellState): DrawnShape[] {
  const [a, b] = [from + 8, to - 8];
  const lifted = `M${a} ${y}L${b - 5} ${y - 13}`;
  const blade: DrawnShape[] =
    state === 'closed'
      ? [{ kind: 'path', d: `M${a} ${y}H${b}`, role: 'ink', width: 5 }]
      : state === 'open'
        ? [{ kind: 'path', d: lifted, role: 'ink', width: 4 }]
        : [
            { kind: 'path', d: `M${a} ${y}H${b}`, role: 'ink', width: 3, dash: true },
            { kind: 'path', d: lifted, role: 'ink', width: 3, dash: true },
          ];
  return [
    { kind: 'path', d: `M${from} ${y}H${a}M${b} ${y}H${to}`, role: 'ink', width: 2.5 },
    ...blade,
    ...[a, b].map((x): DrawnShape => ({
      kind: 'path',
      d: circle(x, y, 4),
      role: 'ink',
      fill: 'ground',
      width: 2.5,
    })),
  ];
}

/** Half the height of what stands in a row. */
const HALF = 11;

/** A load, a protector or plain metal between two ends; broken ones are crossed out. */
export function symbolMarks(
  symbol: Exclude<Symbol, 'contact'>,
  from: number,
  to: number,
  y: number,
  gone: boolean,
): DrawnShape[] {
  const middle = (from + to) / 2;
  const half = Math.min(26, (to - from) / 2 - 3);
  const [a, b] = [middle - half, middle + half];
  const leads: DrawnShape = {
    kind: 'path',
    d: `M${from} ${y}H${a}M${b} ${y}H${to}`,
    role: 'ink',
    width: 2.5,
  };
  const cross: DrawnShape[] = gone
    ? [
        {
          kind: 'path',
          d: `M${middle - 12} ${y - 12}l24 24M${middle - 12} ${y + 12}l24 -24`,
          role: 'bad',
          width: 4,
        },
      ]
    : [];
  return [leads, ...body(symbol, a, b, y), ...cross];
}

function body(symbol: Exclude<Symbol, 'contact'>, a: number, b: number, y: number): DrawnShape[] {
  const middle = (a + b) / 2;
  const ink = (d: string, width = 2.5, filled = false): DrawnShape => ({
    kind: 'path',
    d,
    role: 'ink',
    width,
    ...(filled && { fill: 'ground' }),
  });
  const quarter = (b - a) / 4;
  switch (symbol) {
    case 'heater':
      return [
        ink(
          `M${a} ${y}${[0, 1, 2, 3].map((i) => `L${a + (i + 0.25) * quarter} ${y - HALF}L${a + (i + 0.75) * quarter} ${y + HALF}`).join('')}L${b} ${y}`,
        ),
      ];
    case 'coil':
    case 'winding':
      return [
        ink(
          `M${a} ${y}${[0, 1, 2, 3].map(() => `a${quarter / 2} ${HALF} 0 0 1 ${quarter} 0`).join('')}`,
        ),
        ...(symbol === 'winding' ? [ink(`M${a} ${y + 7}H${b}M${a} ${y + 11}H${b}`, 2)] : []),
      ];
    case 'motor':
      return [
        ink(`M${a} ${y}H${middle - 14}M${middle + 14} ${y}H${b}`),
        ink(circle(middle, y, 14), 2.5, true),
        {
          kind: 'text',
          x: middle,
          y: y + 5,
          text: 'M',
          role: 'ink',
          anchor: 'middle',
          mono: true,
        },
      ];
    case 'lamp':
      return [
        ink(`M${a} ${y}H${middle - 13}M${middle + 13} ${y}H${b}`),
        ink(circle(middle, y, 13), 2.5, true),
        ink(`M${middle - 9} ${y - 9}l18 18M${middle - 9} ${y + 9}l18 -18`, 2),
      ];
    case 'fuse':
      return [ink(rect(a, y - 8, b - a, 16), 2.5, true), ink(`M${a} ${y}H${b}`, 2)];
    case 'cut-off':
      return [
        ink(rect(a, y - 8, b - a, 16), 2.5, true),
        ink(`M${a} ${y}q${quarter} -14 ${2 * quarter} 0t${2 * quarter} 0`, 2),
      ];
    case 'overload':
      return [
        ink(`M${a} ${y}H${middle - 10}v-8h20v8H${b}`),
        ink(circle(a, y, 3), 2.5, true),
        ink(circle(b, y, 3), 2.5, true),
      ];
    case 'metal':
      return [ink(`M${a} ${y}H${b}`, 4), ink(rect(middle - 6, y - 6, 12, 12), 2.5, true)];
  }
}
