const { defineConfig } = require('eslint/config');
const expo = require('eslint-config-expo/flat');

const shells = [
  'react',
  'react-*',
  'react-native',
  'react-native-*',
  'expo*',
  '@react-native*',
  '@tanstack/*',
  'nativewind',
];

/** The arrows between folders are held by .dependency-cruiser.cjs; here what a single file may touch. */
module.exports = defineConfig([
  expo,
  { ignores: ['dist/*', 'node_modules/*', '.expo/*', '.cache/*', 'public/*'] },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: shells }],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'localStorage',
        'indexedDB',
        'navigator',
        'fetch',
        'setTimeout',
        'setInterval',
        'performance',
        'self',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'time is handed in' },
        { object: 'Math', property: 'random', message: 'randomness is handed in' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'time is handed in' },
      ],
    },
  },
]);
