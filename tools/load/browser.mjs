import { existsSync } from 'node:fs';
import { setTimeout as after } from 'node:timers/promises';
import { chromium } from '@playwright/test';
import CDP from 'chrome-remote-interface';
import { freePort } from '../lib/children.mjs';
import { sleep } from '../soak/rig.mjs';
import { middleOf } from './measure.mjs';

/** A cheap phone: so wide and high, and so many times as slow as the machine that is meant. */
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };
const PHONE_TIMES = 4;

/**
 * So many times is this machine slowed down to be that phone: a task is long from 50 ms on, so that of a machine that is slow by itself, and is slowed down as
 * often again, more tasks would count than a phone has. @param {number} slow as many times as slow as the one that is meant it is just now
 */
export const throttleOn = (slow) => Math.max(1, PHONE_TIMES / slow);

/** What a page of ours makes a browser do, at once: elements with text, their style and layout, documents read and sorted, figures. Never to be changed. */
const YARDSTICK = {
  html: '<!doctype html><style>p{margin:4px;font:16px sans-serif}.a .b{display:flex}b+b{color:teal}div:nth-child(3n)>p{padding:2px}</style><div id=at></div>',
  run: () => {
    const from = performance.now();
    const at = /** @type {HTMLElement} */ (document.getElementById('at'));
    for (let i = 0; i < 40; i++) {
      const box = document.createElement('div');
      box.className = 'a';
      for (let j = 0; j < 12; j++) {
        const line = document.createElement('p');
        line.className = 'b';
        const bold = document.createElement('b');
        bold.textContent = String(i);
        line.append(`ball ${i * j}`, bold);
        box.append(line);
      }
      at.append(box);
    }
    let sum = at.clientHeight;
    const rows = Array.from({ length: 3000 }, (_, i) => ({ id: i, name: `round ${i}`, at: [i % 7, i % 11, Math.sin(i)] }));
    /** @type {typeof rows} */
    const again = JSON.parse(JSON.stringify(rows));
    const byName = new Map(again.map((row) => [row.name, { ...row, next: row.at.map((x) => x * 2) }]));
    const sorted = [...byName.values()].sort((a, b) => (a.at[2] ?? 0) - (b.at[2] ?? 0));
    for (const { next } of sorted) sum += next[1] ?? 0;
    for (let i = 0; i < 400_000; i++) sum += Math.sqrt(i % 97) * 0.5;
    return { ms: performance.now() - from, sum };
  },
};
/**
 * What it takes the browser of the machine that is meant, ms. On the hosts that this was measured on it takes 71 to 75 in the middle (44 to 103), and by the
 * server's yardstick they are one and a half times as slow as that machine, in the middle of many hours. (Within a minute the two say little of each other.)
 */
const YARDSTICK_MEANT_MS = 49;
const YARDSTICK_TIMES = 3;
/** A page that is closed takes the processors for a while, ms. */
const REST_MS = 500;

/** How many times as slow as the machine that is meant this one's browser is just now. @param {import('@playwright/test').Browser} browser */
export async function slowNow(browser) {
  const took = [];
  await sleep(REST_MS);
  for (let i = 0; i < YARDSTICK_TIMES; i++) {
    const page = await browser.newPage();
    await page.setContent(YARDSTICK.html);
    took.push((await page.evaluate(YARDSTICK.run)).ms);
    await page.close();
    await sleep(REST_MS);
  }
  return middleOf(took) / YARDSTICK_MEANT_MS;
}

/** A drag is moved so often, a frame apart. */
const MOVES = 60;
const FRAME_MS = 16;

/** Starts Debian's browser; `port` is where its own protocol is spoken. */
export async function phoneBrowser() {
  const port = await freePort();
  const browser = await chromium.launch({
    executablePath: ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find(existsSync) ?? '/usr/bin/chromium',
    args: [
      ...['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
      `--remote-debugging-port=${port}`,
    ],
  });
  return { browser, port };
}

/** A page is usable and has nothing more to ask for within this, ms. */
const MOST_MS = 30_000;

/** Runs in a page. */
const IN_PAGE = {
  /** No worker keeps pages for later. */
  first: () => {
    navigator.serviceWorker.register = () => new Promise(() => {});
  },
  /** When every island listens, ms, and the scripts it took, as they were sent, kB. */
  usable: async () => {
    for (;;) {
      const islands = Array.from(document.querySelectorAll('astro-island'));
      if (document.readyState !== 'loading' && islands.length > 0 && islands.every((each) => !each.hasAttribute('ssr'))) break;
      await new Promise((resolve) => setTimeout(resolve, 10));
    }
    const usableMs = performance.now();
    const files = /** @type {PerformanceResourceTiming[]} */ (performance.getEntriesByType('resource'));
    const scripts = files.filter(({ name }) => new URL(name).pathname.endsWith('.js'));
    return { usableMs, kB: scripts.reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0) / 1000 };
  },
  /** The largest paint and the sum of all long tasks until now, ms. */
  painted: async () => {
    /** @param {string} type @returns {Promise<PerformanceEntry[]>} */
    const entries = (type) =>
      new Promise((resolve) => {
        new PerformanceObserver((list) => resolve(list.getEntries())).observe({ type, buffered: true });
        setTimeout(() => resolve([]), 500);
      });
    const [paints, tasks] = [await entries('largest-contentful-paint'), await entries('longtask')];
    return { paintMs: paints.at(-1)?.startTime ?? Number.NaN, longMs: tasks.reduce((sum, { duration }) => sum + duration, 0) };
  },
};

