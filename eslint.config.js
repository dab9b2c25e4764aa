import js from '@eslint/js'
import reactHooks from 'eslint-plugin-react-hooks'
import { defineConfig } from 'eslint/config'
import globals from 'globals'
import tseslint from 'typescript-eslint'

export default defineConfig(
  {
    ignores: [
      'build/**',
      '.react-router',
      '.udrix',
      'app/.server/db/migrations',
      '.dependency-cruiser.cjs',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.strictTypeChecked,
  ...tseslint.configs.stylisticTypeChecked,
  {
    languageOptions: {
      globals: globals.node,
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      // 1.3558179483314004 is how the standard writes it; the nearest double is what we mean.
      'no-loss-of-precision': 'off',
      // Loaders throw responses; that is how the router is meant to be used.
      '@typescript-eslint/only-throw-error': 'off',
    },
  },
  { files: ['app/**/*.{ts,tsx}'], ...reactHooks.configs.flat.recommended },
  // A fixture without dependencies is written ({}, use) by Playwright's design.
  { files: ['e2e/**/*.ts'], rules: { 'no-empty-pattern': 'off' } },
)
