import { DatabaseAway, failureOf } from './failure';

const coded = (code: string, message = 'said by the server') =>
  Object.assign(new Error(message), { code });

// Codes: PostgreSQL manual, appendix A; system errors: errno(3).
it.each([
  [new DatabaseAway('too many wait'), 'away'],
  [coded('57P01'), 'away'],
  [coded('08006'), 'away'],
  [coded('53300'), 'away'],
  [coded('57014'), 'away'],
  [coded('40P01'), 'away'],
  [coded('53100'), 'full'],
  [coded('22008'), 'input'],
  [coded('23514'), 'input'],
  [coded('42703'), undefined],
  [coded('ECONNREFUSED'), 'away'],
  [coded('ENOENT', 'no socket'), 'away'],
  // Codes of other libraries, which say nothing of a connection.
  [coded('ERR_INVALID_ARG_TYPE', 'an argument'), undefined],
  [coded('E_NOPE', 'something'), undefined],
  [coded('XECONNRESET', 'something'), undefined],
  [new Error('Query read timeout'), 'away'],
  [new Error('Connection terminated unexpectedly'), 'away'],
  [new Error('undefined is not a function'), undefined],
  ['a text', undefined],
  [null, undefined],
])('%s is %s', (error, failure) => {
  expect(failureOf(error)).toBe(failure);
});
