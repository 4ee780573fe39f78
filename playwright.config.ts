import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

/** Desk and phone run beside each other, each against a demo of its own: port, data and results come from the environment. */
const PORT = Number(process.env.GOODARC_E2E_PORT ?? 4390);
/** Where one of the tests puts a web server with HTTPS before it. */
const PROXY_ORIGIN = `https://localhost:${PORT + 1000}`;

/**
 * One worker against one demo of its own, with its own data; the simulated machines feed four times as fast. They wait four seconds for a heartbeat
 * that a starved processor sends late; the one second of the protocol is tested in packages/line, on a clock of its own.
 */
export default defineConfig({
  testDir: 'e2e',
  workers: 1,
  // a journey by keyboard walks every control of its pages, while two browsers and two demos share the processor
  timeout: 300_000,
  // two browsers, two demos and their machines share the processor; what needs a second try is listed as flaky at the end
  retries: 1,
  // a page of a starved processor has taken 20 s until it listens; what is waited for is a state, and it comes
  expect: { timeout: 45_000 },
  reporter: [['list'], ['json']],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    actionTimeout: 45_000,
    // what they keep would come before the answers that tests give; e2e/offline.spec.ts has a browser of its own
    serviceWorkers: 'block',
    // a window with its caches is kept from journey to journey, its cookies and what it keeps are not
    reuseContext: true,
    // a picture before and after every key doubles the time of a journey: only a second try is recorded
    trace: 'on-first-retry',
    launchOptions: {
      executablePath: ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find(existsSync)!,
      args: [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // the last list counts, so Playwright's own stands here again; a browser's window without the page of its address bar opens in half the time
        `--disable-features=${[
          'AvoidUnnecessaryBeforeUnloadCheckSync',
          'DestroyProfileOnBrowserClose',
          'HttpsUpgrades',
          'HttpsFirstBalancedModeAutoEnable',
          'MediaRouter',
          'PaintHolding',
          'ThirdPartyStoragePartitioning',
          'AvoidCorsURLLoaderRestartOnRedirect',
          'OptimizationHints',
          'NetworkTimeServiceQuerying',
          'PreconnectToSearch',
          'WebUIOmniboxPopup',
          'WebUIOmniboxAimPopup',
          'WebUIOmniboxFullPopup',
        ].join(',')}`,
      ],
    },
  },
  // each journey where it is at home; what has no mark goes at both widths
  projects: [
    { name: 'desk', grepInvert: /@phone/, use: { viewport: { width: 1280, height: 800 } } },
    {
      name: 'phone',
      grepInvert: /@desk/,
      // who asks for little motion sees less drawn: half of the tests need a quarter less of the processor for their pages
      use: { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true, contextOptions: { reducedMotion: 'reduce' } },
    },
  ],
  webServer: {
    command: `./arc demo --fresh --yes --port ${PORT}`,
    url: `http://127.0.0.1:${PORT}/api/health`,
    timeout: 300_000,
    env: {
      GOODARC_DATA: process.env.GOODARC_DATA ?? '.data/e2e',
      GOODARC_TIME_FACTOR: '4',
      GOODARC_PATIENCE_MS: '4000',
      GOODARC_ORIGIN: PROXY_ORIGIN,
    },
    gracefulShutdown: { signal: 'SIGTERM', timeout: 15_000 },
  },
});
