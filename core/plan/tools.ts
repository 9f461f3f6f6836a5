import { clampedLoad } from '../diagram/clampedLoad';
import type { Diagram, Panel } from '../diagram/diagram';
import { quantityOf } from '../inference/quantity';
import type { UnitTest } from './unitTests';

/** Instruments that not every bag has; eyes and hands are always there. */
const INSTRUMENTS = { temperature: 'thermometer', pressure: 'gauge' } as const;
const CLAMP = 'clamp-ammeter';

/** How a tool is named among what is refused. */
export const toolKey = (tool: string): string => `tool ${tool}`;

const ofPanel = ({ tool }: Panel): string[] => (tool === undefined ? [] : [tool]);

/** The instrument that a test is read by, where it is none that everybody has. */
function instrumentOf(diagram: Diagram, actuator: string): string | undefined {
  if (clampedLoad(diagram, actuator)) return CLAMP;
  const quantity = quantityOf(diagram, actuator)?.quantity;
  return quantity === 'temperature' || quantity === 'pressure' ? INSTRUMENTS[quantity] : undefined;
}

/** All that a bag has to have for every test of a unit. */
export function toolsOf(diagram: Diagram): string[] {
  const measured = [
    ...diagram.actuators.filter(({ kind }) => kind === 'quantity'),
    ...diagram.parts.filter(({ kind }) => kind === 'load'),
  ];
  return [
    ...new Set([
      ...diagram.panels.flatMap(ofPanel),
      ...measured.flatMap(({ id }) => instrumentOf(diagram, id) ?? []),
    ]),
  ];
}

/** The tools that a test takes. @param panels that have to be off for it */
export function toolsFor(diagram: Diagram, test: UnitTest, panels: readonly Panel[]): string[] {
  const instrument = test.kind === 'measure' ? instrumentOf(diagram, test.actuator) : undefined;
  return [...panels.flatMap(ofPanel), ...(instrument === undefined ? [] : [instrument])];
}
