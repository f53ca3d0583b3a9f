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

/** Words stand in words/: a text that a cook would read is a code elsewhere. */
const message = 'a text that is read belongs into words/';
const CODE = ':not([value=/^[a-zA-Z]+\\.[^ ]/])';
const SENTENCE = "[value=/^[A-Z][a-zé’']+(,? [a-zé0-9’']+)+|[a-z]{2,} .*[a-z]{2,}[.!?]$|^[a-z]+(,? [a-z’]+){5,}$/]";
const spared = (kind) =>
  [
    'ThrowStatement',
    "CallExpression[callee.name='table']",
    'TSLiteralType',
    "CallExpression[callee.type='Super']",
    // what the independent checker of a schedule finds is for a developer
    "CallExpression[callee.object.name='wrong']",
    'ImportDeclaration',
    'NewExpression[callee.name=/Error$/]',
  ]
    .map((inside) => `:not(${inside} ${kind})`)
    .join('');
const CLASSES = ':not(JSXAttribute[name.name=/^(className|contentContainerClassName|d|transform|viewBox)$/] *)';
const SHOWN = '/^(title|label|sub|text|word|placeholder|aria-label|spoken|note|hint|message|error)$/';
const noSentence = [
  { selector: `Literal${SENTENCE}${CODE}${spared('Literal')}${CLASSES}`, message },
  { selector: `TemplateElement[value.raw=/[a-z]{3,},? [a-z]{2,}/]${spared('TemplateElement')}${CLASSES}`, message },
];
const noText = [
  ...noSentence,
  { selector: 'JSXText[value=/[A-Za-z]{2}/]', message },
  { selector: `JSXAttribute[name.name=${SHOWN}] > Literal[value=/[A-Za-z]{2}/]`, message },
  {
    selector: `JSXAttribute[name.name=${SHOWN}] ConditionalExpression > Literal[value=/[A-Za-z]{2}/].consequent`,
    message,
  },
  {
    selector: `JSXAttribute[name.name=${SHOWN}] ConditionalExpression > Literal[value=/[A-Za-z]{2}/].alternate`,
    message,
  },
  { selector: 'JSXElement > JSXExpressionContainer > Literal[value=/[A-Za-z]{2}/]', message },
  {
    selector:
      'JSXElement > JSXExpressionContainer > ConditionalExpression > Literal[value=/[A-Za-z]{2}/]:not(:first-child)',
    message,
  },
  {
    selector:
      'Property[key.name=/^(label|sub|title|cue|manner)$/] > Literal[value=/[A-Za-z]{2}/]:not([value=/[a-z]-/])',
    message,
  },
];
/** What reads a cook's own words knows them, and the demo is written in them. */
const READERS = [
  'core/recipe/{names,amount,facts,text,lines,read,wish}.ts',
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
    ignores: ['**/*.test.ts', ...READERS],
    rules: { 'no-restricted-syntax': ['error', noNow, ...noSentence] },
  },
  {
    files: ['features/**/*.{ts,tsx}', 'ui/**/*.{ts,tsx}'],
    ignores: ['**/*.test.*'],
    rules: { 'no-restricted-syntax': ['error', ...noText] },
  },
]);
