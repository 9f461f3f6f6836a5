import type { Browser } from '../../e2e/browser';
import { inPage, type Written } from './pageLoad';

/** What one answer to the advice took on the work screen, in milliseconds from the press. */
export interface PagePress {
  /** Until its meaning was painted. */
  meaning: number;
  /** Until the next advice, or a verdict, was. */
  advice: number;
  /** The longest task of the page's thread since; 0 for none over 50 ms. */
  longest: number;
}

/** What stands before the first reading, and what answers an advice: of more than one the first that is there. */
const GATES = ['made-safe', 'meter-proved', 'gate-done'];
const ANSWERS = ['key-over', 'key-none', 'answer-runs', 'answer-unknown', 'look-nothing'];
const MOST = 6;
/** A person's hands are elsewhere for at least as long. */
const BETWEEN_MS = 1500;

/** Answers one advice after the other, until there is nothing that one of a few presses answers. */
export async function pressesOf(page: Browser): Promise<PagePress[]> {
  const presses: PagePress[] = [];
  while (presses.length < MOST) {
    await page.driver.sleep(BETWEEN_MS);
    const gates = await Promise.all(GATES.map((gate) => page.has(gate)));
    const gate = GATES[gates.indexOf(true)];
    if (gate) {
      await page.press(gate);
      continue;
    }
    const pressed = await page.driver.executeAsyncScript<PagePress | null>(
      inPage(answer),
      ANSWERS.map((each) => `[data-testid="${each}"]`),
    );
    if (!pressed) break;
    presses.push(pressed);
  }
  return presses;
}

/** Runs in the page. */
function answer(answers: string[], done: (took: PagePress | null) => void): void {
  const is = (id: string): HTMLElement | null =>
    document.querySelector<HTMLElement>(`[data-testid="${id}"]`);
  const key = answers.flatMap((each) => document.querySelector<HTMLElement>(each) ?? [])[0];
  if (!key) return done(null);
  const { written } = window as unknown as { written: Written };
  const before = written.tasks.length;
  const took = { meaning: 0, advice: 0, longest: 0 };
  const from = performance.now();
  const painted = (then: (at: number) => void): void => {
    requestAnimationFrame(() => setTimeout(() => then(performance.now() - from)));
  };
  let taken = false;
  let meant = false;
  const watch = new MutationObserver(() => {
    taken ||= is('thinking') !== null;
    if (!taken) return;
    if (!meant && is('meaning')?.textContent !== '…') {
      meant = true;
      painted((at) => (took.meaning = at));
    }
    if (!meant || is('thinking')) return;
    watch.disconnect();
    painted((at) => {
      took.advice = at;
      // What the browser tells of its tasks comes a little later.
      setTimeout(() => {
        const since = written.tasks.slice(before).map(([, lasted]) => lasted);
        done({ ...took, longest: Math.max(0, ...since) });
      }, 500);
    });
  });
  watch.observe(document, { childList: true, subtree: true, characterData: true });
  key.click();
}
