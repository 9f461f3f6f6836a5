import type { Part } from '../diagram/diagram';

/** The terminals of what is inside a part, each once, in the order in which they are named there. */
export function terminalsInside(part: Part): string[] {
  switch (part.kind) {
    case 'switch':
      return each(part.contacts.map(({ between }) => between));
    case 'load':
      return each(part.elements.map(({ between }) => between));
    case 'protector':
      return each([part.between]);
    case 'board':
      return each(part.inputs.map(({ between }) => between));
    case 'connection':
      return each(part.joins);
    case 'hardware':
      return [];
  }
}

const each = (pairs: readonly [string, string][]): string[] => [...new Set(pairs.flat())];
