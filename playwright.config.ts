import { defineConfig } from '@playwright/test'

import { debianChromium } from './scripts/setup.mjs'

export default defineConfig({
  testDir: 'e2e',
  outputDir: '.udrix/test/playwright',
  // Some tests start and crash a server and a database of their own; machines may be slow.
  timeout: 180_000,
  expect: { timeout: 20_000 },
  // Many tests wait for a server or a database to go and come back: one more than two processors.
  workers: 3,
  fullyParallel: true,
  // What passes at the second try only is told in the summary as flaky, for its cause to be mended.
  retries: 1,
  reporter: [['list'], ['json', { outputFile: '.udrix/test/playwright.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    // Motion has tests of its own; in all others it would only cost time.
    contextOptions: { reducedMotion: 'reduce' },
    trace: 'on-first-retry',
    launchOptions: {
      executablePath: debianChromium(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
