import { lintDraft, mendOf } from '../../core/draft/draftLint';
import { guessUses } from '../../core/draft/guessUses';
import type { DraftAnswer, DraftQuestion } from './draft';

/** Runs beside the page: what may be wrong in a draft, after each change of it, and how such a unit is likely to be used. */
addEventListener('message', ({ data: { number, ask, draft } }: MessageEvent<DraftQuestion>) => {
  const answer: DraftAnswer =
    ask === 'uses'
      ? { number, ask, uses: guessUses(draft) }
      : {
          number,
          ask,
          findings: lintDraft(draft).map((finding) => ({ finding, mend: mendOf(draft, finding) })),
        };
  postMessage(answer);
});
