import * as fc from 'fast-check';
import { readRecordingCsv, writeRecordingCsv } from './recordingCsv';

const SEED = Number(process.env.SEED ?? 20261128);

describe('a recording as CSV', () => {
  it(`comes back as it was, whatever it has (seed ${SEED})`, () => {
    const ohms = fc.oneof(fc.constant(Infinity), fc.integer({ min: 0, max: 1e6 }));
    const recordings = fc
      .tuple(fc.integer({ min: 2, max: 8 }), fc.integer({ min: 3, max: 40 }))
      .chain(([channels, lines]) =>
        fc.record({
          seconds: fc.constant(Array.from({ length: lines }, (_, i) => i / 100)),
          channels: fc
            .array(fc.array(ohms, { minLength: lines, maxLength: lines }), {
              minLength: channels,
              maxLength: channels,
            })
            .map((all) => all.map((each, i) => ({ name: `channel ${i}`, ohms: each }))),
        }),
      );
    fc.assert(
      fc.property(recordings, (recording) => {
        expect(readRecordingCsv(writeRecordingCsv(recording))).toEqual({
          ok: true,
          value: recording,
        });
      }),
      { seed: SEED, numRuns: 50 },
    );
  });

  it.each([
    ['', 1, 1],
    ['seconds,A\n0,1\n1,1\n2,1', 1, 1],
    [`seconds,${'ABCDEFGHIJK'.split('').join()}\n0,1\n1,1\n2,1`, 1, 1],
    ['seconds,A,"B\n0,1,1\n1,1,1\n2,1,1', 1, 1],
    ['seconds,A,A\n0,1,1\n1,1,1\n2,1,1', 1, 2],
    ['seconds,A,B\n0,1,1', 2, 1],
    ['seconds,A,B\n0,1,1\n0,1,1\n2,1,1', 3, 1],
    ['seconds,A,B\n0,1,1\n1,1,maybe\n2,1,1', 3, 3],
    ['seconds,A,B\n0,1,1\n1,1\n2,1,1', 3, 2],
    // Lines with nothing on them count.
    ['\nseconds,A,B\n\n0,1,1\n1,x,1\n2,1,1', 5, 2],
    ['seconds,A,B\n0,1,1\n1,-4,1\n2,1,1', 3, 2],
  ])('is refused whole, with line and column: %j', (text, line, column) => {
    const read = readRecordingCsv(text);
    expect(read.ok ? undefined : read.error[0]).toMatchObject({ line, column });
  });

  it('takes what other devices write: semicolons with decimal commas, any word for open', () => {
    const read = readRecordingCsv('s;A;B\r\n0,0;0,3;O.L\r\n0,1;;open\r\n0,2;OL;0,2\r\n');
    expect(read).toEqual({
      ok: true,
      value: {
        seconds: [0, 0.1, 0.2],
        channels: [
          { name: 'A', ohms: [0.3, Infinity, Infinity] },
          { name: 'B', ohms: [Infinity, Infinity, 0.2] },
        ],
      },
    });
  });
});
