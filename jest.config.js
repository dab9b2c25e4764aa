/** What the tests of both kinds are read with. */
const SHARED = {
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2023' },
        module: { type: 'es6' },
      },
    ],
  },
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleNameMapper: { '^~/(.*)$': '<rootDir>/app/$1', '^core$': '<rootDir>/core/index.ts' },
  testEnvironment: 'node',
}

/** @type {import('jest').Config} */
export default {
  // Property tests against a database take their time on a shared machine.
  testTimeout: 60_000,
  projects: [
    {
      ...SHARED,
      displayName: 'logic',
      testMatch: ['<rootDir>/{core,app}/**/*.test.{ts,tsx}'],
      testPathIgnorePatterns: ['/app/\\.server/', '/node_modules/'],
      setupFiles: ['<rootDir>/scripts/jestSeed.mjs'],
    },
    {
      ...SHARED,
      // Only these have a PostgreSQL started for them.
      displayName: 'services',
      testMatch: ['<rootDir>/{app/.server,scripts}/**/*.test.{ts,tsx}'],
      setupFiles: ['<rootDir>/scripts/jestSeed.mjs', '<rootDir>/scripts/jestWorker.mjs'],
      globalSetup: '<rootDir>/scripts/jestSetup.mjs',
      globalTeardown: '<rootDir>/scripts/jestTeardown.mjs',
    },
  ],
}
