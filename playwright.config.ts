import { defineConfig, devices } from '@playwright/test';
import { chromiumProgram, ensureChromium } from './scripts/machine.mjs';

ensureChromium();

export default defineConfig({
  testDir: 'e2e',
  fullyParallel: false,
  // Two at a time, each with its own server and copy of the database: one leaves a third of two cores idle.
  workers: 2,
  timeout: 90_000,
  // What takes half a second on a quiet machine may take several on a busy one.
  expect: { timeout: 12_000 },
  retries: 1,
  globalSetup: './e2e/cluster.ts',
  // What takes longest by itself begins first, so that nothing waits for it alone at the end.
  projects: [
    { name: 'start', testMatch: /start\.spec/ },
    { name: 'app', testIgnore: /start\.spec/ },
  ],
  reporter: process.env['PLAYWRIGHT_JSON_OUTPUT_NAME'] ? [['list'], ['json']] : [['list']],
  use: {
    ...devices['Desktop Chrome'],
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    trace: 'off',
    // Keeping the whole programme for no network costs each new browser seconds: only where it is tested (`worksOffline`).
    serviceWorkers: 'block',
    // Whatever hangs is named, long before the whole test gives up.
    navigationTimeout: 45_000,
    actionTimeout: 45_000,
    launchOptions: {
      executablePath: chromiumProgram(),
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
});
