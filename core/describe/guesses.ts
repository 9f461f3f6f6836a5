import type { Diagram } from '../diagram/diagram';
import { splitRef } from '../diagram/terminal';

/**
 * What a verdict on a part rests on that nobody has read on the sheet or proved: the part itself, its table, what moves it, its
 * wires. Undefined where all of it is known.
 */
export function sayGuesses(diagram: Diagram, id: string | undefined): string | undefined {
  const owner = [...diagram.parts, ...diagram.supplies].find((each) => each.id === id);
  if (!owner) return undefined;
  const { name } = owner;
  const guessed: string[] = [];
  if (owner.known === 'guessed') guessed.push(`what ${name} is`);
  if ('table' in owner) {
    if (owner.table.known === 'guessed') guessed.push(`the contact table of ${name}`);
    const mover = diagram.actuators.find((each) => each.id === owner.actuator);
    if (mover?.known === 'guessed') guessed.push(`what moves ${name}`);
  }
  const wires = diagram.wires.filter(
    ({ from, to, known }) =>
      known === 'guessed' && [from, to].some((ref) => splitRef(ref).part === owner.id),
  );
  if (wires.length) guessed.push(`how ${name} is wired`);
  if (!guessed.length) return undefined;
  return `This rests on a guess in the diagram: ${guessed.join(', ')}. Look at the sheet, or read a good one, before a part is bought.`;
}
