/**
 * What Stryker runs for each change (`./yarrix mutate`): the quick tests of the folder that was
 * changed, and of the next one up where it is the one that tells. A mutant has to be noticed near by.
 */
const { projects, testTimeout } = require('./jest.config.js');

/** What technicians tell of small units and what may be said of it then: it goes through all of these folders. */
const SITUATIONS = 'core/simulate/situations.library.test.ts';
const TESTS = {
  'core/circuit': ['core/circuit/**/*.test.ts', 'core/behaviour/**/*.test.ts'],
  'core/inference': ['core/inference/**/*.test.ts', 'core/simulate/walks.test.ts', SITUATIONS],
  'core/plan': ['core/plan/**/*.test.ts', 'core/simulate/walks.test.ts', SITUATIONS],
  'core/meter': ['core/meter/**/*.test.ts'],
  'core/call': ['core/call/**/*.test.ts', SITUATIONS],
  contract: ['contract/**/*.test.ts'],
  server: ['server/**/*.test.ts'],
};
/** Left out for their time: what is tried on many diagrams, random drafts, and wrong requests by the thousand. */
const SLOW = [
  '(?<!situations)\\.library\\.test\\.ts$',
  'anyDraft\\.test\\.ts$',
  'fuzz\\.test\\.ts$',
];

const core = projects.find((each) => each.displayName === 'core');

module.exports = {
  ...core,
  displayName: undefined,
  testTimeout,
  testMatch: (TESTS[process.env.YARRIX_MUTATE] ?? []).map((each) => `<rootDir>/${each}`),
  testPathIgnorePatterns: SLOW,
  moduleNameMapper: { '^\\.\\.?/thread$': '<rootDir>/tools/threadInPlace.ts' },
};
