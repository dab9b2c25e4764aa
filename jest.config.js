/** @type {import('jest').Config} */
export default {
  testMatch: ['<rootDir>/{core,app,scripts}/**/*.test.{ts,tsx}'],
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
  // Property tests against a database take their time on a shared machine.
  testTimeout: 60_000,
  setupFiles: ['<rootDir>/scripts/jestWorker.mjs'],
  globalSetup: '<rootDir>/scripts/jestSetup.mjs',
  globalTeardown: '<rootDir>/scripts/jestTeardown.mjs',
}
