import type { Diagram, LoadElement, Part, Supply } from '../diagram/diagram';
import type { Values } from '../trade/calculator';

/** A calculation that a part or supply has numbers for. */
export interface PartFigures {
  calculator: string;
  /** What it is asked for: "Ohms by its plate". */
  says: string;
  values: Values;
}

/** What can be reckoned of a part with the numbers that the diagram has of it. */
export function figuresOf(diagram: Diagram, part: Part): PartFigures[] {
  switch (part.kind) {
    case 'load':
      return part.elements.flatMap((element) => ofElement(diagram, element));
    case 'switch': {
      const [worst] = part.contacts
        .filter(({ amps }) => amps !== undefined)
        .sort((one, two) => (two.amps ?? 0) - (one.amps ?? 0));
      const cycles = part.table.rows.find((each) => each.cycles)?.cycles;
      const watts = heaterOf(diagram);
      return [
        ...(worst?.amps === undefined
          ? []
          : [
              {
                calculator: 'contact-heat',
                says: 'Watts in a bad contact',
                values: { amps: worst.amps, volts: voltsOf(diagram) },
              },
            ]),
        ...(cycles
          ? [
              {
                calculator: 'on-time',
                says: 'Share of the time on',
                values: {
                  on: cycles.closed,
                  off: cycles.open,
                  ...(watts !== undefined && { watts }),
                  volts: voltsOf(diagram),
                },
              },
            ]
          : []),
      ];
    }
    case 'protector':
      return part.protector === 'fuse' && part.amps !== undefined
        ? [
            {
              calculator: 'circuit-load',
              says: 'What hangs on it',
              values: { rating: part.amps, volts: voltsOf(diagram) },
            },
          ]
        : [];
    default:
      return [];
  }
}

/** What can be reckoned of a supply. */
export function figuresOfSupply({ kind, volts }: Supply): PartFigures[] {
  if (kind === 'thermopile')
    return [
      {
        calculator: 'millivolt-loop',
        says: 'What its loop loses',
        values: { source: 1000 * volts },
      },
    ];
  if (kind === 'thermocouple') return [];
  return [{ calculator: 'supply-band', says: 'Are its volts right?', values: { nominal: volts } }];
}

const ofElement = (diagram: Diagram, { value }: LoadElement): PartFigures[] =>
  'watts' in value
    ? [
        {
          calculator: 'element',
          says: 'Ohms by its plate',
          values: { watts: value.watts, rated: value.volts, volts: voltsOf(diagram) },
        },
      ]
    : [];

const voltsOf = ({ supplies: [first] }: Diagram): number => first?.volts ?? 120;

/** Watts of the first heater that has a plate. */
const heaterOf = ({ parts }: Diagram): number | undefined =>
  parts.flatMap((part) =>
    part.kind === 'load' && part.load === 'heater'
      ? part.elements.flatMap(({ value }) => ('watts' in value ? [value.watts] : []))
      : [],
  )[0];
