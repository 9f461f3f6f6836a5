const node = {
  testEnvironment: 'node',
  transform: { '\\.tsx?$': 'babel-jest' },
  setupFiles: ['reflect-metadata'],
};

/** One project for each runner: what runs in Node, what runs in a page, what drives a browser. */
module.exports = {
  projects: [
    {
      ...node,
      displayName: 'core',
      testMatch: ['<rootDir>/core/**/*.test.ts', '<rootDir>/library/**/*.test.ts'],
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
    { ...node, displayName: 'e2e', testMatch: ['<rootDir>/e2e/**/*.test.ts'] },
  ],
};
