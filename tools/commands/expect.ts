import { checkJumper, type JumperCheck } from '../../core/behaviour/jumper';
import { ohmReading } from '../../core/circuit/ohmReading';
import { alone } from '../../core/circuit/isolation';
import { voltReading, type VoltAnswer } from '../../core/circuit/voltReading';
import type { Diagram, TerminalRef } from '../../core/diagram/diagram';
import { findPoint, type Setup } from '../../core/diagram/setup';
import { sayOhms } from '../../core/describe/display';
import { BadInput, EXIT, out, outJson, valueOf, type Exit } from './command';
import { openDiagram } from './openDiagram';
import { faultsFrom, setupFrom, type SetupOptions } from './setup';

export interface ExpectOptions extends SetupOptions {
  diagram?: string;
  from?: string;
  to?: string;
  json: boolean;
}

/**
 * `./yarrix expect DIAGRAM --from PART.TERMINAL --to PART.TERMINAL ...`: one reading, ohms with the
 * power off and volts with it on. A jumper that would short a supply is refused: exit code 1.
 */
export function expect(options: ExpectOptions): Exit {
  const diagram = openDiagram(options.diagram);
  const setup = setupFrom(diagram, options);
  const end = (name: 'from' | 'to'): TerminalRef => {
    const text = options[name];
    if (!text) throw new BadInput(`--${name} PART.TERMINAL is missing`);
    return valueOf(findPoint(diagram, setup, text));
  };
  const [from, to] = [end('from'), end('to')];
  const faults = faultsFrom(diagram, options.fault);
  const jumper = jumperOf(diagram, setup);
  if (jumper?.verdict === 'refused') {
    const says = jumper.findings.map((each) => each.says).join('; ');
    if (options.json) outJson({ from, to, kind: 'refused', jumper });
    else out(`jumper refused: it ${says}`);
    return EXIT.no;
  }
  if (setup.power === 'on') {
    const answer = voltReading(diagram, setup, from, to, faults);
    if (options.json) outJson({ from, to, ...answer, ...(jumper && { jumper }) });
    else sayVolts(answer, jumper);
    return EXIT.done;
  }
  const answer = ohmReading(diagram, setup, from, to, faults);
  const known = answer.kind === 'ohms' || answer.kind === 'unsure';
  const reason = 'reason' in answer ? answer.reason : undefined;
  const beside = alone(diagram, setup, from, to);
  const sneak = beside && beside.lift.length > 0 ? beside : undefined;
  if (options.json) {
    outJson({
      from,
      to,
      kind: answer.kind,
      nominal: known ? answer.nominal : null,
      low: known ? answer.low : null,
      high: known ? answer.high : null,
      ...(reason && { reason }),
      ...(sneak && { beside: { lift: sneak.lift, through: sneak.through, off: sneak.wiresOff } }),
      ...(jumper && { jumper }),
    });
    return EXIT.done;
  }
  const say = (ohms: number | null): string => (ohms === null ? 'open' : sayOhms(ohms));
  if (known) {
    const nominal = answer.nominal === null ? '-' : say(answer.nominal);
    out(`nominal ${nominal}, low ${say(answer.low)}, high ${say(answer.high)}`);
  } else out(answer.kind);
  if (reason) out(reason);
  if (sneak)
    out(
      `answers beside it: ${sneak.through.join(', ')}; to read it alone lift ${sneak.lift.join(', ')}`,
    );
  sayJumper(jumper);
  return EXIT.done;
}

/** The first jumper that is not harmless, checked with all before it in place. */
function jumperOf(diagram: Diagram, setup: Setup): JumperCheck | undefined {
  const checks = setup.jumpers.map(([from, to], i) =>
    checkJumper(diagram, { ...setup, jumpers: setup.jumpers.slice(0, i) }, from, to),
  );
  return (
    checks.find((each) => each.verdict === 'refused') ??
    checks.find((each) => each.verdict === 'warned') ??
    checks[0]
  );
}

function sayVolts(answer: VoltAnswer, jumper: JumperCheck | undefined): void {
  if (answer.kind === 'volts' || answer.kind === 'unsure') {
    const { nominal, low, high, current, amps, loaded } = answer;
    const say = (volts: number): string =>
      Math.abs(volts) < 1
        ? `${Number((volts * 1000).toFixed(1))} mV`
        : `${Number(volts.toFixed(2))} V`;
    out(
      `nominal ${nominal === null ? '-' : say(nominal)}, low ${say(low)}, high ${say(high)}, ${current.toUpperCase()}`,
    );
    out(loaded ? `carries ${Number(amps.toPrecision(3))} A` : 'no load draws through these points');
  } else out(answer.kind);
  if ('reason' in answer) out(answer.reason);
  sayJumper(jumper);
}

function sayJumper(jumper: JumperCheck | undefined): void {
  for (const each of jumper?.findings ?? []) out(`jumper: ${each.says}`);
}
