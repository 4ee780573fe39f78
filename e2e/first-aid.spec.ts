import { expect, type Page, test } from '@playwright/test';
import { ARM, awake, COURT, findRung, finishIsSent, LADDER, machineState, open, saved } from './support/pages.ts';

const tally = (page: Page) => page.getByTestId('tally').locator('visible=true');

/** The address of a rung on court. */
const rungAt = async (page: Page, words: string): Promise<string> => (await (await findRung(page, words)).getAttribute('href'))!;

test('two pages with one ladder: the stale one is told, keeps what is on it, overwrites nothing, and both are put together', {
  tag: '@phone',
}, async ({ page, context }) => {
  await open(page, '/ladders');
  await page.getByRole('link', { name: 'Two lines, three players' }).first().click();
  await awake(page, LADDER);
  const other = await context.newPage();
  await open(other, page.url());
  const rename = async (on: Page, from: string, to: string): Promise<void> => {
    await on.getByRole('button', { name: new RegExp(`^Open rung \\d, ${from}`) }).click();
    await on.getByLabel('Name', { exact: true }).first().fill(to);
    await on.getByLabel('Name', { exact: true }).first().press('Enter');
  };
  await rename(other, 'One line', 'One line, by another');
  await saved(other);
  await rename(page, 'Anywhere across', 'Mine');
  const told = page.getByRole('alert').filter({ hasText: 'Somebody else has changed this ladder' });
  await expect(told).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Mine' })).toBeVisible();
  // the other page may save once more in between: then it is told again
  await expect(async () => {
    const [answer] = await Promise.all([
      page.waitForResponse((response) => response.url().endsWith('/whole'), { timeout: 5000 }),
      told.getByRole('button', { name: /^Both/ }).click({ timeout: 3000 }),
    ]);
    expect(answer.status()).toBe(200);
  }).toPass({ timeout: 30_000 });
  await expect(told).toBeHidden();
  await expect(page.getByRole('heading', { name: 'One line, by another' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Mine' })).toBeVisible();
  await saved(page);
  await page.reload();
  await awake(page);
  await expect(page.getByRole('heading', { name: 'Mine' })).toBeVisible();
  await rename(page, 'One line, by another', 'One line');
  await rename(page, 'Mine', 'Anywhere across');
  await saved(page);
});

test('a round goes on as it began when its rung is changed meanwhile; the machine throws what is shown', { tag: '@phone' }, async ({
  page,
  context,
}) => {
  const address = await rungAt(page, 'Deeper, a little underspin');
  await open(page, address);
  await page.getByLabel('Who is hitting').selectOption({ label: 'Theo Larchmont' });
  await page.getByRole('button', { name: ARM }).click();
  await expect(machineState(page)).toHaveAttribute('data-state', 'ready');
  const lane = page.getByRole('group', { name: 'Interval' });
  const every = (await lane.textContent())!;
  const ladder = await context.newPage();
  await open(ladder, (await page.getByRole('link', { name: 'Ladder', exact: true }).getAttribute('href'))!);
  await ladder.getByRole('button', { name: /^Open rung \d, Deeper, a little underspin/ }).click();
  const interval = ladder.getByLabel('Every').first();
  const before = await interval.inputValue();
  await interval.fill('9.5');
  await interval.press('Enter');
  await saved(ladder);
  await page.reload();
  await awake(page);
  await expect(page.getByText('This rung was changed meanwhile.')).toBeVisible();
  await expect(lane).toHaveText(every);
  await expect(page.getByText('Not what is shown')).toHaveCount(0);
  await page.getByRole('button', { name: 'Finish round', exact: true }).click();
  await expect(lane).toHaveText('every 9.5 s');
  await interval.fill(before);
  await interval.press('Enter');
  await saved(ladder);
  // this page has not seen that: it does not arm what is not kept any more
  await page.getByRole('button', { name: ARM }).click();
  await expect(page.getByText(/was changed since this page was opened/)).toBeVisible();
  await page.getByRole('button', { name: 'Load it' }).click();
  await expect(lane).toHaveText(every);
  await page.getByRole('button', { name: /^Stow/ }).click();
  await expect(machineState(page)).toHaveAttribute('data-state', 'stowed');
});

test('what the server refuses is kept with its reason, shown on every page, and arrives; no letter of the keyboard alone starts a machine', {
  tag: '@phone',
}, async ({ page, context }) => {
  let refuse = true;
  await context.route('**/api/rounds/*/results/*', (route) =>
    refuse
      ? route.fulfill({ status: 500, contentType: 'application/problem+json', body: '{"title":"It broke here.","status":500,"errors":[]}' })
      : route.continue(),
  );
  const address = await rungAt(page, 'Same ball, from the baseline');
  await open(page, address);
  await page.getByLabel('Who is hitting').selectOption({ label: 'Sam Pellarin' });
  for (const key of ['a', 'f', 'r']) await page.keyboard.press(key);
  // a machine of which nothing is known yet cannot be armed: what it says is waited for
  await expect(machineState(page)).toHaveAttribute('data-state', /idle|stowed|held/);
  await page.keyboard.press('Shift+A');
  await expect(machineState(page)).toHaveAttribute('data-state', 'ready');
  await page.keyboard.press('f');
  await page.keyboard.press('Shift+F');
  await expect(page.getByRole('button', { name: /^In/ })).toBeEnabled({ timeout: 20_000 });
  await page.keyboard.press('j');
  await page.keyboard.press('s');
  await expect(machineState(page)).toHaveAttribute('data-state', 'stowed');
  await expect(tally(page)).toHaveText('1 of 1');
  await open(page, '/kit');
  await page.getByTestId('outbox').click();
  const list = page.getByRole('dialog', { name: 'Kept on this device' });
  await expect(list).toContainText('Ball 1: in (Same ball, from the baseline)');
  await expect(list).toContainText('It broke here.');
  refuse = false;
  await list.getByRole('button', { name: 'Send again now' }).click();
  await expect(list).toContainText('Everything has reached the server.');
  await open(page, address);
  await Promise.all([finishIsSent(page), page.getByRole('button', { name: 'Finish round', exact: true }).click()]);
  await page.getByRole('link', { name: 'Ball by ball' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Sam Pellarin, Same ball, from the baseline');
  await expect(page.getByRole('button', { name: 'Ball 1: in' })).toBeVisible();
});

test('every way to the court carries its player; a round on another rung leaves the open one as it is', { tag: '@phone' }, async ({
  page,
}) => {
  await open(page, '/logbook');
  const row = page.getByRole('row').filter({ hasText: 'Peregrine Ashdown-Whittlesea' }).first();
  await row.getByRole('button').click();
  await page.getByRole('link', { name: 'Same again' }).click();
  await awake(page, COURT);
  await expect(page.getByLabel('Who is hitting').locator('option:checked')).toHaveText('Peregrine Ashdown-Whittlesea');
  await page.getByRole('link', { name: 'Ladder', exact: true }).click();
  await awake(page, LADDER);
  await page.goBack();
  await awake(page, COURT);
  await page.getByRole('button', { name: ARM }).click();
  await expect(machineState(page)).toHaveAttribute('data-state', 'ready');
  await page.getByRole('button', { name: /^Stow/ }).click();
  await expect(machineState(page)).toHaveAttribute('data-state', 'stowed');
  await expect(page.getByRole('button', { name: 'Finish round', exact: true })).toBeEnabled();
  await open(page, await rungAt(page, 'Game look'));
  const still = page.getByText('A round is still open on this device:');
  await expect(still).toContainText('Peregrine Ashdown-Whittlesea');
  await still.getByRole('link').click();
  await awake(page, COURT);
  await page.getByRole('button', { name: 'Finish round', exact: true }).click();
  await expect(page.getByText(/^Round finished: 0 of 0/)).toBeVisible();
});
