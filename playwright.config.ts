import { defineConfig } from '@playwright/test';

const PORT = 4399;
const DATA = '.pitbell/e2e-data';

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results/browser',
  workers: 2,
  fullyParallel: true,
  forbidOnly: true,
  // On a machine that does other work too a touch can be lost; what needed its second try is printed as flaky, and is to be mended.
  retries: 1,
  timeout: 60_000,
  // A page may take its time where other work goes on: what never comes still fails.
  expect: { timeout: 15_000 },
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.PITBELL_CHROMIUM ?? '/usr/bin/chromium',
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
    trace: 'retain-on-failure',
  },
  webServer: {
    command: `rm -rf ${DATA} && node --import tsx scripts/seed.ts && node scripts/serve.mjs --port ${PORT}`,
    env: { PITBELL_DATA: DATA },
    url: `http://127.0.0.1:${PORT}`,
    reuseExistingServer: false,
    // The demo's year is rehearsed before it serves.
    timeout: 240_000,
  },
});
