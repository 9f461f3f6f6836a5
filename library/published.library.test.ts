import { WIRE } from '../core/circuit/ohms';
import type { Diagram } from '../core/diagram/diagram';
import { switches } from '../core/diagram/terminal';
import { LIBRARY } from './library';

const named = (id: string): Diagram => {
  const diagram = LIBRARY.find((each) => each.id === id);
  if (!diagram) throw new Error(`no ${id}`);
  return diagram;
};

/** Between the points of a table, straight; undefined outside it. */
function along(table: readonly [number, number][], x: number): number | undefined {
  for (let i = 1; i < table.length; i++) {
    const [from, to] = [table[i - 1], table[i]];
    if (!from || !to || x < from[0] || x > to[0]) continue;
    return from[1] + ((x - from[0]) / (to[0] - from[0])) * (to[1] - from[1]);
  }
  return undefined;
}

/**
 * Saturation of R-410A, psig and °F, as refrigerant tables print it (the properties are those of NIST
 * REFPROP); values from memory.
 */
const R410A: [number, number][] = [
  [26, -20],
  [49, 0],
  [78, 20],
  [118, 40],
  [170, 60],
  [235, 80],
  [317, 100],
  [417, 120],
  [541, 140],
  [620, 151],
];

it('cooling unit: its pressures are those of its refrigerant, and its switches act where they protect', () => {
  const unit = named('cooling-unit');
  const degrees = (psi: number): number => along(R410A, psi) ?? NaN;
  const [low, high] = ['low-pressure', 'high-pressure'].map(
    (id) => switches(unit).find((each) => each.id === id)?.setPoints,
  );
  if (!low || !high) throw new Error('no set points');
  // The low one opens with the coil far below freezing, and closes again while it is still cold.
  expect(degrees(low.falling.at)).toBeLessThan(20);
  expect(degrees(low.rising.at)).toBeLessThan(50);
  // The high one opens above any condenser in the sun, and closes again where one may work.
  expect(degrees(high.rising.at)).toBeGreaterThan(140);
  expect(degrees(high.falling.at)).toBeGreaterThan(105);
  expect(degrees(Number(unit.drawnFor['suction']))).toBeCloseTo(40, 0);
});

/** Type E at a junction, mV by °C over a cold end at 0 °C: NIST Monograph 175, IEC 60584-1; from memory. */
const TYPE_E: [number, number][] = [
  [0, 0],
  [100, 6.32],
  [200, 13.42],
  [300, 21.04],
  [400, 28.95],
  [500, 37.01],
  [600, 45.09],
];

it('standing pilot: a thermocouple gives what one gives in a pilot flame', () => {
  const [source] = named('standing-pilot-heater').supplies;
  const cold = along(TYPE_E, 50) ?? NaN;
  const at = (celsius: number): number => (along(TYPE_E, celsius) ?? NaN) - cold;
  expect(source?.kind).toBe('thermocouple');
  expect(1000 * (source?.volts ?? 0)).toBeGreaterThan(at(250));
  expect(1000 * (source?.volts ?? 0)).toBeLessThan(at(600));
});

/**
 * Ohms of a metre of copper wire: 0.017241 ohm mm2/m at 20 °C (IEC 60028, ASTM B258 for the gauges); from
 * memory.
 */
const perMetre = (awg: number): number => {
  const millimetres = 0.127 * 92 ** ((36 - awg) / 39);
  return 0.017241 / ((Math.PI / 4) * millimetres ** 2);
};

it('a wire that says nothing has the ohms of copper as it is used in appliances', () => {
  // 16 AWG is 13.2 ohm a kilometre.
  expect(perMetre(16)).toBeCloseTo(0.0132, 4);
  expect(WIRE.nominal).toBeGreaterThan(perMetre(14) * 0.3);
  expect(WIRE.nominal).toBeLessThan(perMetre(20) * 1.5);
});
