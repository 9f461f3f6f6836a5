import { LIBRARY } from '../library/library';
import { UnitPredictor } from '../core/diagnose/unitPredictor';
import { ORDINARY_METER } from '../core/meter/meter';
for (let i=0;i<3;i++) for (const d of LIBRARY) {
  const t=performance.now();
  new UnitPredictor(d, ORDINARY_METER);
  if(i) console.log(d.id, (performance.now()-t).toFixed(0));
}
