import type { TerminalRef } from '../../core/diagram/diagram';
import { drawnSetup, setActuator } from '../../core/diagram/setup';
import { findTerminal } from '../../core/diagram/terminal';
import { ohmReading } from '../../core/circuit/ohmReading';
import { parseFault } from '../../core/fault/parseFault';
import { sayOhms } from '../../core/meter/display';
import { BadInput, EXIT, openDiagram, out, outJson, valueOf, type Exit } from './door';

export interface ExpectOptions {
  diagram?: string;
  from?: string;
  to?: string;
  set: string[];
  lift: string[];
  fault: string[];
  json: boolean;
}

/** `./yarrix expect DIAGRAM --from PART.TERMINAL --to PART.TERMINAL ...`: one ohm reading. */
export function expect(options: ExpectOptions): Exit {
  const diagram = openDiagram(options.diagram);
  const end = (name: 'from' | 'to'): TerminalRef => {
    const text = options[name];
    if (!text) throw new BadInput(`--${name} PART.TERMINAL is missing`);
    return valueOf(findTerminal(diagram, text));
  };
  const from = end('from');
  const to = end('to');
  let setup = drawnSetup(diagram);
  for (const text of options.set) {
    const at = text.indexOf('=');
    if (at < 1) throw new BadInput(`--set "${text}": write actuator=position`);
    setup = valueOf(setActuator(diagram, setup, text.slice(0, at), text.slice(at + 1)));
  }
  const lifted = options.lift.map((text) => valueOf(findTerminal(diagram, text)));
  const faults = options.fault.flatMap((text) => valueOf(parseFault(diagram, text)));
  const answer = ohmReading(diagram, { ...setup, lifted }, from, to, faults);
  const known = answer.kind === 'ohms' || answer.kind === 'unsure';
  const nominal = known ? answer.nominal : null;
  const low = known ? answer.low : null;
  const high = known ? answer.high : null;
  const reason = 'reason' in answer ? answer.reason : undefined;
  if (options.json)
    outJson({ from, to, kind: answer.kind, nominal, low, high, ...(reason && { reason }) });
  else if (answer.kind === 'open') out('open');
  else {
    const say = (ohms: number | null): string => (ohms === null ? 'open' : sayOhms(ohms));
    out(
      known
        ? `nominal ${nominal === null ? '-' : say(nominal)}, low ${say(low)}, high ${say(high)}`
        : answer.kind,
    );
    if (reason) out(reason);
  }
  return EXIT.done;
}
