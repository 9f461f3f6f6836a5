import type { Diagram } from '../diagram/diagram';
import { lintDiagram, type Finding } from '../diagram/lint';
import { drawnSetup } from '../diagram/setup';
import { terminalRef, wiresAt } from '../diagram/terminal';
import { everySetup, shortsIn } from './short';
import { legsOf } from './supply';

/**
 * Everything that is wrong with a draft of a diagram, or may be: its names first, and when these are
 * known what only its circuit shows. It never throws, however unsound the draft is.
 */
export function lintWhole(draft: Diagram): Finding[] {
  const findings = lintDiagram(draft);
  const unsound = findings.some((each) => each.severity === 'error');
  return unsound ? findings : [...findings, ...lintCircuit(draft)];
}

/** What only the circuit shows to be wrong in a diagram that is sound otherwise. */
function lintCircuit(diagram: Diagram): Finding[] {
  const findings: Finding[] = [];
  diagram.supplies.forEach((supply, i) => {
    for (const leg of legsOf(supply)) {
      const back = supply.terminals[leg.to];
      const ref = back && terminalRef(supply.id, back.id);
      const out = supply.terminals[leg.from];
      const used = out && wiresAt(diagram, terminalRef(supply.id, out.id)).length > 0;
      if (!ref || !used || wiresAt(diagram, ref).length > 0 || supply.terminals.length > 2)
        continue;
      findings.push({
        path: `/supplies/${i}/terminals`,
        severity: 'error',
        message: `no ground reference: nothing is wired to ${ref}, so no current can come back`,
      });
    }
  });
  const told = new Set<string>();
  for (const setup of everySetup(diagram, drawnSetup(diagram))) {
    for (const { supply, through, amps } of shortsIn(diagram, setup)) {
      if (told.has(supply.id)) continue;
      told.add(supply.id);
      const at = Object.entries(setup.actuators)
        .filter(([, state]) => typeof state === 'string')
        .map(([id, state]) => `${id}=${String(state)}`)
        .join(', ');
      findings.push({
        path: `/supplies/${diagram.supplies.indexOf(supply)}`,
        severity: 'error',
        message: `a healthy unit shorts ${supply.id} (${Math.round(amps)} A) with ${at || 'nothing moved'}, through ${through.join(', ')}`,
      });
    }
  }
  return findings;
}
