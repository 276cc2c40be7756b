import { defineConfig } from '@playwright/test'
import { PORTS } from './tests/browser/servers'
import { chromium } from './tools/browser.mjs'

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: 'var/browser-tests',
  workers: PORTS.length,
  retries: 0,
  // A busy machine may be slow.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  reporter: [['line'], ['json', { outputFile: 'var/browser-tests.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: chromium,
  },
  webServer: PORTS.map((port, worker) => ({
    command: `bin/start demo --port ${port}`,
    // Work on some ten thousand figures is long here, so that the tests need no more.
    env: { KEEN_DEMO_NAME: `browser-tests-${worker}`, KEEN_LONG_FROM: '20000' },
    url: `http://127.0.0.1:${port}/api/charts`,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
    timeout: 120_000,
  })),
})
