/**
 * The server's thread (`server/thread.ts`) for a mutation run, in the test's own process: what a
 * mutant changes in a real one would run unseen, and count as tried by no test.
 */
export class Thread<Question, Answer> {
  constructor(private readonly file: string) {}

  async ask(question: Question): Promise<Answer> {
    const { default: answer } = (await import(this.file)) as {
      default: (question: Question) => Answer | Promise<Answer>;
    };
    return await answer(structuredClone(question));
  }

  async close(): Promise<void> {}
}
