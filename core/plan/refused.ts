import type { Reason, Refusal } from '../call/refusal';
import type { Diagram, Panel, TerminalRef } from '../diagram/diagram';
import { terminalAt } from '../diagram/terminal';
import { keyOf } from './candidates';
import type { Cost, Minutes } from './minutes';
import { toolKey, toolsFor, toolsOf } from './tools';
import type { UnitTest } from './unitTests';

/** Whether power is on while somebody's hands or leads are in the unit. */
const isLive = (test: UnitTest): boolean =>
  test.kind === 'volt' ||
  (test.kind === 'try' && test.jumper !== undefined) ||
  (test.kind === 'measure' && test.steps !== undefined);

/** Points that a test touches. */
const pointsOf = (test: UnitTest): TerminalRef[] =>
  test.kind === 'ohm' || test.kind === 'volt'
    ? [test.from, test.to]
    : test.kind === 'try' && test.jumper
      ? test.jumper
      : [];

const panelsOf = ({ panels }: Diagram, bits: number): Panel[] =>
  panels.filter((_, i) => bits & (1 << i));

/** Reasons that make sense for a test, the usual ones first. */
export function reasonsFor(diagram: Diagram, minutes: Minutes, test: UnitTest): Reason[] {
  const cost = minutes.of(test);
  const panels = panelsOf(diagram, cost.panels);
  const when = (so: boolean, ...reasons: Reason[]): Reason[] => (so ? reasons : []);
  if (test.kind === 'ask') return ['nobody-knows'];
  return [
    ...when(panels.length > 0, 'cannot-reach'),
    ...when(panels.some(({ tool }) => tool !== undefined) || test.kind === 'measure', 'no-tool'),
    ...when(
      panels.some(({ helper }) => helper),
      'no-helper',
    ),
    ...when(cost.clips === true, 'no-clips'),
    ...when(isLive(test), 'not-live'),
    ...when(pointsOf(test).length > 0, 'no-terminal'),
    'no-time',
    'already-known',
  ];
}

/** What is refused with a test: it alone, or all that wants the same. @param terminal the one that is not there */
export function refusalOf(
  diagram: Diagram,
  minutes: Minutes,
  test: UnitTest,
  why: Reason,
  terminal?: TerminalRef,
): Refusal {
  const panels = panelsOf(diagram, minutes.of(test).panels);
  switch (why) {
    case 'no-helper':
    case 'no-clips':
    case 'not-live':
      return { why, of: [] };
    case 'no-terminal':
      return { why, of: terminal === undefined ? [keyOf(test)] : [terminalAt(terminal)] };
    case 'no-tool': {
      const locked = panels.filter(({ tool }) => tool !== undefined);
      return { why, of: locked.length ? locked.map(({ id }) => id) : [keyOf(test)] };
    }
    case 'cannot-reach':
      return { why, of: panels.length ? panels.map(({ id }) => id) : [keyOf(test)] };
    case 'no-time':
    case 'already-known':
    case 'nobody-knows':
      return { why, of: [keyOf(test)] };
  }
}

/** Which tests are out of question while some refusals stand. */
export function refuser(
  diagram: Diagram,
  refusals: readonly Refusal[],
): (test: UnitTest, key: string, cost: Cost) => boolean {
  if (refusals.length === 0) return () => false;
  const reasons = new Set(refusals.map(({ why }) => why));
  const alone = new Set(refusals.flatMap(({ of }) => of));
  const bits = (wanted: (panel: Panel) => boolean): number =>
    diagram.panels.reduce((sum, panel, i) => sum | (wanted(panel) ? 1 << i : 0), 0);
  const shut =
    bits(({ id }) => alone.has(id)) |
    bits(({ helper }) => reasons.has('no-helper') && helper === true);
  const missing = new Set(toolsOf(diagram).filter((tool) => alone.has(toolKey(tool))));
  return (test, key, cost) =>
    alone.has(key) ||
    (missing.size > 0 &&
      toolsFor(diagram, test, panelsOf(diagram, cost.panels)).some((tool) => missing.has(tool))) ||
    (cost.panels & shut) !== 0 ||
    (reasons.has('no-clips') && cost.clips === true) ||
    (reasons.has('not-live') && isLive(test)) ||
    (reasons.has('no-terminal') && pointsOf(test).some((ref) => alone.has(terminalAt(ref))));
}
