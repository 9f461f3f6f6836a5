import { LIBRARY } from '../library/library';
import { UnitPredictor } from '../core/diagnose/unitPredictor';
import { USUAL_WAY } from '../core/plan/nextTest';
import { UnitDiagnosis } from '../core/plan/unitDiagnosis';
import { ORDINARY_METER } from '../core/meter/meter';
import { unitState } from '../core/diagnose/unitState';
import { chanceFrom } from '../core/chance';
import { complaintOf, workCall } from '../core/diagnose/simulatedCall';
const schools = (process.argv[3] ?? 'least').split(',');
const live = process.argv[4] === 'live';
for (const d of LIBRARY) {
  if (process.argv[2] && process.argv[2]!=='all' && !process.argv[2].split(',').includes(d.id)) continue;
  let t=performance.now();
  const pl = new UnitDiagnosis(d, ORDINARY_METER); const p = pl.predictor;
  const a = performance.now()-t; const c=0; const slips = Number(process.argv[6]??0);
  let first: number|undefined; const ms: number[]=[];
  for (const school of schools) {
  let n=0,right=0,group=0,cond=0,none=0,mins=0,tests=0,w=0; const bad: string[]=[];
  p.hypotheses.forEach((h,i)=>{ if(h.suspect===undefined) return; const q=complaintOf(p,i); if(!q) return;
    if(first===undefined){ const t=performance.now(); pl.of([q],{...USUAL_WAY,live}); first=performance.now()-t; }
    const t=performance.now();
    const call = workCall(pl,h,q,{chance:chanceFrom(1000+i),slips,way:{school: school as any,live,place:'any'}});
    ms.push((performance.now()-t)/call.entries.length);
    n++; tests+=call.entries.length-1; mins+=call.minutes*h.prior; w+=h.prior;
    const v=call.verdict;
    if(v.kind==='named'&&v.suspect.id===h.suspect) right++; else if(v.kind==='group'&&v.suspects.some(s=>s.id===h.suspect)) group++; else if(v.kind==='named'){cond++; bad.push(JSON.stringify(h.causes[0])+' named '+v.suspect.id);} else {none++; bad.push(JSON.stringify(h.causes[0])+v.kind+(v.kind==='group'?v.suspects.map(s=>s.id).join():''));}
  });
  ms.sort((x,y)=>x-y);
  console.log(d.id, school, 'hyps', p.hypotheses.length, 'prep', a.toFixed(0), c.toFixed(0), 'cand', 0, 'first', first?.toFixed(0), 'median', ms[ms.length>>1]?.toFixed(1), 'max', ms.at(-1)?.toFixed(0), '|', n, 'right', right, 'group', group, 'cond', cond, 'none', none, 'mins', (mins/w).toFixed(2), 'tests', (tests/n).toFixed(2));
  if (process.argv[5]) bad.forEach(b=>console.log('   ',b));
  }
}
