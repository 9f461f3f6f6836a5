/** With `--all`, whatever takes long has its turn. */
export const ALL = process.env.YARRIX_ALL !== undefined;

/**
 * Whose turn it is of what is not tried every time: `./yarrix test` sets it to the number of commits, so that
 * everything has its turn within a few of them; YARRIX_TURN sets it otherwise.
 */
export const TURN = Number(process.env.YARRIX_TURN ?? 0);

/** Tests of a file that came before; files begin at places of their own, so that turns cost alike. */
let place = [...(expect.getState().testPath ?? '')].reduce(
  (sum, letter) => sum + letter.charCodeAt(0),
  0,
);

/** In the place of `it`: a test that takes long, tried every so manieth time. */
export const inTurn = (every: number): jest.It =>
  ALL || (place++ + TURN) % every === 0 ? it : it.skip;
