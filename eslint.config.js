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

const words = { rules: { 'no-text': require('./scripts/noText.cjs') } };
/** What reads a cook's own words knows them, and the demo is written in them. */
const READERS = [
  'core/recipe/{names,amount,facts,text,lines,read,wish,vesselSizes}.ts',
  'core/recipe/language/**',
  'core/recipe/fixtures/**',
  'core/demo/**',
  'core/testing*.ts',
];

const noNow = { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'time is handed in' };

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
      'no-restricted-syntax': ['error', noNow],
    },
  },
  {
    files: ['core/**/*.ts'],
    // what anchors ask stands on the science page, as the sources of coefficients do: no room says it
    ignores: ['**/*.test.ts', 'core/anchors/**', ...READERS],
    plugins: { words },
    rules: { 'words/no-text': ['error', 'sentences'] },
  },
  {
    files: ['features/**/*.{ts,tsx}', 'ui/**/*.{ts,tsx}'],
    ignores: ['**/*.test.*'],
    plugins: { words },
    rules: { 'words/no-text': ['error', 'everything'] },
  },
]);
