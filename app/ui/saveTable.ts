import type { Diagram, SwitchPart } from '../../core/diagram/diagram';
import { bringReaders } from '../sync/readers';
import { saveAs } from './saveAs';

/** Gives the person the contact table of a switch as CSV. */
export async function saveTable(diagram: Diagram, part: SwitchPart): Promise<void> {
  const { writeTableCsv } = await bringReaders();
  saveAs(`${diagram.id}-${part.id}.csv`, 'text/csv', writeTableCsv(diagram, part));
}
