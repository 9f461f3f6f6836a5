import { builtIn } from '../library/library';
import { parseSteps } from '../core/behaviour/step';
import { run } from '../core/behaviour/run';
import { parseFault } from '../core/fault/parseFault';
import { statementsOf, sayStatement, noticed } from '../core/behaviour/statement';
const go = (id: string, steps: string, ...faults: string[]) => {
  const d = builtIn(id)!; const s = parseSteps(d, steps); if (!s.ok) throw new Error(s.error.message);
  const f = faults.flatMap((t) => { const p = parseFault(d, t); if (!p.ok) throw new Error(p.error.message); return p.value; });
  const r = run(d, s.value, f);
  console.log('==', id, faults.join(' '));
  for (const x of r) { console.log(' ', x.step, x.end, x.seconds.toFixed(0) + 's', x.cycle ? JSON.stringify(x.cycle) : ''); for (const m of x.moments.slice(0, 8)) console.log('    ', m.at.toFixed(1), Object.entries(m.loads).filter(([, v]) => v !== 'off').map((e) => e.join(':')).join(' '), m.opened.join(','), Object.values(m.boards).join()); }
  if (f.length) console.log('   noticed:', noticed(d, run(d, s.value), r).map((n) => sayStatement(d, r, n)).join('; '));
};
go('electric-dryer', 'timer=heat,start=pressed,start=released');
go('electric-dryer', 'timer=heat,start=pressed,start=released', 'centrifugal.H-M:stuck-open');
go('electric-dryer', 'timer=heat,start=pressed,start=released', 'thermostat:stuck-closed');
go('electric-dryer', 'timer=heat,start=pressed,start=released', 'motor.start:open');
go('over-range-oven', 'door=closed,start=pressed,start=released,door=open');
go('over-range-oven', 'door=closed,start=pressed,start=released,door=open', 'primary.NO:stuck-closed');
go('gas-furnace', 'thermostat=heat');
go('gas-furnace', 'thermostat=heat', 'draft-switch.a-b:stuck-open');
go('trailer-furnace', 'thermostat=heat', 'sail:not-actuated');
go('trailer-furnace', 'thermostat=heat', 'sail.NO:stuck-closed');
go('trailer-furnace', 'thermostat=heat');
go('radiant-burner', 'knob=high,knob=off');
go('coil-burner', 'knob=off,knob=high', 'infinite.L1-P:stuck-closed');
go('millivolt-fireplace', 'wall=on');
