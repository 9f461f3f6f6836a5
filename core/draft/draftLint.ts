import { cellInAnyPosition } from '../diagram/contactTable';
import type { Diagram, Part } from '../diagram/diagram';
import { lintDiagram } from '../diagram/lint';
import { owners, switches, terminalRef } from '../diagram/terminal';
import { everyPosition } from './everyPosition';
import { idOf } from './findPlace';

/** What is found in a draft: what it is about, and what would put it right where that is one thing. */
export type DraftFinding = { about: string | undefined; severity: 'error' | 'warning' } &
  /** Of a shape that the diagram cannot have; said as the check of files says it. */
  (
    | { kind: 'unsound'; message: string }
    | { kind: 'no-wire'; terminal: string }
    | {
        kind: 'not-wired' | 'never-runs' | 'no-set-points' | 'no-supply' | 'no-parts';
      }
    | { kind: 'constant'; contact: string; state: 'open' | 'closed' }
    | { kind: 'shorted'; at: Record<string, string> }
    | { kind: 'moves-nothing' }
    | { kind: 'never-reached'; actuator: string; at: number; to: number }
    | { kind: 'alike'; other: string }
  );

/** Mends that are one tap. */
export type Mend = { remove: string } | { rename: string; to: string };

/** Everything that may be wrong in a draft as it is typed; in the order in which it is put right. */
export function lintDraft(draft: Diagram): DraftFinding[] {
  if (!draft.parts.length) return [{ about: undefined, severity: 'error', kind: 'no-parts' }];
  const unsound = lintDiagram(draft).filter(({ severity }) => severity === 'error');
  if (unsound.length)
    return unsound.map(({ path, message }) => ({
      about: aboutOf(draft, path),
      severity: 'error',
      kind: 'unsound',
      message,
    }));
  return [...lintWiring(draft), ...lintNames(draft), ...lintMoved(draft)];
}

function lintWiring(draft: Diagram): DraftFinding[] {
  const findings: DraftFinding[] = [];
  if (!draft.supplies.length)
    findings.push({ about: undefined, severity: 'error', kind: 'no-supply' });
  const { neverRun, shorted } = everyPosition(draft);
  for (const { supply, at } of shorted)
    findings.push({ about: supply, severity: 'error', kind: 'shorted', at });
  const wired = new Set(draft.wires.flatMap(({ from, to }) => [from, to]));
  for (const { id, terminals } of draft.parts) {
    if (!terminals.length) continue;
    const bare = terminals.filter((each) => !wired.has(terminalRef(id, each.id)));
    if (bare.length === terminals.length)
      findings.push({ about: id, severity: 'warning', kind: 'not-wired' });
    else
      for (const terminal of bare)
        if (terminalRef(id, terminal.id) !== draft.frame)
          findings.push({ about: id, severity: 'warning', kind: 'no-wire', terminal: terminal.id });
  }
  const alone = new Set(
    findings.flatMap(({ kind, about }) => (kind === 'not-wired' && about ? [about] : [])),
  );
  for (const about of neverRun)
    if (!alone.has(about)) findings.push({ about, severity: 'warning', kind: 'never-runs' });
  return findings;
}

/** Two parts that nobody can tell apart by what they are called. */
function lintNames(draft: Diagram): DraftFinding[] {
  const seen = new Map<string, string>();
  return owners(draft).flatMap(({ id, name }): DraftFinding[] => {
    const key = idOf(name);
    const other = seen.get(key);
    seen.set(key, other ?? id);
    return other === undefined ? [] : [{ about: id, severity: 'warning', kind: 'alike', other }];
  });
}

function lintMoved(draft: Diagram): DraftFinding[] {
  const findings: DraftFinding[] = [];
  for (const part of switches(draft)) {
    const actuator = draft.actuators.find(({ id }) => id === part.actuator);
    if (actuator?.kind === 'quantity' && !part.setPoints)
      findings.push({ about: part.id, severity: 'warning', kind: 'no-set-points' });
    const to = actuator?.kind === 'quantity' ? actuator.driven?.to : undefined;
    const at = part.setPoints?.rising.at;
    const drawn = Number(draft.drawnFor[part.actuator]);
    // A limit that a healthy unit never gets to is as it should be; one that has to close there is not.
    const closes = part.table.rows.some((row) => row.position === 'above' && row.closed.length > 0);
    if (actuator && closes && to !== undefined && at !== undefined && Math.max(to, drawn) < at)
      findings.push({
        about: part.id,
        severity: 'warning',
        kind: 'never-reached',
        actuator: actuator.id,
        at,
        to,
      });
    for (const { id } of part.contacts) {
      const state = cellInAnyPosition(part, id);
      if (state !== 'either')
        findings.push({
          about: part.id,
          severity: 'warning',
          kind: 'constant',
          contact: id,
          state,
        });
    }
  }
  const moves = new Set(draft.parts.flatMap(movedBy));
  const read = JSON.stringify(
    draft.parts.flatMap((part) => (part.kind === 'board' ? [part.logic] : [])),
  );
  for (const { id } of draft.actuators)
    if (!moves.has(id) && !read.includes(JSON.stringify(id)))
      findings.push({ about: id, severity: 'warning', kind: 'moves-nothing' });
  return findings;
}

const movedBy = (part: Part): string[] =>
  part.kind === 'switch'
    ? [part.actuator]
    : part.kind === 'protector' && part.opensAt
      ? [part.opensAt.actuator]
      : part.kind === 'load'
        ? Object.keys(part.onlyWith ?? {})
        : [];

/** The part, supply, wire or control that a JSON pointer leads to. */
function aboutOf(draft: Diagram, path: string): string | undefined {
  const [, list, at] = path.split('/');
  const lists: Record<string, readonly { id: string }[]> = {
    parts: draft.parts,
    supplies: draft.supplies,
    wires: draft.wires,
    actuators: draft.actuators,
    panels: draft.panels,
  };
  return list === 'drawnFor' ? at : lists[list ?? '']?.[Number(at)]?.id;
}

/** What puts a finding right, where that is one thing. */
export function mendOf(draft: Diagram, finding: DraftFinding): Mend | undefined {
  const { kind, about } = finding;
  if (about === undefined) return undefined;
  if (kind === 'not-wired' || kind === 'moves-nothing') return { remove: about };
  if (kind !== 'alike') return undefined;
  const name = owners(draft).find(({ id }) => id === about)?.name ?? '';
  const taken = new Set(owners(draft).map((each) => idOf(each.name)));
  let n = 2;
  while (taken.has(idOf(`${name} ${n}`))) n++;
  return { rename: about, to: `${name} ${n}` };
}
