import { LIBRARY, builtIn } from '../library/library';
import { lintCircuit } from '../core/circuit/lintCircuit';
import { lintDiagram } from '../core/diagram/lint';
import { checkJumper } from '../core/behaviour/jumper';
import { drawnSetup } from '../core/diagram/setup';
for (const d of LIBRARY) { const t = performance.now(); console.log(d.id, lintDiagram(d).map(f=>f.path+f.message), lintCircuit(d), (performance.now() - t).toFixed(0)); }
const j = (id: string, a: any, b: any) => { const t = performance.now(); console.log(id, a, b, JSON.stringify(checkJumper(builtIn(id)!, drawnSetup(builtIn(id)!), a, b)), (performance.now() - t).toFixed(0)); };
j('electric-dryer', 'start.1', 'start.2'); j('electric-dryer', 'thermostat.1', 'thermostat.2'); j('electric-dryer', 'block.K1', 'block.KN'); j('electric-dryer', 'block.K1', 'motor.4'); j('electric-dryer', 'cut-off.1', 'cut-off.2');
j('trailer-furnace', 'sail.COM', 'sail.NO');
