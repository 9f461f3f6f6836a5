import 'reflect-metadata/lite';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsNotEmpty,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
} from 'class-validator';
import { PLUGGED_IN } from '../core/behaviour/useRuns';
import { findingsInEntry } from '../core/call/entryFindings';
import type { Evidence } from '../core/call/evidence';
import { evidenceOf } from '../core/call/log';
import type { LogEntry, ReadingRecord } from '../core/call/record';
import type { Diagram, TerminalRef } from '../core/diagram/diagram';
import { drawnSetup, poweredSetup, setActuator, type Setup } from '../core/diagram/setup';
import { readAt } from '../core/diagram/terminal';
import { parseDisplay } from '../core/meter/display';
import { ORDINARY_METER } from '../core/meter/meter';
import { fail, ok, type Result } from '../core/result';
import { ActBody } from './entries/act';
import { LookBody } from './entries/look';
import { SightBody } from './entries/sight';
import { MeasurementBody } from './entries/measurement';
import { StatementBody } from './entries/statement';
import { asTerminal, TERMINAL } from './entries/terminal';
import { readJson } from './jsonFile';
import type { InputFault } from './problem';
import { readDto } from './readDto';

/** A reading as a file has it: its setup is told by how it differs from the one that is drawn. */
class WrittenReading {
  @Matches(TERMINAL, asTerminal)
  from!: TerminalRef;

  @Matches(TERMINAL, asTerminal)
  to!: TerminalRef;

  @IsOptional()
  @IsObject()
  set?: Record<string, string | number>;

  @IsOptional()
  @IsArray()
  @ArrayMaxSize(60)
  @Matches(TERMINAL, { ...asTerminal, each: true })
  lift?: TerminalRef[];

  /** Parts on the bench. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(60)
  @IsString({ each: true })
  out?: string[];

  /** Bridges that are clipped on while it is read. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20)
  @IsArray({ each: true })
  jumpers?: [TerminalRef, TerminalRef][];

  @IsOptional()
  @IsObject()
  byHand?: Record<string, string>;

  @IsOptional()
  @IsIn(['off', 'on'])
  power?: 'off' | 'on';

  @IsOptional()
  @IsString()
  @MaxLength(500)
  steps?: string;

  @IsNotEmpty()
  @IsString()
  @MaxLength(40)
  shows!: string;

  @IsOptional()
  @IsIn(['unit', 'twin'])
  of?: 'unit' | 'twin';

  @IsOptional()
  @IsBoolean()
  wiggle?: boolean;

  @IsOptional()
  @IsString()
  @MaxLength(40)
  meter?: string;

  @IsOptional()
  @IsString()
  @MaxLength(40)
  range?: string;

  /** Ohms of the leads, as noted by touching them together. */
  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(20)
  leads?: number;
}

/** The file around its entries. */
class WrittenEvidence {
  @IsIn(['yarrix-evidence'])
  format!: string;

  @IsIn([1])
  version!: number;

  @IsOptional()
  @IsString()
  @MaxLength(500)
  diagram?: string;

  @IsArray()
  @ArrayMaxSize(2000)
  entries!: unknown[];
}

/** The shapes of entries: those that a file and the log of a call share, and a file's own reading. */
const SHAPES = {
  statement: StatementBody,
  reading: WrittenReading,
  look: LookBody,
  sight: SightBody,
  measurement: MeasurementBody,
  act: ActBody,
} as const;
type WrittenKind = keyof typeof SHAPES;

/** Reads an evidence file against the diagram of its unit, and refuses it whole. */
export function readEvidence(diagram: Diagram, text: string): Result<Evidence[], InputFault[]> {
  return readJson(text, (value) => {
    const file = readDto(WrittenEvidence, value);
    if (!file.ok) return file;
    const faults: InputFault[] = [];
    const ids = new Set<string>();
    const entries = file.value.entries.flatMap((written, i): LogEntry[] => {
      const report: Report = (inside, message) =>
        faults.push({ path: `/entries/${i}${inside}`, message });
      const entry = readEntry(diagram, written, `e${i + 1}`, report);
      if (entry && ids.has(entry.id)) report('/id', `the id "${entry.id}" is given twice`);
      if (entry) ids.add(entry.id);
      return entry ? [entry] : [];
    });
    return faults.length ? fail(faults) : ok(evidenceOf(diagram, entries).evidence);
  });
}

