import type { Outcome } from '../behaviour/statement';
import type { CauseOutcome } from '../call/cause';
import type { LogEntry } from '../call/record';
import type { Diagram, TerminalRef } from '../diagram/diagram';
import type { PutRight } from '../call/putRight';
import { sayAcknowledged } from './acknowledged';
import { nameCheck, sayChecked } from './closingChecks';
import { DISTURBANCE_NAMES, nameLine, sayLineKey, sayPutBack } from './ledger';
import { lineNamed } from '../call/ledgerLine';
import { OPTION_WORDS } from './option';
import { sayDoing } from './outcome';
import { sayPoints } from './point';
import { REASON_WORDS } from './refusal';
import { ACT_WORDS, nameOf, SIGHT_WORDS } from './unit';

/** What was said of a cause. */
export const CAUSE_WORDS: Record<CauseOutcome, string> = {
  found: 'found',
  'not-there': 'not there',
  refused: 'not looked for',
};

/** What a call was put right by. */
export const PUT_RIGHT_WORDS: Record<PutRight['by'], string> = {
  found: 'it was what was found',
  other: 'it was something else',
  nothing: 'nothing was wrong with it',
  'not-known': 'not known yet',
};

/** What is said in an entry, before it has its id. */
type Said = {
  [K in LogEntry['kind']]: { kind: K; body: Extract<LogEntry, { kind: K }>['body'] };
}[LogEntry['kind']];

/**
 * Any line of a call's log in a sentence.
 * @param diagram undefined where it is not at hand: then nobody is shown what the model calls a part
 */
export function sayLogEntry(diagram: Diagram | undefined, entry: Said): string {
  const named = (id: string): string => (diagram ? nameOf(diagram, id) : 'a part');
  switch (entry.kind) {
    case 'reading': {
      const { from, to, said } = entry.body;
      return `Reading${diagram ? ` ${sayPoints(diagram, from, to)}` : ''}: ${said}`;
    }
    case 'statement': {
      const { source, subject, outcome } = entry.body;
      const what = diagram ? sayDoing(diagram, subject, outcome as Outcome) : outcome;
      return `${source === 'told' ? 'Told' : 'Seen'}: ${what}`;
    }
    case 'look': {
      const look = diagram?.looks?.find(({ id }) => id === entry.body.look);
      return `Looked: ${look?.says ?? 'a quick look'}: ${entry.body.found ? 'found' : 'nothing'}`;
    }
    case 'sight':
      return `Noticed: ${named(entry.body.part)} ${SIGHT_WORDS[entry.body.sight]}`;
    case 'measurement':
      return `Measured: ${named(entry.body.actuator)} ${entry.body.value}`;
    case 'act':
      return `Done: ${named(entry.body.part)} ${ACT_WORDS[entry.body.act]}`;
    case 'refusal':
      return `Test not done: ${REASON_WORDS[entry.body.why]}`;
    case 'correction':
      return `Corrected: ${Object.values(entry.body).join(', ')}`;
    case 'doubt':
      return `Taken back: ${entry.body.reason}`;
    case 'stage':
      return entry.body.stage === 'done' ? 'Call finished' : 'Call opened again';
    case 'acknowledged':
      return `Confirmed: ${sayAcknowledged(entry.body)}`;
    case 'diagram':
      return `Version ${entry.body.version} of the diagram`;
    case 'opened': {
      const { what } = entry.body;
      return `${DISTURBANCE_NAMES[what]}${diagram ? `: ${nameLine(diagram, entry.body)}` : ''}`;
    }
    case 'closed': {
      const { line, how, words } = entry.body;
      const what = lineNamed(line)?.what;
      const name = diagram ? sayLineKey(diagram, line) : 'a thing that was open';
      if (how === 'left') return `Stays as it is: ${name}: ${words ?? ''}`;
      return `Put right: ${name}${what ? `: ${sayPutBack(what).toLowerCase()}` : ''}`;
    }
    case 'wire-map': {
      const { part, wires, keyed } = entry.body;
      return `Wire map of ${named(part)}: ${keyed ? 'keyed plug' : sayMap(wires)}`;
    }
    case 'cause': {
      const { part, cause, outcome, words } = entry.body;
      return `Cause for ${named(part)}: ${cause}: ${CAUSE_WORDS[outcome]}${words === undefined ? '' : `, ${words}`}`;
    }
    case 'found': {
      const { part, says } = entry.body;
      return `Found: ${part === undefined ? 'nothing wrong in this unit' : `${named(part)}: ${says}`}`;
    }
    case 'fit': {
      const { part, words, used } = entry.body;
      return `Held against ${named(part)}: ${words}${used ? ', used' : ''}`;
    }
    case 'order': {
      const { events, way } = entry.body;
      const order = events.map(({ part }) => named(part)).join(', then ');
      return `Order on ${way === 'opening' ? 'opening' : 'closing'}: ${order}`;
    }
    case 'checked':
      return `Checked: ${diagram ? nameCheck(diagram, entry.body) : 'before it is handed back'}: ${sayChecked(entry.body)}`;
    case 'put-right': {
      const { by, part } = entry.body;
      return `In the end: ${part === undefined ? PUT_RIGHT_WORDS[by] : named(part)}`;
    }
    case 'decision': {
      const { part, option } = entry.body;
      return `Decided: ${OPTION_WORDS[option]}${part === undefined ? '' : `: ${named(part)}`}`;
    }
  }
}

/** "A1 BK, A2 BU-WH". */
const sayMap = (wires: readonly { at: TerminalRef; colour: string }[]): string =>
  wires.map(({ at, colour }) => `${at.slice(at.indexOf('.') + 1)} ${colour}`).join(', ');
