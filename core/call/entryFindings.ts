import { outcomesOf } from '../behaviour/statement';
import { parseSteps } from '../behaviour/step';
import { clampedLoad } from '../diagram/clampedLoad';
import type { Actuator, Diagram, TerminalRef } from '../diagram/diagram';
import { loopsOf } from '../diagram/loop';
import type { Finding } from '../diagram/lint';
import {
  drawnSetup,
  feeds,
  findPoint,
  positionsOf,
  type QuantityState,
  type Setup,
} from '../diagram/setup';
import { findSwitch, findTerminal, owners, partAt } from '../diagram/terminal';
import { loopSuspect } from '../fault/place';
import { METERS, type Meter } from '../meter/meter';
import type { Result } from '../result';
import { inCheck } from './checkFindings';
import { lineNamed } from './ledgerLine';
import { shownIn, type LogEntry, type ReadingRecord, type Records } from './record';

/** An entry before it has its id and its time. */
type Said = { [K in LogEntry['kind']]: { kind: K; body: Records[K] } }[LogEntry['kind']];

/**
 * What is wrong with an entry beside the diagram of its call: names that are not there, a setup that
 * cannot be, a reading that means nothing in its setup. Empty for an entry that can be used; paths
 * begin with /body.
 */
export function findingsInEntry(diagram: Diagram, entry: Said): Finding[] {
  const findings: Finding[] = [];
  const report = (path: string, message: string): void => {
    findings.push({ path: `/body${path}`, severity: 'error', message });
  };
  const unless = (path: string, found: Result<unknown, { message: string }>): void => {
    if (!found.ok) report(path, found.error.message);
  };
  const named = (path: string, id: string): void => {
    const ids = [...owners(diagram), ...diagram.wires].map((each) => each.id);
    if (!ids.includes(id)) report(path, `there is no part "${id}"`);
  };
  // A quantity is put right too, and a loop is cleaned as a whole.
  const suspected = (path: string, id: string): void => {
    const others = [
      ...diagram.actuators.flatMap((each) => (each.kind === 'quantity' ? [each.id] : [])),
      ...loopsOf(diagram).map(({ source }) => loopSuspect(source.id)),
    ];
    if (!others.includes(id)) named(path, id);
  };
  const drawn = drawnSetup(diagram);
  const bridge = (path: string, pair: readonly TerminalRef[], setup = drawn): void => {
    pair.forEach((ref, i) => unless(`${path}/${i}`, findPoint(diagram, setup, ref)));
    if (pair.length !== 2 || pair[0] === pair[1])
      report(path, 'a jumper joins two different terminals');
  };
  switch (entry.kind) {
    case 'reading': {
      const { part, from, to, steps, setup } = entry.body;
      named('/part', part);
      if (from === to) report('/to', 'two different points are read against each other');
      if (steps !== undefined) unless('/steps', parseSteps(diagram, steps));
      if (!isWhole(setup)) {
        report('/setup', 'does not say everything that must be true while it is read');
        break;
      }
      inSetup(diagram, setup, (path, message) => report(`/setup${path}`, message));
      unless('/from', findPoint(diagram, setup, from));
      unless('/to', findPoint(diagram, setup, to));
      setup.jumpers.forEach((pair, i) => bridge(`/setup/jumpers/${i}`, pair, setup));
      if (entry.body.of === 'bench' && entry.body.function === 'volt')
        report('/of', 'a part on the bench is read in ohms, with nothing feeding it');
      inDisplay(diagram, entry.body, report);
      break;
    }
    case 'statement': {
      const { steps, subject, outcome, jumper, seconds } = entry.body;
      unless('/steps', parseSteps(diagram, steps));
      if (jumper) bridge('/jumper', jumper);
      const known: readonly string[] | undefined = outcomesOf(diagram, subject);
      if (!known) report('/subject', `there is no part "${subject}"`);
      else if (!known.includes(outcome))
        report('/outcome', `"${outcome}" is not seen of ${subject}; ${oneOf(known)}`);
      if (seconds && seconds.on + seconds.off <= 0)
        report('/seconds', 'say for how long it is on, or off, or both: not 0 for both');
      break;
    }
    case 'look': {
      const known = (diagram.looks ?? []).map((each) => each.id);
      if (!known.includes(entry.body.look))
        report('/look', `there is no look "${entry.body.look}"; ${oneOf(known)}`);
      break;
    }
    case 'sight':
      named('/part', entry.body.part);
      break;
    case 'measurement': {
      const { actuator, steps, felt, how } = entry.body;
      const known = diagram.actuators.flatMap(({ id, kind }) => (kind === 'quantity' ? [id] : []));
      const loads = diagram.parts.flatMap(({ id }) => (clampedLoad(diagram, id) ? [id] : []));
      if (loads.includes(actuator)) {
        if (steps === undefined)
          report('/steps', 'a current is read live: say what the unit had been brought to do');
        if (entry.body.value < 0) report('/value', 'a clamp shows no current below 0 A');
      } else if (!known.includes(actuator))
        report(
          '/actuator',
          `there is no quantity, heater or motor "${actuator}"; ${oneOf([...known, ...loads])}`,
        );
      if (steps !== undefined) unless('/steps', parseSteps(diagram, steps));
      const moved = diagram.actuators.find(({ id }) => id === actuator);
      const isHeat = moved?.kind === 'quantity' && moved.quantity === 'temperature';
      if (felt !== undefined && (how !== 'felt' || !isHeat))
        report('/felt', 'only a temperature is felt to be cold, warm or hot, by hand');
      break;
    }
    case 'act':
      suspected('/part', entry.body.part);
      break;
    case 'acknowledged': {
      const { what, part, jumper } = entry.body;
      if (jumper) bridge('/jumper', jumper);
      else if (what === 'jumper-on') report('/jumper', 'say between which terminals it is');
      if (part !== undefined) named('/part', part);
      else if (what === 'wires-off') report('/part', 'say off which part the wires are');
      break;
    }
    case 'refusal': {
      const { why, of } = entry.body;
      if (why === 'no-terminal')
        of.forEach((ref, i) => unless(`/of/${i}`, findTerminal(diagram, ref as TerminalRef)));
      const alone: readonly string[] = ['no-helper', 'no-clips', 'not-live'];
      if (of.length === 0 && !alone.includes(why)) report('/of', 'say what is not to be had');
      break;
    }
    case 'opened': {
      const { what, of } = entry.body;
      // What no diagram has is said in plain words; what is written like one of its names has to be one.
      if (what === 'wire' && /^\S+\.\S+$/.test(of)) unless('/of', findTerminal(diagram, of));
      if (what === 'jumper') bridge('/of', of.split(' ') as TerminalRef[]);
      break;
    }
    case 'closed': {
      const { line } = entry.body;
      const named = lineNamed(line);
      if (!named) report('/line', `"${line}" is no line of the ledger; write "wire part.terminal"`);
      else if (named.what === 'cause')
        report(
          '/line',
          'a cause is settled by an entry of kind "cause": found, not-there or refused',
        );
      break;
    }
    case 'wire-map': {
      named('/part', entry.body.part);
      entry.body.wires.forEach(({ at }, i) => {
        const found = findTerminal(diagram, at);
        if (!found.ok) report(`/wires/${i}/at`, found.error.message);
        else if (partAt(at) !== entry.body.part)
          report(`/wires/${i}/at`, `is not at ${entry.body.part}`);
      });
      if (entry.body.wires.length === 0 && !entry.body.keyed)
        report('/wires', 'say which wire sits where, or that its plug is keyed');
      break;
    }
    case 'fit':
    case 'cause':
      if (!diagram.parts.some(({ id }) => id === entry.body.part))
        report('/part', `there is no part "${entry.body.part}"`);
      break;
    case 'found':
    case 'put-right':
      if (entry.body.part !== undefined) suspected('/part', entry.body.part);
      break;
    case 'order': {
      const { actuator, events } = entry.body;
      if (!diagram.actuators.some(({ id }) => id === actuator))
        report('/actuator', `there is no actuator "${actuator}"`);
      events.forEach(({ part, contact }, i) => {
        const found = findSwitch(diagram, part);
        if (!found.ok) report(`/events/${i}/part`, found.error.message);
        else if (!found.value.contacts.some(({ id }) => id === contact))
          report(`/events/${i}/contact`, `there is no contact "${contact}" in ${part}`);
      });
      break;
    }
    case 'checked':
      inCheck(diagram, entry.body, report);
      break;
    case 'decision': {
      const { part, along } = entry.body;
      if (part !== undefined) suspected('/part', part);
      along.forEach((each, i) => named(`/along/${i}`, each));
      break;
    }
    case 'correction':
      if (Object.keys(entry.body).length === 0)
        report('', 'say what is corrected: make, model, place, customer, complaint or diagram');
      break;
    case 'doubt':
    case 'stage':
    case 'diagram':
  }
  return findings;
}