type Report = (inside: string, message: string) => void;

/** One entry as the log of a call would have it; whatever is wrong with it is reported. */
function readEntry(
  diagram: Diagram,
  written: unknown,
  place: string,
  report: Report,
): LogEntry | undefined {
  if (typeof written !== 'object' || written === null || Array.isArray(written)) {
    report('', 'must be an object');
    return undefined;
  }
  const { kind, id = place, ...body } = written as { kind?: unknown; id?: unknown };
  if (typeof kind !== 'string' || !(kind in SHAPES)) {
    const known = Object.keys(SHAPES).join(', ');
    report('/kind', `"${String(kind)}" is not a kind known here: ${known}`);
    return undefined;
  }
  if (typeof id !== 'string' || id === '' || id.length > 80) {
    report('/id', 'must be a text of at most 80 letters');
    return undefined;
  }
  const shape = readDto<object>(SHAPES[kind as WrittenKind], body);
  if (!shape.ok) {
    shape.error.forEach((each) => report(each.path, each.message));
    return undefined;
  }
  const record =
    shape.value instanceof WrittenReading
      ? recordOf(diagram, shape.value, report)
      : { ...shape.value };
  if (!record) return undefined;
  const entry = { id, phoneAt: '', kind, body: record } as LogEntry;
  for (const { path, message } of findingsInEntry(diagram, entry)) {
    // A file does not say the part of a reading: it follows from the points.
    if (kind === 'reading' && path === '/body/part') continue;
    report(kind === 'reading' ? inFile(path) : path.slice('/body'.length), message);
  }
  return entry;
}

/** Where a file has what a logged reading has elsewhere. */
const IN_FILE: [RegExp, string][] = [
  [/^\/setup\/actuators/, '/set'],
  [/^\/setup\/lifted/, '/lift'],
  [/^\/setup\/partsOut/, '/out'],
  [/^\/setup/, ''],
  [/^\/said/, '/shows'],
  [/^\/leadOhms/, '/leads'],
];
const inFile = (path: string): string =>
  IN_FILE.reduce((at, [from, to]) => at.replace(from, to), path.slice('/body'.length));

function recordOf(
  diagram: Diagram,
  written: WrittenReading,
  report: Report,
): ReadingRecord | undefined {
  const { from, to, set = {}, lift = [], out = [], byHand = {}, jumpers = [] } = written;
  const { power = 'off', shows, wiggle } = written;
  const drawn = drawnSetup(diagram);
  const live = power === 'on';
  let setup: Setup = live ? poweredSetup(drawn) : { ...drawn, except: [] };
  for (const [actuator, position] of Object.entries(set)) {
    const moved = setActuator(diagram, setup, actuator, String(position));
    if (moved.ok) setup = moved.value;
    else report(`/set/${actuator}`, moved.error.message);
  }
  const display = live ? undefined : parseDisplay(shows);
  if (display && !display.ok && display.error.kind === 'ask') {
    report('/shows', display.error.question);
    return undefined;
  }
  const said = display?.ok ? display.value.kind : undefined;
  // What is set is what the unit is brought to do, in the order in which it is written.
  const moves = Object.entries(set).map(([id, at]) => `${id}=${at}`);
  const steps = written.steps ?? (moves.join(',') || PLUGGED_IN);
  return {
    part: readAt(diagram, from, to),
    from,
    to,
    setup: { ...setup, lifted: lift, partsOut: out, jumpers, byHand },
    ...(live && { steps }),
    wiggle: wiggle ?? false,
    lookedAgain: false,
    function: live ? 'volt' : said === 'beep' || said === 'silent' ? 'beeper' : 'ohm',
    ...(written.of === 'twin' && { of: 'twin' }),
    ...(written.range !== undefined && { range: written.range }),
    meter: written.meter ?? ORDINARY_METER.id,
    leadOhms: written.leads ?? ORDINARY_METER.leads.ohms,
    said: shows,
    supersedes: [],
  };
}
