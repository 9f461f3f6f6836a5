const node = {
  testEnvironment: 'node',
  transform: { '\\.tsx?$': '<rootDir>/tools/jestTransform.js' },
  setupFiles: ['reflect-metadata'],
  // Copies of the tree that a mutation run works in.
  modulePathIgnorePatterns: ['<rootDir>/.yarrix/', '<rootDir>/dist/'],
};

const OVER_THE_LIBRARY = '\\.library\\.test\\.ts$';

/** One project for each runner: what runs in Node, what runs in a page, what drives a browser. */
module.exports = {
  // A machine that has other work is no failure.
  testTimeout: 30_000,
  projects: [
    {
      ...node,
      displayName: 'core',
      testMatch: ['<rootDir>/core/**/*.test.ts'],
      testPathIgnorePatterns: [OVER_THE_LIBRARY],
    },
    // What is tried over every built-in diagram takes its time: a project of its own.
    {
      ...node,
      displayName: 'library',
      testMatch: ['<rootDir>/core/**/*.library.test.ts', '<rootDir>/library/**/*.library.test.ts'],
    },
    { ...node, displayName: 'contract', testMatch: ['<rootDir>/contract/**/*.test.ts'] },
    { ...node, displayName: 'tools', testMatch: ['<rootDir>/tools/**/*.test.ts'] },
    {
      ...node,
      displayName: 'server',
      globalSetup: '<rootDir>/tools/testDatabase.ts',
      globalTeardown: '<rootDir>/tools/testDatabaseDown.ts',
      testMatch: ['<rootDir>/server/**/*.test.ts'],
    },
    {
      displayName: 'app',
      preset: 'jest-expo/web',
      testMatch: ['<rootDir>/app/**/*.test.ts', '<rootDir>/app/**/*.test.tsx'],
      setupFiles: ['reflect-metadata'],
      transformIgnorePatterns: [
        '/node_modules/(?!((jest-)?react-native|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|react-navigation|@react-navigation/.*|react-redux|@reduxjs/toolkit|immer|redux|reselect|redux-thunk|idb)/)',
      ],
    },
    {
      ...node,
      displayName: 'e2e',
      globalSetup: '<rootDir>/e2e/startedOnce.ts',
      globalTeardown: '<rootDir>/e2e/startedOnceGone.ts',
      testMatch: ['<rootDir>/e2e/**/*.test.ts'],
    },
  ],
};
