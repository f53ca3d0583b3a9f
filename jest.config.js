const NAMES = {
  '^@/(.*)$': '<rootDir>/$1',
  // the test runner's resolver does not know exports with two stars
  '^chrono-node/en$': require.resolve('chrono-node/en'),
};

/** Looked up in the tests' own world these are slow: the model under test is five times faster with them at hand. */
const AT_HAND = ['Math', 'Number', 'Object', 'Array', 'Map', 'Set', 'JSON', 'Float64Array'];

module.exports = {
  // the machine's two cores are both for this: it would leave one out
  maxWorkers: '100%',
  // finds what hangs, not what a shared machine makes slow
  testTimeout: 120_000,
  projects: [
    {
      displayName: 'core',
      sandboxInjectedGlobals: AT_HAND,
      testEnvironment: 'node',
      testMatch: ['<rootDir>/{core,words,cli,storage,server,scripts,devices,workers,features}/**/*.test.ts'],
      transform: {
        '^.+\\.(mjs|js|ts|tsx)$': ['babel-jest', { caller: { name: 'metro', bundler: 'metro', platform: 'web' } }],
      },
      // these come as modules
      transformIgnorePatterns: ['node_modules/(?!(d3-[a-z-]+|internmap|marked)/)'],
      moduleNameMapper: NAMES,
    },
    {
      displayName: 'ui',
      sandboxInjectedGlobals: AT_HAND,
      preset: 'jest-expo',
      // rooms are drawn in parts, without what they learn when they are fetched
      setupFiles: ['<rootDir>/words/everything.ts'],
      // the icons come one file each, as modules
      transform: {
        '\\.[jt]sx?$': ['babel-jest', { caller: { name: 'metro', bundler: 'metro', platform: 'ios' } }],
        '\\.mjs$': 'babel-jest',
      },
      transformIgnorePatterns: [
        'node_modules/(?!((jest-)?react-native|@react-native|expo|@expo|nativewind|lucide-react-native|react-native-.*|d3-[a-z-]+|internmap|marked))',
      ],
      testMatch: ['<rootDir>/{ui,features,storage}/**/*.test.tsx'],
      moduleNameMapper: NAMES,
    },
  ],
};
