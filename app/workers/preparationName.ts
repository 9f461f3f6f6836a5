import type { Diagram } from '../../core/diagram/diagram';

/** Letters of a name: enough that no two of a life's diagrams have the same. */
const LETTERS = 32;

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
  const text = new TextEncoder().encode(`${engine} ${JSON.stringify(diagram, inOrder)}`);
  const bytes = new Uint8Array(await subtle.digest('SHA-256', text));
  return [...bytes]
    .map((each) => each.toString(16).padStart(2, '0'))
    .join('')
    .slice(0, LETTERS);
}

const inOrder = (_key: string, value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([one], [two]) => (one < two ? -1 : 1)))
    : value;
