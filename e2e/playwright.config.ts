// What the tests share with the application is read as it stands; only the tests themselves are left to Playwright.
import '../core/testing/typescript.mjs'
import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: '.',
  globalSetup: './original.ts',
  outputDir: '../test-results',
  // Two machines' worth of cores at the least; each test has a server and a database of its own.
  workers: 2,
  fullyParallel: true,
  timeout: 300_000,
  expect: { timeout: 20_000 },
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 30_000,
    launchOptions: {
      executablePath: '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // Windows that follow each other run in one process, which has read the scripts before: see viatica.ts.
        '--process-per-site',
      ],
    },
  },
})
