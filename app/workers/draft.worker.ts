import { lintDraft, mendOf } from '../../core/draft/draftLint';
import { fieldTrace } from '../../core/draft/fieldTrace';
import { guessUses } from '../../core/draft/guessUses';
import type { DraftAnswer, DraftQuestion } from './draft';

/**
 * Runs beside the page: what may be wrong in a draft, after each change of it; how such a unit is likely to be used; and what its
 * wires may be, by what was read of them.
 */
addEventListener('message', ({ data }: MessageEvent<DraftQuestion>) => postMessage(answer(data)));

function answer(question: DraftQuestion): DraftAnswer {
  const { number, draft } = question;
  switch (question.ask) {
    case 'lint': {
      const findings = lintDraft(draft).map((finding) => ({
        finding,
        mend: mendOf(draft, finding),
      }));
      return { number, ask: 'lint', findings };
    }
    case 'uses':
      return { number, ask: 'uses', uses: guessUses(draft) };
    case 'trace': {
      const { ends, readings, before } = question;
      return { number, ask: 'trace', traced: fieldTrace(draft, ends, readings, { before }) };
    }
  }
}
