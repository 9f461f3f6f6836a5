import type { Outcome } from '../behaviour/statement';
import type { Diagram, LoadPart } from '../diagram/diagram';
import { nameOfOwner } from './fault';

type Words = Partial<Record<Outcome, string>>;

/** What nobody sees, but for what it makes others do. */
const AT_WORK: Words = {
  off: 'does nothing',
  runs: 'works',
  hums: 'only hums',
  weak: 'works weakly',
  quits: 'works, then quits',
  cycles: 'works and pauses',
  'never-pauses': 'never pauses',
  chatters: 'chatters',
};

/** What a load can be seen to do, in the words of who sees it; the commonest first. */
const BY_LOAD: Record<LoadPart['load'], Words> = {
  heater: {
    off: 'stays cold',
    runs: 'gets hot',
    weak: 'only gets warm',
    quits: 'gets hot, then stops',
    cycles: 'gets hot and pauses',
    'never-pauses': 'never pauses: too hot',
    stops: 'goes cold',
    chatters: 'chatters',
  },
  lamp: {
    off: 'stays off',
    runs: 'is on',
    weak: 'is dim',
    quits: 'is on, then goes off',
    cycles: 'comes and goes',
    'never-pauses': 'never goes off',
    stops: 'goes off',
    chatters: 'flickers',
  },
  motor: {
    off: 'does not run',
    runs: 'runs',
    hums: 'only hums',
    quits: 'starts, then quits',
    weak: 'runs weakly',
    cycles: 'runs and pauses',
    'never-pauses': 'never pauses',
    stops: 'stops',
    chatters: 'chatters',
  },
  coil: { ...AT_WORK, stops: 'lets go' },
  transformer: { ...AT_WORK, stops: 'stops' },
};
/** What people do not tell apart from "off" is not offered beside it. */
const NOT_OFFERED: readonly Outcome[] = ['stops'];

/** What a fuse, a breaker or an overload can be seen to do. */
const OF_PROTECTORS: Words = {
  opens: 'trips or blows then',
  open: 'was open already',
  whole: 'stays whole',
};

const find = (diagram: Diagram, subject: string) =>
  diagram.parts.find((part) => part.id === subject);

function wordsOf(diagram: Diagram, subject: string): Words {
  const part = find(diagram, subject);
  const { off, runs } = part?.seenAs ?? {};
  if (part?.kind === 'load')
    return {
      ...BY_LOAD[part.load],
      ...(off !== undefined && { off }),
      ...(runs !== undefined && { runs }),
    };
  return part?.kind === 'board' ? { off: 'is dead' } : OF_PROTECTORS;
}

/** What can be seen of a subject: a load's doings, what a board says, whether a protector holds. */
export function sayableOutcomes(diagram: Diagram, subject: string): [Outcome, string][] {
  const words = Object.entries(wordsOf(diagram, subject)) as [Outcome, string][];
  const board = find(diagram, subject);
  if (board?.kind !== 'board')
    return words.filter(
      ([each]) =>
        !NOT_OFFERED.includes(each) && (each !== 'never-pauses' || moves(diagram, subject)),
    );
  const says = new Set(board.logic?.states.map((state) => state.says));
  return [...words, ...[...says].map((text): [Outcome, string] => [`says ${text}`, text])];
}

/** Whether a load moves a quantity, and so may be switched by what it does. */
const moves = ({ actuators }: Diagram, load: string): boolean =>
  actuators.some((each) => each.kind === 'quantity' && each.driven?.by === load);

/** What a subject does: "stays cold", "trips or blows then". */
export const sayOutcome = (diagram: Diagram, subject: string, outcome: Outcome): string =>
  wordsOf(diagram, subject)[outcome] ?? outcome;

/** What a person calls a part that is looked at while the unit is used: "burner, left front". */
export const nameSeen = (diagram: Diagram, id: string): string =>
  find(diagram, id)?.seenAs?.name ??
  (isFused(diagram, id) ? 'Breaker or house fuse' : (nameOfOwner(diagram, id) ?? id));

const isFused = ({ supplies }: Diagram, id: string): boolean =>
  supplies.some((each) => each.id === id && each.amps !== undefined);

/** A statement in the words of who sees it: "Burner, left front stays cold". */
export const sayDoing = (diagram: Diagram, subject: string, outcome: Outcome): string =>
  outcome.startsWith('says ')
    ? `${nameSeen(diagram, subject)}: ${outcome.slice('says '.length)}`
    : `${nameSeen(diagram, subject)} ${sayOutcome(diagram, subject, outcome)}`;
