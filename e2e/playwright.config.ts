import { defineConfig } from '@playwright/test';
import { chromium } from '../scripts/setup.mjs';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export default defineConfig({
  testDir: '.',
  outputDir: '../reports/browser',
  workers: 2,
  fullyParallel: true,
  // Two servers, two browsers and a database share two cores: slow is not wrong.
  timeout: 120_000,
  retries: process.env['CI'] === undefined ? 0 : 1,
  expect: { timeout: 20_000 },
  reporter: [['line'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    reducedMotion: 'reduce',
    launchOptions: { executablePath: chromium(), args: FLAGS },
    // Kept while a test runs, a trace costs more than the test.
    trace: 'on-first-retry',
  },
});
