import { bigSelector } from '../../library/madeUp/bigSelector';
import { proofOf, type Depth } from '../../core/plan/proof';
import { fewestMoves, totalMoves } from '../../core/plan/route';
import { switches } from '../../core/diagram/terminal';
import { EXIT, out, outJson } from '../commands/command';

const SEED = 20261126;
const RUNS = 10;
/** Tables that the fewest moves are found for exactly, and readings of each. */
const SMALL = { tables: 200, readings: 11 };

/** `./yarrix bench proof [--json]`: how long a big table takes to plan, and how far from the fewest moves. */
export function benchProof(json: boolean): number {
  const big = (['quick', 'full'] as const).map((depth) => planned(24, depth));
  const less = planned(12, 'full');
  const [ours, exact] = besideExact();
  if (json) {
    outJson({ seed: SEED, big, less, small: { ...SMALL, ours, exact } });
    return EXIT.done;
  }
  out(`made-up selectors, seed ${SEED}; the least of ${RUNS} runs`);
  for (const each of [...big, less])
    out(
      `${each.size} x ${each.size} ${each.depth.padEnd(6)} ${String(each.readings).padStart(4)} readings, ${each.moves} moves, planned in ${each.ms.toFixed(0)} ms`,
    );
  out(
    `${SMALL.tables} tables of up to ${SMALL.readings} readings: ${(ours / exact).toFixed(4)} x the fewest moves`,
  );
  return EXIT.done;
}

function planned(size: number, depth: Depth) {
  const diagram = bigSelector(size, size, SEED);
  const [part] = switches(diagram);
  if (!part) throw new Error('no selector');
  let ms = Infinity;
  let steps = proofOf(diagram, part, depth);
  for (let run = 0; run < RUNS; run++) {
    const from = performance.now();
    steps = proofOf(diagram, part, depth);
    ms = Math.min(ms, performance.now() - from);
  }
  return { size, depth, readings: steps.length, moves: totalMoves(stopsOf(steps)), ms };
}

const stopsOf = (steps: ReturnType<typeof proofOf>) =>
  steps.map(({ from, to, position }) => ({ pair: [from, to] as [string, string], position }));

/** Moves of the improved order and of the exact one, added up over small tables. */
function besideExact(): [number, number] {
  let [ours, exact] = [0, 0];
  for (let i = 0; i < SMALL.tables; i++) {
    const diagram = bigSelector(5, 4, SEED + i);
    const [part] = switches(diagram);
    if (!part) throw new Error('no selector');
    const stops = stopsOf(proofOf(diagram, part, 'full')).slice(0, SMALL.readings);
    ours += totalMoves(fewestMoves(stops, 0));
    exact += totalMoves(fewestMoves(stops));
  }
  return [ours, exact];
}
