import { defineConfig } from '@playwright/test';

export const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
const port = process.env['MANSUET_PORT'] ?? '';

/** Production build, real server, real PostgreSQL with a throw-away database: `./mansuet test browser` starts all of it. */
export default defineConfig({
  testDir: '.',
  testMatch: '*.e2e.ts',
  workers: 1,
  retries: 0,
  // Limits, not waits: nothing is slower for them. A shared machine was seen four times slower than usual.
  timeout: 300_000,
  expect: { timeout: 40_000 },
  reporter: [['list'], ['./closing-line.ts']],
  outputDir: '../test-results',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    timezoneId: 'UTC',
    // Only the tests of a device without a network let it in: in all others every page would fetch the whole application first.
    serviceWorkers: 'block',
    launchOptions: { executablePath: '/usr/bin/chromium', args: CHROMIUM_FLAGS },
    screenshot: 'only-on-failure',
    // What is in the way of a click is said long before the test ends.
    actionTimeout: 60_000,
    navigationTimeout: 120_000,
  },
  webServer: {
    command: 'node demo/dist/main.js && exec node server/dist/main.js',
    cwd: '..',
    url: `http://127.0.0.1:${port}/api/health`,
    reuseExistingServer: false,
    timeout: 240_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
  },
});
