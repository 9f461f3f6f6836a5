import Ajv from 'ajv';
import { parseSteps } from '../core/behaviour/step';
import type { Outcome } from '../core/behaviour/statement';
import type { ActEvidence, Evidence, ReadingEvidence } from '../core/call/evidence';
import { PLUGGED_IN } from '../core/behaviour/useRuns';
import type { Diagram, TerminalRef } from '../core/diagram/diagram';
import { drawnSetup, poweredSetup, setActuator, type Setup } from '../core/diagram/setup';
import { findTerminal } from '../core/diagram/terminal';
import { parseDisplay, parseVolts } from '../core/meter/display';
import { fail, ok, type Result } from '../core/result';
import schema from './evidence.schema.json';
import { readJson, shapeFaults } from './jsonFile';
import type { InputFault } from './problem';

/** An entry as it is written; setups are told by how they differ from the one that is drawn. */
type WrittenEntry = { id?: string } & (
  | {
      kind: 'statement';
      source: 'told' | 'seen';
      steps: string;
      subject: string;
      outcome: string;
      jumper?: [TerminalRef, TerminalRef];
    }
  | {
      kind: 'reading';
      from: TerminalRef;
      to: TerminalRef;
      set?: Record<string, string | number>;
      lift?: TerminalRef[];
      byHand?: Record<string, string>;
      power?: 'off' | 'on';
      steps?: string;
      shows: string;
      of?: 'unit' | 'twin';
      wiggle?: boolean;
    }
  | { kind: 'look'; look: string; found: boolean }
  | { kind: 'act'; part: string; act: ActEvidence['act'] }
);

const matches = new Ajv({
  allErrors: true,
  discriminator: true,
  strictTypes: false,
  strictRequired: false,
  allowUnionTypes: true,
}).compile<{ entries: WrittenEntry[] }>(schema);

/** Reads an evidence file against the diagram of its unit, and refuses it whole. */
export function readEvidence(diagram: Diagram, text: string): Result<Evidence[], InputFault[]> {
  return readJson(text, (value) => {
    if (!matches(value)) return fail(shapeFaults(matches, 'evidence'));
    const faults: InputFault[] = [];
    const entries = value.entries.map((written, i): Evidence | undefined =>
      readEntry(diagram, written, `e${i + 1}`, (inside, message) =>
        faults.push({ path: `/entries/${i}${inside}`, message }),
      ),
    );
    const whole = entries.filter((each) => each !== undefined);
    return faults.length || whole.length < entries.length ? fail(faults) : ok(whole);
  });
}

type Report = (inside: string, message: string) => void;

function readEntry(
  diagram: Diagram,
  written: WrittenEntry,
  place: string,
  report: Report,
): Evidence | undefined {
  const id = written.id ?? place;
  const part = (name: string, inside: string): void => {
    const known = [...diagram.parts, ...diagram.supplies].map((each) => each.id);
    if (!known.includes(name)) report(inside, `there is no part "${name}"`);
  };
  switch (written.kind) {
    case 'statement': {
      const { source, steps, subject, outcome, jumper } = written;
      const parsed = parseSteps(diagram, steps);
      if (!parsed.ok) report('/steps', parsed.error.message);
      part(subject, '/subject');
      for (const [i, ref] of (jumper ?? []).entries()) {
        const found = findTerminal(diagram, ref);
        if (!found.ok) report(`/jumper/${i}`, found.error.message);
      }
      return {
        kind: 'statement',
        id,
        source,
        steps,
        subject,
        outcome: outcome as Outcome,
        ...(jumper && { jumper }),
      };
    }
    case 'look': {
      const known = (diagram.looks ?? []).map((each) => each.id);
      if (!known.includes(written.look))
        report('/look', `there is no look "${written.look}"; known: ${known.join(', ') || 'none'}`);
      return { ...written, id };
    }
    case 'act':
      part(written.part, '/part');
      return { ...written, id };
    case 'reading':
      return readReading(diagram, written, id, report);
  }
}

function readReading(
  diagram: Diagram,
  written: Extract<WrittenEntry, { kind: 'reading' }>,
  id: string,
  report: Report,
): ReadingEvidence | undefined {
  const { from, to, set = {}, lift = [], byHand = {}, power = 'off' } = written;
  for (const [inside, ref] of [
    ['/from', from],
    ['/to', to],
    ...lift.map((each, i) => [`/lift/${i}`, each] as const),
  ] as const) {
    const found = findTerminal(diagram, ref);
    if (!found.ok) report(inside, found.error.message);
  }
  const drawn = drawnSetup(diagram);
  let setup: Setup = power === 'on' ? poweredSetup(drawn) : { ...drawn, except: [] };
  for (const [actuator, position] of Object.entries(set)) {
    const moved = setActuator(diagram, setup, actuator, String(position));
    if (moved.ok) setup = moved.value;
    else report(`/set/${actuator}`, moved.error.message);
  }
  setup = { ...setup, lifted: lift, byHand };
  const common = { kind: 'reading', id, from, to, setup } as const;
  const of = written.of ?? 'unit';
  const wiggle = written.wiggle ?? false;
  if (power === 'on') {
    const volts = parseVolts(written.shows);
    if (volts === undefined) {
      report('/shows', `"${written.shows}" is not volts, such as 24.1 V or 80 mV`);
      return undefined;
    }
    // What is set is what the unit is brought to do, in the order in which it is written.
    const moved = Object.entries(set).map(([id, to]) => `${id}=${to}`);
    const steps = written.steps ?? (moved.join(',') || PLUGGED_IN);
    const parsed = parseSteps(diagram, steps);
    if (!parsed.ok) report('/steps', parsed.error.message);
    return { ...common, steps, shows: { kind: 'volts', volts }, of, wiggle };
  }
  const display = parseDisplay(written.shows);
  if (!display.ok) {
    const { error } = display;
    report('/shows', error.kind === 'ask' ? error.question : error.message);
    return undefined;
  }
  return { ...common, shows: display.value, of, wiggle };
}
