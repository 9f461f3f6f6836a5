import type { Diagram } from '../diagram/diagram';
import { islands, type Network } from './network';
import type { Edge } from './ownEdges';

/**
 * A netlist for ngspice (format of its manual) of exactly the network given: nominal ohms, supplies
 * behind their inner ohms, transformers as a pair of controlled sources, no analysis card. Ways that
 * may rightly be open stand as comments.
 */
export function netlist(diagram: Diagram, network: Network): string {
  const lines = [`${diagram.name} (${diagram.id})`];
  for (const [ref, node] of network.nodes.of) lines.push(`* n${node} is ${ref}`);
  for (const [ref, node] of network.nodes.endOf) lines.push(`* n${node} is the wires at ${ref}`);
  return [...lines, ...spiceCards(network)].join('\n');
}

/**
 * The cards of a network. Node 0 of the netlist is nobody's: every island is tied to it at one point.
 * @param prefix put before all names, so that several networks can stand in one netlist
 */
export function spiceCards(network: Network, prefix = ''): string[] {
  const there = network.edges.filter((edge) => edge.nominal !== null);
  const grounds = new Set(islands(network.nodes.count, there));
  return [
    ...network.edges.flatMap((edge, i) => cardsOf(edge, `${prefix}${i}`, `${prefix}n`)),
    ...[...grounds].map((ground) => `Vg${prefix}${ground} ${prefix}n${ground} 0 0`),
  ];
}

function cardsOf(edge: Edge, name: string, node: string): string[] {
  const [a, b] = [`${node}${edge.a}`, `${node}${edge.b}`];
  const middle = `m${name}`;
  const note = `* ${edge.owner} ${edge.key}`;
  if (edge.nominal === null) return [`${note}: ${edge.unsure ?? 'not sure'}, left out`];
  const ohms = edge.nominal.toPrecision(15);
  if (edge.coupled) {
    const [p, q] = edge.coupled.primary.map((each) => `${node}${each}`);
    const ratio = edge.coupled.ratio.toPrecision(15);
    return [
      note,
      `R${name} ${a} ${middle} ${ohms}`,
      `E${name} ${middle} k${name} ${p} ${q} ${ratio}`,
      `Vs${name} k${name} ${b} 0`,
      // What leaves the secondary at its upper end comes in at the primary, times the ratio.
      `F${name} ${q} ${p} Vs${name} ${ratio}`,
    ];
  }
  if (!edge.source) return [note, `R${name} ${a} ${b} ${ohms}`];
  const { volts, degrees, current } = edge.source;
  const value = current === 'ac' ? `DC 0 AC ${volts} ${degrees}` : `DC ${volts} AC 0`;
  return [note, `R${name} ${a} ${middle} ${ohms}`, `V${name} ${middle} ${b} ${value}`];
}
