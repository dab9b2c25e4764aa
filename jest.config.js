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
  setupFiles: ['<rootDir>/scripts/jestWorker.mjs'],
  globalSetup: '<rootDir>/scripts/jestSetup.mjs',
  globalTeardown: '<rootDir>/scripts/jestTeardown.mjs',
}
