import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, chromium, expect, type Page, test } from '@playwright/test';
import { aWire } from '../tools/lib/wire.mjs';
import { awake, COURT, expectAccessible, expectNoSideways, machineByHand, tag } from './support/pages.ts';

const tally = (page: Page) => page.getByTestId('tally').locator('visible=true');

async function judge(page: Page, ...pads: string[]): Promise<void> {
  for (const pad of pads) await page.getByRole('button', { name: new RegExp(`^${pad}`) }).click();
}

/** Balls of the round that are written on the device: a tap is shown before that, and a browser may be closed at once. */
const keptBalls = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((done, fail) => {
        const opening = indexedDB.open('good-arc');
        opening.onerror = () => fail(opening.error);
        opening.onsuccess = () => {
          const db = opening.result;
          const rounds = db.transaction('kept').objectStore('kept').getAll(IDBKeyRange.bound('round:', 'round:~'));
          rounds.onerror = () => fail(rounds.error);
          rounds.onsuccess = () => {
            db.close();
            done(rounds.result.reduce((sum, round) => sum + JSON.parse(round).balls.length, 0));
          };
        };
      }),
  );

test('a phone without a network: installed, a round by hand goes on through reload, close and reopening; then each ball arrives once', {
  tag: '@phone',
}, async ({ baseURL, launchOptions, viewport }) => {
  const wire = await aWire(Number(new URL(baseURL!).port));
  const origin = `http://127.0.0.1:${wire.port}`;
  const folder = mkdtempSync(join(tmpdir(), 'good-arc-device-'));
  const device = async (): Promise<[BrowserContext, Page]> => {
    const context = await chromium.launchPersistentContext(folder, {
      ...launchOptions,
      viewport: viewport ?? null,
      hasTouch: true,
      isMobile: true,
      serviceWorkers: 'allow',
      baseURL: origin,
    });
    return [context, context.pages()[0] ?? (await context.newPage())];
  };
  let [phone, page] = await device();
  const name = `Larch ${tag()}`;
  try {
    await machineByHand(page, name);
    await page.getByRole('button', { name: 'Save rung' }).click();
    await page.getByRole('button', { name: 'Open ladder' }).click();
    await expect(page.getByLabel('Name of the ladder')).toBeVisible();
    const ladder = page.url();

    // installable: a manifest with a name and icons that are there, and a worker
    await page.goto('/kit');
    await awake(page);
    const manifest = await page.evaluate(async () => (await fetch('/manifest.webmanifest')).json());
    expect(manifest).toMatchObject({ name: 'Good Arc', display: 'standalone', start_url: '/' });
    for (const { src } of manifest.icons) expect((await page.request.get(`${origin}${src}`)).ok()).toBe(true);
    await page.evaluate(async () => (await navigator.serviceWorker.ready).active?.state);
    await page.getByRole('button', { name: 'Keep the newest now' }).click();
    await expect(page.getByText(/\d\d pages are kept here/)).toBeVisible({ timeout: 90_000 });

    wire.cut();
    for (const [address, heading] of [
      ['/', 'Today'],
      ['/ladders', 'Ladders'],
      ['/logbook', 'Logbook'],
      ['/bench', 'Arrival beside game'],
    ] as const) {
      await page.goto(address);
      await awake(page);
      await expect(page.getByRole('heading', { name: heading })).toBeVisible();
    }
    await page.goto('/plan?id=none');
    await expect(page.getByText('This page is not on this device.')).toBeVisible();

    // the rung on court was never opened on this device
    await page.goto(ladder);
    await awake(page);
    await page
      .getByRole('listitem')
      .filter({ has: page.getByRole('link', { name: `By hand ${name}` }) })
      .getByRole('button', { name: /^Open rung/ })
      .click();
    await page.getByRole('link', { name: 'Run', exact: true }).click();
    await awake(page, COURT);
    const who = page.getByLabel('Who is hitting');
    await who.selectOption({ index: 2 });
    const player = await who.locator('option:checked').textContent();
    await page.getByRole('button', { name: /^Begin round/ }).click();
    await judge(page, 'In', 'Out', 'In', 'In');
    await expect(tally(page)).toHaveText('3 of 4');
    await page.reload();
    await awake(page);
    await expect(tally(page)).toHaveText('3 of 4');
    await expectNoSideways(page);
    await expectAccessible(page);
    await judge(page, 'In');
    await expect.poll(() => keptBalls(page)).toBe(5);
    const court = page.url();
    await phone.close();

    [phone, page] = await device();
    await page.goto(court);
    await awake(page);
    await expect(tally(page)).toHaveText('4 of 5');
    await judge(page, 'Out', 'In', 'In', 'In', 'Out');
    await page.getByRole('button', { name: 'Finish round', exact: true }).first().click();
    await expect(page.getByText('Round finished: 7 of 10.')).toBeVisible();
    await expect(page.getByTestId('outbox')).toContainText('12'); // begun, ten balls, finished

    wire.mend();
    await page.goto('/logbook');
    await awake(page);
    await expect(page.getByTestId('outbox')).toBeHidden();
    await page.reload();
    const row = page.getByRole('row').filter({ hasText: `By hand ${name}` });
    await expect(row).toHaveCount(1);
    await expect(row).toContainText('7 of 10');
    await expect(row).toContainText(player!.trim());
  } finally {
    await phone.close();
    await wire.end();
    rmSync(folder, { recursive: true, force: true });
  }
});