type Report = (path: string, message: string) => void;

const oneOf = (known: readonly string[]): string => `known: ${known.join(', ') || 'none'}`;

/** Whether a setup has all its lists: one from a log that is older, or was written by hand, may not. */
const isWhole = ({
  actuators,
  byHand,
  except,
  lifted,
  partsOut,
  jumpers,
}: Partial<Setup>): boolean =>
  [actuators, byHand].every((each) => typeof each === 'object' && each !== null) &&
  [except, lifted, partsOut, jumpers, ...(Array.isArray(jumpers) ? jumpers : [])].every(
    Array.isArray,
  ) &&
  [except, lifted, partsOut, jumpers].flat(2).every((each) => typeof each === 'string');

/** Every name in a setup, and every state that it says something is in. */
function inSetup(diagram: Diagram, setup: Setup, report: Report): void {
  const supplies = diagram.supplies.map((each) => each.id);
  setup.except.forEach((id, i) => {
    if (!supplies.includes(id))
      report(`/except/${i}`, `there is no supply "${id}"; ${oneOf(supplies)}`);
  });
  for (const [id, state] of Object.entries(setup.actuators)) {
    const actuator = diagram.actuators.find((each) => each.id === id);
    const ids = diagram.actuators.map((each) => each.id);
    const message = actuator
      ? wrongState(actuator, state)
      : `there is no actuator "${id}"; ${oneOf(ids)}`;
    if (message !== undefined) report(`/actuators/${id}`, message);
  }
  for (const [id, position] of Object.entries(setup.byHand)) {
    const part = findSwitch(diagram, id);
    if (!part.ok) report(`/byHand/${id}`, part.error.message);
    else {
      const known = positionsOf(diagram, part.value);
      if (!known.includes(position))
        report(`/byHand/${id}`, `"${String(position)}" is not a position; ${oneOf(known)}`);
    }
  }
  setup.lifted.forEach((ref, i) => {
    const found = findTerminal(diagram, ref);
    if (!found.ok) report(`/lifted/${i}`, found.error.message);
  });
  const parts = diagram.parts.map((each) => each.id);
  setup.partsOut.forEach((id, i) => {
    if (!parts.includes(id)) report(`/partsOut/${i}`, `there is no part "${id}"`);
  });
}

