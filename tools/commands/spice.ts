import { buildNetwork } from '../../core/circuit/network';
import { netlist } from '../../core/circuit/spice';
import { EXIT, out, type Exit } from './command';
import { openDiagram } from './openDiagram';
import { faultsFrom, setupFrom, type SetupOptions } from './setup';

/** `./yarrix spice DIAGRAM [--set ...] [--fault ...] [--power on]`: that setup as a netlist. */
export function spice(options: SetupOptions & { diagram?: string }): Exit {
  const diagram = openDiagram(options.diagram);
  const setup = setupFrom(diagram, options);
  const network = buildNetwork(diagram, setup, faultsFrom(diagram, options.fault));
  const analysis = setup.power === 'on' ? ['.ac lin 1 60 60', '.op'] : ['.op'];
  out([netlist(diagram, network), ...analysis, '.end'].join('\n'));
  return EXIT.done;
}
