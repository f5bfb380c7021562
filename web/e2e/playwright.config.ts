import { defineConfig } from '@playwright/test'

import { portOf, WORKERS } from './ports'

export default defineConfig({
  testDir: '.',
  testMatch: '*.e2e.ts',
  outputDir: '../../test-results/browser',
  fullyParallel: false,
  // Each worker has a server and a database of its own (see support.ts).
  workers: WORKERS,
  retries: 0,
  timeout: 240_000,
  expect: { timeout: 60_000 },
  // The JSON report is for `npm test`, which counts from it.
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['list'], ['json']] : [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    },
  },
  webServer: Array.from({ length: WORKERS }, (_, worker) => ({
    command: `node web/e2e/serve-demo.mjs ${portOf(worker)}`,
    cwd: '../..',
    url: `http://127.0.0.1:${portOf(worker)}/api/health`,
    timeout: 600_000,
    reuseExistingServer: false,
    stdout: 'pipe' as const,
  })),
})
