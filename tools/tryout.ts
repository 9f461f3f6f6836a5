import { builtIn } from '../library/library';
import { lintDiagram } from '../core/diagram/lint';
import { lintCircuit } from '../core/circuit/lintCircuit';
import { chanceFrom } from '../core/chance';
import { complaintOf, workCall } from '../core/diagnose/simulatedCall';
import { ORDINARY_METER } from '../core/meter/meter';
import { UnitDiagnosis } from '../core/plan/unitDiagnosis';
for (const id of process.argv.slice(2)) {
  const d = builtIn(id)!;
  console.log(id, JSON.stringify(lintDiagram(d)), JSON.stringify(lintCircuit(d)));
  const dg = new UnitDiagnosis(d, ORDINARY_METER);
  const p = dg.predictor;
  for (const [s, o] of p.hypotheses[0]!.uses.outcomes)
    console.log('  ', s, [...o].map(([k, v]) => `${k}:${v}`).join(' '));
  let n = 0,
    right = 0,
    group = 0;
  const bad: string[] = [];
  p.hypotheses.forEach((h, i) => {
    if (!h.suspect) return;
    const c = complaintOf(p, i);
    if (!c) {
      return;
    }
    n++;
    const r = workCall(dg, h, c, { chance: chanceFrom(20261125 + i) });
    const v = r.verdict;
    if (v.kind === 'named' && v.suspect.id === h.suspect) right++;
    else if (v.kind === 'group' && v.suspects.some((s) => s.id === h.suspect)) group++;
    else
      bad.push(
        JSON.stringify(h.causes) +
          v.kind +
          (v.kind === 'named'
            ? v.suspect.id
            : v.kind === 'group'
              ? v.suspects.map((s) => s.id).join()
              : ''),
      );
  });
  console.log(id, n, right, group, bad);
}
