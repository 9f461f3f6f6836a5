import ELK from 'elkjs/lib/elk.bundled.js';
import { drawLadder } from '../core/drawing/place';
import { LIBRARY } from '../library/library';
(async()=>{ const elk=new ELK();
for (const d of LIBRARY) { const s=performance.now(); const g=await drawLadder(d,(g)=>elk.layout(g as any) as any); console.log(d.id,Math.round(g.width),Math.round(g.height),g.boxes.length,(performance.now()-s).toFixed(0)+'ms'); } })();
