import { LIBRARY } from '../library/library';
import { UnitPredictor } from '../core/diagnose/unitPredictor';
import { UnitPlanner, USUAL_WAY } from '../core/plan/nextTest';
import { ORDINARY_METER } from '../core/meter/meter';
import { unitState } from '../core/diagnose/unitState';
import { complaintOf } from '../core/diagnose/simulatedCall';
import { exactOptimum } from '../core/plan/exactOptimum';
import { choices } from '../core/plan/leastMinutes';
import { expectedMinutes } from '../core/plan/schools';
import type { Decision, Node } from '../core/plan/decision';
const value = (d: Decision, n: Node): number => { const [b] = choices(d,n); if(!b) return 0; return d.branches(n,b.option).reduce((s,x)=>s+x.share*value(d,x.node), b.minutes); };
const most = Number(process.argv[3] ?? 7);
for (const d of LIBRARY) {
  if (process.argv[2]!=='all' && process.argv[2]!==d.id) continue;
  const p = new UnitPredictor(d, ORDINARY_METER); const pl = new UnitPlanner(p);
  const seen = new Set<string>(); const rs:number[]=[]; let n=0, given=0; let so=0, sp=0;
  p.hypotheses.forEach((h,i)=>{ if(!h.suspect) return; const q=complaintOf(p,i); if(!q) return; const k=JSON.stringify(q); if(seen.has(k)) return; seen.add(k);
    const {decision,root} = pl.problem(unitState(p,[q]),[q],{...USUAL_WAY,live:false},{share:1,most});
    const t=performance.now(); const o = exactOptimum(decision,root); const ms=performance.now()-t; n++;
    if(o===undefined){given++;return;}
    const v=value(decision,root); so+=o; sp+=v; rs.push(v/o);
    if (process.argv[4]) console.log('  ', k.slice(40,120), 'opts', root.options.length, 'opt', o.toFixed(2), 'ours', v.toFixed(2), (v/o).toFixed(3), 'ms', ms.toFixed(0), (['looks','line','symptom','likeliest','split'] as const).map(s=>(expectedMinutes(s,decision,root,()=>0)).toFixed(1)).join(' '));
  });
  console.log(d.id, 'cases', n, 'too big', given, 'mean ratio', (sp/so).toFixed(4), 'worst', Math.max(...rs).toFixed(3));
}
