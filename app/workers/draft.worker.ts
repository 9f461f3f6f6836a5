import { lintDraft, mendOf } from '../../core/draft/draftLint';
import type { DraftAnswer, DraftQuestion } from './draft';

/** Runs beside the page: what may be wrong in a draft, after each change of it. */
addEventListener('message', ({ data: { number, draft } }: MessageEvent<DraftQuestion>) => {
  const findings = lintDraft(draft).map((finding) => ({ finding, mend: mendOf(draft, finding) }));
  postMessage({ number, findings } satisfies DraftAnswer);
});