function wrongState(actuator: Actuator, state: string | QuantityState): string | undefined {
  if (actuator.kind !== 'quantity') {
    const known = actuator.positions.map((each) => each.id);
    return typeof state === 'string' && known.includes(state)
      ? undefined
      : `"${typeof state === 'string' ? state : 'a value'}" is not a position; ${oneOf(known)}`;
  }
  // A quantity may be said by the side of its set point alone.
  if (state === 'above' || state === 'below') return undefined;
  const quantity = typeof state === 'object' && state !== null ? state : undefined;
  const side = quantity?.cameFrom;
  const whole =
    quantity !== undefined &&
    Number.isFinite(quantity.value) &&
    (side === undefined || side === 'below' || side === 'above');
  return whole ? undefined : `must be a number of ${actuator.unit}, come from below or above`;
}

/** Whether the reading means anything: by its function, its power, and the meter it was taken with. */
function inDisplay(diagram: Diagram, reading: ReadingRecord, report: Report): void {
  const { function: meant, setup, said, meter: id } = reading;
  if (!shownIn(reading)) report('/said', `"${said}" is not a display that says one thing`);
  if (meant === 'volt') {
    if (!diagram.supplies.some((supply) => feeds(setup, supply)))
      report('/setup/power', 'volts are read with something feeding the unit');
  } else if (setup.power !== 'off') {
    report(
      '/setup/power',
      'ohms and beeper are for a dead unit: power off, proved dead; live it is volts',
    );
  }
  const meter = METERS.find((each) => each.id === id);
  if (!meter)
    report('/meter', `there is no meter "${id}"; ${oneOf(METERS.map((each) => each.id))}`);
  else if (meant === 'ohm') inRange(meter, reading, report);
}

function inRange({ ohmRanges }: Meter, { range }: ReadingRecord, report: Report): void {
  const ids = ohmRanges.map((each) => each.id);
  if (range !== undefined && !ids.includes(range))
    report('/range', `there is no range "${range}"; ${oneOf(ids)}`);
}
