import MiniSearch from 'minisearch';
import { STATE_WORDS, tradeWords, typedWords } from './tradeWords';

/** What a diagram is found by. */
export interface Findable {
  id: string;
  name: string;
  kind: string;
  /** Parts and what people call them (`searchWords`). */
  words: string;
}

/** Finds diagrams by kind, part, what people call either, or what the unit does not do; spelling is not everything. */
export class DiagramSearch<T extends Findable> {
  private readonly index: MiniSearch<{ id: number; name: string; words: string }>;

  constructor(private readonly all: readonly T[]) {
    this.index = new MiniSearch({
      fields: ['name', 'words'],
      tokenize: (text) => text.split(' '),
      processTerm: (term) => term,
      searchOptions: {
        // What a unit does not do is said of all of them: its part tells them apart.
        tokenize: (text) => typedWords(text).filter((word) => !STATE_WORDS.has(word)),
        boost: { name: 4 },
        fuzzy: (term) => (term.length > 4 ? 0.2 : false),
        prefix: (term) => term.length > 2,
      },
    });
    this.index.addAll(
      all.map(({ name, kind, words }, id) => ({
        id,
        name: tradeWords(`${name} ${kind}`).join(' '),
        words: [...new Set(tradeWords(words))].join(' '),
      })),
    );
  }

  /** Those that have every word, best first; all of them for no words. */
  find(text: string): T[] {
    return this.ranked(text, 'AND') ?? [...this.all];
  }

  /** All of them, those first that have most of the words: for a whole sentence. */
  order(text: string): T[] {
    const first = this.ranked(text, 'OR') ?? [];
    return [...new Set([...first, ...this.all])];
  }

  private ranked(text: string, combineWith: 'AND' | 'OR'): T[] | undefined {
    if (typedWords(text).every((word) => STATE_WORDS.has(word))) return undefined;
    return this.index.search(text, { combineWith }).flatMap(({ id }) => this.all[Number(id)] ?? []);
  }
}
