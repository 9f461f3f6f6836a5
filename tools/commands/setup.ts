import type { Diagram } from '../../core/diagram/diagram';
import { drawnSetup, poweredSetup, setActuator, type Setup } from '../../core/diagram/setup';
import { findTerminal } from '../../core/diagram/terminal';
import type { Fault } from '../../core/fault/fault';
import { parseFault } from '../../core/fault/parseFault';
import { BadInput, valueOf } from './command';

/** The setup and the faults as the commands take them from their options. */
export interface SetupOptions {
  set: string[];
  lift: string[];
  fault: string[];
  jump: string[];
  power?: string;
  /** Supplies that are not as `--power` says. */
  except: string[];
}

export function setupFrom(diagram: Diagram, options: SetupOptions): Setup {
  if (options.power !== undefined && options.power !== 'on' && options.power !== 'off')
    throw new BadInput(`--power ${options.power}: on or off`);
  let setup = drawnSetup(diagram);
  if (options.power === 'on') setup = poweredSetup(setup);
  for (const id of options.except) {
    const known = diagram.supplies.map((each) => each.id);
    if (!known.includes(id))
      throw new BadInput(`there is no supply "${id}"; known: ${known.join(', ') || 'none'}`);
    const others = setup.except.filter((each) => each !== id);
    setup.except = setup.except.includes(id) ? others : [...others, id];
  }
  for (const text of options.set) {
    const at = text.indexOf('=');
    if (at < 1) throw new BadInput(`--set "${text}": write actuator=position`);
    setup = valueOf(setActuator(diagram, setup, text.slice(0, at), text.slice(at + 1)));
  }
  const lifted = options.lift.map((text) => valueOf(findTerminal(diagram, text)));
  const jumpers = options.jump.map((text): Setup['jumpers'][number] => {
    const [from, to, ...more] = text.split(',');
    if (!from || !to || more.length)
      throw new BadInput(`--jump "${text}": write two terminals, A,B`);
    return [valueOf(findTerminal(diagram, from)), valueOf(findTerminal(diagram, to))];
  });
  return { ...setup, lifted, jumpers };
}

export const faultsFrom = (diagram: Diagram, texts: readonly string[]): Fault[] =>
  texts.flatMap((text) => valueOf(parseFault(diagram, text)));
