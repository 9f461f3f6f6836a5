const { defineConfig } = require('eslint/config');
const expo = require('eslint-config-expo/flat');
const typescript = require('@typescript-eslint/eslint-plugin');

module.exports = defineConfig([
  { ignores: ['dist/', '.expo/', '.yarrix/', 'node_modules/'] },
  expo,
  {
    files: ['*.js', 'tools/*.js'],
    languageOptions: { globals: { Buffer: 'readonly', __dirname: 'readonly' } },
  },
  {
    files: ['**/*.ts', '**/*.tsx'],
    plugins: { '@typescript-eslint': typescript },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/ban-ts-comment': 'error',
      'max-lines': ['error', { max: 300, skipComments: true, skipBlankLines: true }],
      'no-console': 'error',
      eqeqeq: 'error',
    },
  },
  // A diagram is one file of data, however big the unit.
  { files: ['library/**'], rules: { 'max-lines': 'off' } },
]);
