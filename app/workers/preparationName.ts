import type { Diagram } from '../../core/diagram/diagram';

/** Letters of a name, of its hash's first: enough that no two of a life's diagrams have the same. */
export const PREPARATION_LETTERS = 32;

/** What is hashed. */
export const preparationText = (engine: string, diagram: Diagram): string =>
  `${engine} ${JSON.stringify(diagram, inOrder)}`;

/**
 * What the preparation of a diagram is kept under: the same for the same content, however its keys are ordered, and another
 * one for another engine. Undefined where the browser does not hash (a page that is not on loopback and not on https).
 */
export async function preparationName(
  engine: string,
  diagram: Diagram,
): Promise<string | undefined> {
  const { subtle } = globalThis.crypto;
  if (subtle === undefined) return undefined;
  const text = new TextEncoder().encode(preparationText(engine, diagram));
  const bytes = new Uint8Array(await subtle.digest('SHA-256', text));
  return [...bytes]
    .map((each) => each.toString(16).padStart(2, '0'))
    .join('')
    .slice(0, PREPARATION_LETTERS);
}

const inOrder = (_key: string, value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([one], [two]) => (one < two ? -1 : 1)))
    : value;