/**
 * What a page costs a cheap phone that opens it for the first time: its scripts as they are sent until all islands listen, kB; when they do, and the largest
 * paint, ms after it was asked for; and the sum of its long tasks, ms. Asked by the browser's own protocol, and as little as can be: whoever listens to what a
 * page loads, as tools for tests do, makes the browser find out for each file which line asked for it, and read the scripts for it once more. Phones do not.
 * @param {number} port of the browser @param {number} rate so many times it is slowed down @param {string} url
 */
export async function opened(port, rate, url) {
  const { webSocketDebuggerUrl } = await CDP.Version({ port });
  const browser = await CDP({ target: webSocketDebuggerUrl, local: true });
  try {
    const { browserContextId } = await browser.Target.createBrowserContext({ disposeOnDetach: true });
    const { targetId } = await browser.Target.createTarget({ url: 'about:blank', browserContextId });
    const { Emulation, Page, Runtime } = await CDP({ port, target: targetId, local: true });
    /** @template T @param {() => Promise<T>} work @returns {Promise<T>} */
    const inPage = async (work) => {
      const { result, exceptionDetails } = await Runtime.evaluate({ expression: `(${work})()`, awaitPromise: true, returnByValue: true });
      if (exceptionDetails) throw new Error(exceptionDetails.exception?.description ?? exceptionDetails.text);
      return result.value;
    };
    await Emulation.setDeviceMetricsOverride({ ...PHONE.viewport, deviceScaleFactor: 1, mobile: PHONE.isMobile });
    await Emulation.setTouchEmulationEnabled({ enabled: PHONE.hasTouch });
    await Emulation.setCPUThrottlingRate({ rate });
    await Page.enable();
    await Page.setLifecycleEventsEnabled({ enabled: true });
    await Page.addScriptToEvaluateOnNewDocument({ source: `(${IN_PAGE.first})()` });
    const { errorText, loaderId } = await Page.navigate({ url });
    if (errorText) throw new Error(`${url}: ${errorText}`);
    const atRest = new Promise((resolve) => {
      Page.lifecycleEvent((event) => event.name === 'networkIdle' && event.loaderId === loaderId && resolve(undefined));
    });
    const tooLate = after(MOST_MS, undefined, { ref: false }).then(() => Promise.reject(new Error(`${url} did not come to rest`)));
    const usable = await Promise.race([inPage(IN_PAGE.usable), tooLate]);
    await Promise.race([atRest, tooLate]);
    return { ...usable, ...(await inPage(IN_PAGE.painted)) };
  } finally {
    await browser.close();
  }
}

/**
 * From a move of the machine on the bench to the frame that shows it, ms, so often; sorted.
 * @param {import('@playwright/test').Browser} browser @param {number} rate so many times it is slowed down @param {string} url
 */
export async function dragged(browser, rate, url) {
  const context = await browser.newContext({ ...PHONE, serviceWorkers: 'block' });
  try {
    const page = await context.newPage();
    await (await context.newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate });
    await page.goto(url, { waitUntil: 'networkidle' });
    // nobody takes hold of what has not come to rest yet: this is what the bench draws last
    await page.getByRole('complementary').waitFor();
    await sleep(REST_MS);
    const machine = page.getByRole('slider', { name: 'Machine' });
    await page.evaluate(() => {
      const took = /** @type {number[]} */ ([]);
      Object.assign(globalThis, { took });
      addEventListener(
        'pointermove',
        ({ timeStamp }) =>
          requestAnimationFrame(() => {
            const channel = new MessageChannel();
            channel.port1.onmessage = () => took.push(performance.now() - timeStamp);
            channel.port2.postMessage(0);
          }),
        true,
      );
    });
    const box = await machine.boundingBox();
    if (!box) throw new Error('there is no machine on the bench');
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 1; i <= MOVES; i++) {
      await page.mouse.move(x - 30 * Math.sin(i / 8), y + 6 * Math.sin(i / 5));
      await page.waitForTimeout(FRAME_MS);
    }
    await page.mouse.up();
    /** @type {number[]} */
    const took = await page.evaluate(() => /** @type {any} */ (globalThis).took);
    return took.sort((a, b) => a - b);
  } finally {
    await context.close();
  }
}
