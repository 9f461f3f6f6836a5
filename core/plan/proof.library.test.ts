import { switches } from '../diagram/terminal';
import { bigSelector } from '../../library/madeUp/bigSelector';
import { proofOf } from './proof';
import { totalMoves } from './route';

const SEED = 20261124;

it(`a table of 24 by 24 is proved whole, quickly in few positions (seed ${SEED})`, () => {
  const diagram = bigSelector(24, 24, SEED);
  const [part] = switches(diagram);
  if (!part) throw new Error('no selector');
  const full = proofOf(diagram, part, 'full');
  const sure = part.contacts.length * part.table.rows.length;
  const cells = new Set(
    full.flatMap(({ shows, position }) =>
      shows.kind === 'cell' ? [`${shows.contact} ${position}`] : [],
    ),
  );
  expect(cells.size).toBe(sure);
  const steps = full.map(({ from, to, position }) => ({
    pair: [from, to] as [string, string],
    position,
  }));
  // Two different readings are at least a move apart: no order has fewer than one for each.
  expect(totalMoves(steps) / (steps.length - 1)).toBeLessThan(1.25);
  const quick = proofOf(diagram, part, 'quick');
  expect(quick).toHaveLength(2 * part.contacts.length);
  expect(new Set(quick.map((each) => each.position)).size).toBeLessThan(12);
});
