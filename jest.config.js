module.exports = {
  projects: [
    {
      displayName: 'core',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/{core,cli,storage,server,scripts}/**/*.test.ts'],
      transform: {
        '^.+\\.(js|ts|tsx)$': ['babel-jest', { caller: { name: 'metro', bundler: 'metro', platform: 'web' } }],
      },
      moduleNameMapper: { '^@/(.*)$': '<rootDir>/$1' },
    },
    {
      displayName: 'ui',
      preset: 'jest-expo',
      testMatch: ['<rootDir>/{ui,features}/**/*.test.tsx'],
      moduleNameMapper: { '^@/(.*)$': '<rootDir>/$1' },
    },
  ],
};
