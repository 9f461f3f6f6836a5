import type { CircuitClass, Contact, Diagram, LoadPart, Supply, SwitchPart } from './diagram';
import { switches, terminalRef } from './terminal';

/** Contacts in series that share the few volts of one source, and are judged by their sum. */
export interface Loop {
  /** A supply, or a transformer with a low secondary. */
  source: Supply | LoadPart;
  volts: number;
  circuit: CircuitClass;
  contacts: { part: SwitchPart; contact: Contact }[];
}

/** Up to these volts a string of contacts with a coil at its end is judged by its sum. */
const LOW_VOLTS = 30;

const known = new WeakMap<Diagram, Loop[]>();

/** Every loop of a diagram: of millivolts, and every low-voltage string of contacts with a coil at its end. */
export function loopsOf(diagram: Diagram): Loop[] {
  let loops = known.get(diagram);
  if (!loops) known.set(diagram, (loops = findLoops(diagram)));
  return loops;
}

/** Contacts that share the volts of a source; none where it feeds no loop. */
export const contactsInLoop = (diagram: Diagram, source: string): Loop['contacts'] =>
  loopsOf(diagram).find((each) => each.source.id === source)?.contacts ?? [];

function findLoops(diagram: Diagram): Loop[] {
  const transformers = diagram.parts.filter(
    (part): part is LoadPart => part.kind === 'load' && part.load === 'transformer',
  );
  return [...diagram.supplies, ...transformers].flatMap((source): Loop[] => {
    const loop =
      source.kind === 'load' ? ofTransformer(diagram, source) : ofSupply(diagram, source);
    // One contact alone is no sum.
    return loop && loop.contacts.length > 1 ? [loop] : [];
  });
}

function ofSupply(diagram: Diagram, source: Supply): Loop | undefined {
  const { id, kind, volts, terminals } = source;
  if (kind === 'thermopile' || kind === 'thermocouple') {
    const contacts = contactsOf(diagram).filter(({ contact }) => contact.circuit === kind);
    return { source, volts, circuit: kind, contacts };
  }
  if ((kind !== 'low-voltage-ac' && kind !== 'dc') || volts > LOW_VOLTS) return undefined;
  const [one, two] = terminals.map((terminal) => terminalRef(id, terminal.id));
  return one && two ? string(diagram, source, volts, [one, two]) : undefined;
}

function ofTransformer(diagram: Diagram, source: LoadPart): Loop | undefined {
  const secondary = source.elements.find(({ id }) => id === source.windings?.secondary);
  const volts = secondary?.volts ?? Infinity;
  if (!secondary || volts > LOW_VOLTS) return undefined;
  const [one, two] = secondary.between;
  return string(diagram, source, volts, [terminalRef(source.id, one), terminalRef(source.id, two)]);
}

const contactsOf = (diagram: Diagram): Loop['contacts'] =>
  switches(diagram).flatMap((part) => part.contacts.map((contact) => ({ part, contact })));

/** The contacts on either side of the coils that a source feeds, through wires, plugs, fuses and other contacts. */
function string(
  diagram: Diagram,
  source: Supply | LoadPart,
  volts: number,
  [one, two]: [string, string],
): Loop | undefined {
  const contacts = contactsOf(diagram).filter(({ contact }) => contact.circuit === 'control');
  const ends = ({ part, contact: { between } }: Loop['contacts'][number]): [string, string] => [
    terminalRef(part.id, between[0]),
    terminalRef(part.id, between[1]),
  ];
  const ways: [string, string][] = [
    ...diagram.wires.map(({ from, to }): [string, string] => [from, to]),
    ...contacts.map(ends),
    ...diagram.parts.flatMap((part): [string, string][] => {
      const pairs =
        part.kind === 'connection' ? part.joins : part.kind === 'protector' ? [part.between] : [];
      return pairs.map(([a, b]) => [terminalRef(part.id, a), terminalRef(part.id, b)]);
    }),
  ];
  const [feed, back] = [reached(ways, one), reached(ways, two)];
  const coil = diagram.parts.some(
    (part) =>
      part.kind === 'load' &&
      part.load === 'coil' &&
      part.elements.some(({ between: [a, b] }) => {
        const [x, y] = [terminalRef(part.id, a), terminalRef(part.id, b)];
        return (feed.has(x) && back.has(y)) || (feed.has(y) && back.has(x));
      }),
  );
  if (!coil) return undefined;
  const inside = contacts.filter((each) =>
    ends(each).every((end) => feed.has(end) || back.has(end)),
  );
  return { source, volts, circuit: 'control', contacts: inside };
}

/** Points that are joined to one, contacts taken as closed. */
function reached(ways: readonly [string, string][], from: string): Set<string> {
  const points = new Set([from]);
  for (let before = 0; before !== points.size;) {
    before = points.size;
    for (const [a, b] of ways) if (points.has(a) !== points.has(b)) points.add(a).add(b);
  }
  return points;
}
