import { defineConfig } from '@playwright/test'
import { chromium } from './tools/browser.mjs'

const port = 8047

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: 'var/browser-tests',
  workers: 1,
  retries: 0,
  timeout: 60_000,
  // A busy machine may be slow.
  expect: { timeout: 15_000 },
  reporter: [['line'], ['json', { outputFile: 'var/browser-tests.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: chromium,
  },
  webServer: {
    command: `bin/start demo --port ${port}`,
    // Work on some ten thousand figures is long here, so that the tests need no more.
    env: { KEEN_DEMO_NAME: 'browser-tests', KEEN_LONG_FROM: '20000' },
    url: `http://127.0.0.1:${port}/api/charts`,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
    timeout: 120_000,
  },
})
