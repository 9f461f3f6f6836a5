import MiniSearch from 'minisearch';
import type { Diagram, Part, Supply, Terminal, TerminalRef } from '../../core/diagram/diagram';
import { owners, terminalRef } from '../../core/diagram/terminal';
import { foldText } from '../../core/describe/searchWords';

/** What is typed of a place: the part that is meant, and those of its terminals that were named, in that order. */
export interface FoundPoints {
  part: Part | Supply;
  points: TerminalRef[];
}

/** Finds parts and their terminals by what somebody types: "primary com no". */
export class PointSearch {
  private readonly index: MiniSearch<{ id: string; name: string; words: string }>;
  private readonly byId: ReadonlyMap<string, Part | Supply>;

  constructor(diagram: Diagram) {
    const all = owners(diagram).filter(({ terminals }) => terminals.length > 0);
    this.byId = new Map(all.map((each) => [each.id, each]));
    this.index = new MiniSearch({
      fields: ['name', 'words'],
      searchOptions: {
        boost: { name: 3 },
        // A letter alone is a terminal.
        prefix: (term) => term.length > 1,
        fuzzy: (term) => (term.length > 3 ? 0.25 : false),
      },
    });
    this.index.addAll(
      all.map((each) => ({ id: each.id, name: foldText(each.name), words: wordsOf(each) })),
    );
  }

  /** The parts that fit best, at most so many, each with the terminals that were named beside it. */
  find(text: string, most = 3): FoundPoints[] {
    const words = foldText(text).split(/\s+/).filter(Boolean);
    return this.index
      .search(words.join(' '))
      .slice(0, most)
      .flatMap(({ id }) => {
        const part = this.byId.get(String(id));
        return part ? [{ part, points: pointsIn(part, words) }] : [];
      });
  }
}

const wordsOf = (each: Part | Supply): string =>
  foldText('aliases' in each && each.aliases ? each.aliases.map(({ word }) => word).join(' ') : '');

/** Terminals that are named by what is stamped beside them, each once; a letter of the part's name is none. */
function pointsIn(part: Part | Supply, words: readonly string[]): TerminalRef[] {
  const named = foldText(part.name).split(/\s+/);
  const stamped = ({ id, label }: Terminal): string[] => [id, label ?? id].map(foldText);
  const found = words.flatMap((word) => {
    const terminal = part.terminals.find((each) => stamped(each).includes(word));
    return terminal && !named.includes(word) ? [terminalRef(part.id, terminal.id)] : [];
  });
  return [...new Set(found)].slice(0, 2);
}
