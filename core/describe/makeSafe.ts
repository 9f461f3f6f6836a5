import type { Diagram, Supply } from '../diagram/diagram';
import { terminalRef } from '../diagram/terminal';
import { marked } from './point';

/** What makes a unit safe to be read with ohms, in the order in which it is done: common practice. */
export function sayMakeSafe(diagram: Diagram): string[] {
  const { supplies, energies = [], parts } = diagram;
  const stored =
    energies.includes('stored-charge') || parts.some(({ name }) => /capacitor/i.test(name));
  return [
    'Tester first: prove it on something live that you know',
    ...supplies.map((supply) => `${supply.name}: ${OFF[supply.kind]}${proving(diagram, supply)}`),
    'Tester again: prove it once more on what is live',
    ...(stored
      ? ['Discharge what stores charge, by its resistor or tool, and read that it is empty']
      : []),
  ];
}

const OFF: Record<Supply['kind'], string> = {
  mains: 'pull the plug, or open and lock the breaker; plug behind the unit: breaker first',
  'split-phase': 'pull the plug, or open and lock both breakers',
  'wye-legs': 'pull the plug, or open and lock both breakers',
  'low-voltage-ac': 'off at what feeds it',
  dc: 'disconnect or switch off, the plus side first off and last on',
  thermopile: 'pilot out, or one of its wires off; gas cock closed',
  thermocouple: 'pilot out, or its nut loose at the valve; gas cock closed',
};

/** Between which terminals it is proved dead: each with each, the ground with them. */
function proving(diagram: Diagram, { id, kind, terminals }: Supply): string {
  if (kind === 'thermopile' || kind === 'thermocouple') return '';
  const named = terminals.map((each) => marked(diagram, terminalRef(id, each.id)));
  const pairs = named.flatMap((one, i) => named.slice(i + 1).map((two) => `${one} to ${two}`));
  return pairs.length ? `; then 0 V ${pairs.join(', ')}` : '';
}
