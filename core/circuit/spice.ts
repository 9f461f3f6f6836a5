import type { Diagram } from '../diagram/diagram';
import { islands, type Edge, type Network } from './network';

/** Name of a node in a netlist; node 0 of the netlist is nobody's: every island is tied to it. */
export const spiceNode = (node: number): string => `n${node}`;

/**
 * A netlist for ngspice (format of its manual) of exactly the network given: nominal ohms, supplies
 * behind their inner ohms, transformers as a pair of controlled sources, no analysis card. Ways that
 * may rightly be open stand as comments.
 */
export function netlist(diagram: Diagram, network: Network): string {
  const lines = [`${diagram.name} (${diagram.id})`];
  for (const [ref, node] of network.nodes.of) lines.push(`* ${spiceNode(node)} is ${ref}`);
  for (const [ref, node] of network.nodes.crimpOf)
    lines.push(`* ${spiceNode(node)} is the wires at ${ref}`);
  network.edges.forEach((edge, i) => lines.push(...cards(edge, i)));
  const there = network.edges.filter((edge) => edge.nominal !== null);
  const islandOf = islands(network.nodes.count, there);
  for (const ground of new Set(islandOf)) lines.push(`Vg${ground} ${spiceNode(ground)} 0 0`);
  return lines.join('\n');
}

function cards(edge: Edge, i: number): string[] {
  const [a, b] = [spiceNode(edge.a), spiceNode(edge.b)];
  const note = `* ${edge.owner} ${edge.key}`;
  if (edge.nominal === null) return [`${note}: ${edge.unsure ?? 'not sure'}, left out`];
  const ohms = edge.nominal.toPrecision(12);
  if (edge.coupled) {
    const [p, q] = edge.coupled.primary.map(spiceNode);
    const ratio = edge.coupled.ratio.toPrecision(12);
    return [
      note,
      `R${i} ${a} m${i} ${ohms}`,
      `E${i} m${i} k${i} ${p} ${q} ${ratio}`,
      `Vs${i} k${i} ${b} 0`,
      // What leaves the secondary at its upper end comes in at the primary, times the ratio.
      `F${i} ${q} ${p} Vs${i} ${ratio}`,
    ];
  }
  if (!edge.source) return [note, `R${i} ${a} ${b} ${ohms}`];
  const { volts, degrees, current } = edge.source;
  const value = current === 'ac' ? `DC 0 AC ${volts} ${degrees}` : `DC ${volts} AC 0`;
  return [note, `R${i} ${a} m${i} ${ohms}`, `V${i} m${i} ${b} ${value}`];
}
