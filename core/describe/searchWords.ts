import type { Diagram } from '../diagram/diagram';

/** Everything that a diagram can be found by: kind, parts, what people call them, what can go wrong. */
export function searchWords(diagram: Diagram): string {
  const parts = diagram.parts.flatMap(({ name, role, kind, aliases = [] }) => [
    name,
    role,
    ...aliases.map((each) => each.word),
    ...(kind === 'load' ? [`${name} does not run, ${name} dead`] : []),
  ]);
  const words = [
    diagram.name,
    diagram.kind,
    ...parts,
    ...(diagram.uses ?? []).map((each) => each.name),
    ...(diagram.looks ?? []).map((each) => each.says),
  ];
  return foldText(words.join(' '));
}

/** Text as it is searched: small letters without their marks, so that "Ümit" is found as "umit". */
export const foldText = (text: string): string =>
  text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();

/** Whether every word of a search is among some words. */
export const matches = (words: string, search: string): boolean =>
  foldText(search)
    .split(/\s+/)
    .every((word) => words.includes(word));
