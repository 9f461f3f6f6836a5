/** What Stryker runs for each change (`./yarrix mutate`): the quick tests of what has no screen. */
const { projects } = require('./jest.config.js');

const core = projects.find((each) => each.displayName === 'core');

module.exports = {
  ...core,
  displayName: undefined,
  testMatch: [
    ...core.testMatch,
    '<rootDir>/contract/**/*.test.ts',
    // The command has started their database.
    '<rootDir>/server/**/*.test.ts',
  ],
};
