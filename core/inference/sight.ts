import type { Sight, SightEvidence } from '../call/evidence';
import type { Diagram } from '../diagram/diagram';
import { splitRef } from '../diagram/terminal';
import { ownerOf, type Fault, type Mode } from '../fault/fault';

/** Faults that make heat where they are. */
const HEATING: readonly Mode[] = [
  'resistive',
  'poor-connection',
  'loose',
  'loose-inside',
  'shorted',
  'shorted-turns',
];

/** Faults that are seen, heard, felt or smelt so: common practice. */
const FITS: Record<Sight, readonly Mode[]> = {
  burnt: [
    ...HEATING,
    'ground-fault',
    'stuck-closed',
    'stuck-open',
    'common-open',
    'open',
    'chafed',
    'bridged',
  ],
  wet: ['leaking', 'ground-fault', 'bridged', 'film', 'chafed', 'poor-connection'],
  loose: [
    'loose',
    'poor-connection',
    'parted',
    'loose-inside',
    'intermittent',
    'wire-off',
    'not-actuated',
  ],
  broken: ['broken', 'stuck-open', 'common-open', 'open', 'wire-open', 'parted', 'not-actuated'],
  'wire-off': ['wire-off', 'wire-open', 'parted', 'loose'],
  stuck: ['stuck-open', 'stuck-closed', 'seized', 'not-actuated', 'broken', 'always-on'],
  noisy: ['seized', 'intermittent', 'resistive', 'poor-connection', 'shorted-turns', 'no-output'],
  hot: [...HEATING, 'stuck-closed', 'seized'],
  smells: [...HEATING, 'ground-fault', 'seized'],
  'wrong-part': ['other-rating'],
};

/**
 * How often somebody tells of such a sight: where a fault of the part shows itself so, where another fault of it
 * is there, and where it is right. From memory.
 */
const TOLD = { fits: 0.25, other: 0.06, right: 0.01 };

/** How probable it is that a sight is told of a part in a unit with some faults. */
export function weighSight(
  diagram: Diagram,
  { part, sight }: Pick<SightEvidence, 'part' | 'sight'>,
  faults: readonly Fault[],
): number {
  // What is wrong with a wire is seen where it ends.
  const ends = diagram.wires.flatMap(({ id, from, to }) =>
    [from, to].some((ref) => splitRef(ref).part === part) ? [id] : [],
  );
  const there = faults.filter((fault) => [part, ...ends].includes(ownerOf(fault)));
  if (there.some(({ mode }) => FITS[sight].includes(mode))) return TOLD.fits;
  return there.some((fault) => ownerOf(fault) === part) ? TOLD.other : TOLD.right;
}
