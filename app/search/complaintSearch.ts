import MiniSearch from 'minisearch';
import type { Diagram, LoadPart } from '../../core/diagram/diagram';
import type { Tellable } from '../../core/inference/tellable';
import { nameSeen, sayDoing } from '../../core/describe/outcome';
import { tradeWords, typedWords, type StateWord } from './tradeWords';
import { sayLast } from '../../core/describe/use';

/** Something that can be told, in a sentence: "Drum does not turn, START held". */
export interface FoundComplaint extends Tellable {
  says: string;
}

/** What is offered at once: more than a thumb reads is none. */
const OFFERED = 4;
/** A find this much below the best is another matter. */
const NEAR = 0.4;
/** Where one thing that is told ends and the next begins. */
const CLAUSES = /[,;.]|\b(?:but|and|yet|though)\b|(?=\bno\b)/i;

/** Finds what a unit can do wrong, or does right, by what a person types of it. */
export class ComplaintSearch {
  private readonly index: MiniSearch<{
    id: number;
    subject: string;
    state: string;
    moment: string;
  }>;
  private readonly all: FoundComplaint[];

  constructor(diagram: Diagram, told: readonly Tellable[]) {
    this.all = told.map((each) => ({
      ...each,
      says: `${sayDoing(diagram, each.subject, each.outcome)}: ${sayLast(diagram, each.steps)}`,
    }));
    this.index = new MiniSearch({
      fields: ['subject', 'state', 'moment'],
      tokenize: (text) => text.split(' '),
      processTerm: (term) => term,
      searchOptions: {
        tokenize: typedWords,
        boost: { subject: 2, state: 3, moment: 1 },
        fuzzy: (term) => (term.length > 4 ? 0.2 : false),
        prefix: (term) => term.length > 3,
        boostDocument: (id) => 1 + 0.5 * Math.sqrt(this.all[Number(id)]?.share ?? 0),
      },
    });
    this.index.addAll(
      this.all.map((told, id) => ({
        id,
        subject: tradeWords(subjectWords(diagram, told.subject)).join(' '),
        state: [
          ...(told.works ? ['works'] : statesOf(diagram, told)),
          ...tradeWords(told.says),
        ].join(' '),
        moment: tradeWords(sayLast(diagram, told.steps)).join(' '),
      })),
    );
  }

  /** What fits a text best, at most four, by turns of each thing told; nothing where it speaks of nothing here. */
  find(text: string): FoundComplaint[] {
    const each = text.split(CLAUSES).map((clause) => this.search(clause));
    const turns = Array.from({ length: OFFERED }, (_, i) => each.flatMap((list) => list[i] ?? []));
    return [...new Set(turns.flat())].slice(0, OFFERED);
  }

  private search(clause: string): FoundComplaint[] {
    const found = this.index.search(clause);
    const best = found[0]?.score ?? 0;
    return found
      .filter(({ score }) => score >= NEAR * best)
      .flatMap(({ id }) => this.all[Number(id)] ?? []);
  }
}

/** All that a subject is called. */
function subjectWords(diagram: Diagram, id: string): string {
  const part = diagram.parts.find((each) => each.id === id);
  const { name = '', aliases = [] } = part ?? {};
  return [nameSeen(diagram, id), name, ...aliases.map(({ word }) => word)].join(' ');
}

/** The words for a state that no unit has of its own. */
function statesOf(diagram: Diagram, { subject, outcome, steps }: Tellable): StateWord[] {
  const part = diagram.parts.find((each) => each.id === subject);
  const warms = diagram.actuators.some(
    (each) =>
      each.kind === 'quantity' && each.quantity === 'temperature' && each.driven?.by === subject,
  );
  switch (outcome) {
    case 'off':
    case 'quits':
    case 'stops': {
      const said: StateWord[] = warms ? ['off', 'noheat'] : ['off'];
      if (part?.kind === 'board') said.push('dead', 'nolight');
      if (part?.kind !== 'load') return said;
      said.push(STILL[part.load]);
      if (outcome === 'off') said.push('dead');
      if (outcome === 'stops' && letGo(diagram, steps)) said.push('onlywhile');
      return said;
    }
    case 'runs':
      return ['stayson'];
    case 'never-pauses':
      return warms ? ['stayson', 'toohot'] : ['stayson'];
    case 'hums':
      return ['hums'];
    case 'weak':
      return ['weakly'];
    case 'cycles':
    case 'chatters':
      return ['onandoff'];
    case 'opens':
      return ['trips'];
    default:
      return [];
  }
}

const STILL: Record<LoadPart['load'], StateWord> = {
  heater: 'noheat',
  lamp: 'nolight',
  motor: 'norun',
  coil: 'noaction',
  transformer: 'noheat',
};

/** Whether the last of some steps lets a button go, however long is waited then. */
function letGo({ actuators }: Diagram, steps: string): boolean {
  const moved = steps.replace(/(?:,\s*wait=\d+)+$/, '');
  return actuators.some(
    (each) => each.kind === 'momentary' && moved.endsWith(`${each.id}=${each.rest}`),
  );
}
