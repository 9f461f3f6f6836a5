import { soak } from '../tools/soak/soak';
import { ALL, inTurn } from '../tools/inTurn';

jest.setTimeout(300_000);

const SEED = Number(process.env.YARRIX_SEED ?? 20261126);
/** What is killed, once each; in the full run every other trouble too. `./yarrix soak` goes on for as long as it is told. */
const ROUNDS = ALL ? 8 : 4;

inTurn(3)(
  `loses, doubles and disorders nothing, whatever is done to it (seed ${SEED})`,
  async () => {
    const { faults, confirmed, rounds } = await soak(
      SEED,
      (round) => round < ROUNDS,
      (line) => process.stderr.write(`soak: ${line}\n`),
    );
    expect(faults.filter((each) => !/starts took/.test(each))).toEqual([]);
    expect(confirmed).toBeGreaterThan(100);
    expect(Object.keys(rounds).length).toBeGreaterThanOrEqual(ROUNDS - 1);
  },
);
