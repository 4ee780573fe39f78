import { expect, test } from '@playwright/test';
import { ARM, awake, machineState, open } from './support/pages.ts';

test('who got worse, why, and what next: from the club to a plan that is run from courtside', { tag: '@desk' }, async ({ page }) => {
  await open(page, '/club');
  const sam = page.getByRole('listitem').filter({ hasText: 'Sam Pellarin' }).first();
  await expect(sam).toContainText('Clearly worse than four weeks before.');
  await sam.getByRole('link', { name: 'Sam Pellarin' }).click();
  await awake(page, /player=/);
  await expect(page.getByText(/Dotted days:.*wind/)).toBeVisible();
  await page.getByRole('link', { name: 'What next' }).click();
  await awake(page, /next/);
  await page.getByRole('button', { name: 'Ines Rookwood' }).click();
  await awake(page, /players=.+,/);
  await expect(page.getByText('Main', { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: 'One round more' }).first().click();
  await expect(page.getByRole('button', { name: 'Propose it anew' })).toBeVisible();
  await page.getByRole('button', { name: 'Keep as a plan' }).click();
  await awake(page, /plan\?id=/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('what next');
  const turn = await page.locator('a[href*="half=1"]').first().getAttribute('href');
  await open(page, '/courtside');
  await expect(page.getByRole('heading', { name: /Ines Rookwood and Sam Pellarin, what next/ })).toBeVisible();
  // its main part is hit to the target for half, which is not the rung's own
  await open(page, turn!);
  await expect(page.getByRole('group', { name: 'Target for half' })).toContainText('it opens no gate');
  await page.getByRole('button', { name: ARM }).click();
  await expect(machineState(page)).toHaveAttribute('data-state', 'ready');
  await page.getByRole('button', { name: /^Stow/ }).click();
  await expect(machineState(page)).toHaveAttribute('data-state', 'stowed');
  await page.getByRole('button', { name: 'Finish round', exact: true }).click();
  await expect(page.getByText(/^Round finished/)).toBeVisible();
});

test('a round is put right with its history, and found again by a word', { tag: '@phone' }, async ({ page }) => {
  const [round] = await (await page.request.get('/api/rounds?as=json')).json();
  await open(page, `/rounds/${round.id}`);
  const first = page.getByRole('button', { name: /^Ball 1[:,]/ });
  const before = await first.getAttribute('aria-label');
  await first.click();
  const other = before!.endsWith(': near') ? 'In' : 'Near';
  await page.getByRole('group', { name: 'Ball 1 was' }).getByRole('button', { name: other, exact: true }).click();
  await expect(page.getByRole('region', { name: 'Put right' })).toContainText('Ball 1:');
  await open(page, `/rounds/${round.id}`);
  await expect(page.getByRole('region', { name: 'Put right' })).toContainText('Ball 1:');
  await page.getByRole('button', { name: 'Find' }).click();
  await page.getByRole('combobox', { name: /^A player/ }).fill('thistle');
  await expect(page.getByRole('option').first()).toContainText('Thistle');
  await page.keyboard.press('Enter');
  await awake(page, /machines/);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Thistle');
});

test('a season is planned on a phone and is there again; the view is kept and found by a word', { tag: '@phone' }, async ({ page }) => {
  await open(page, '/logbook');
  await page.getByLabel('Player', { exact: true }).selectOption({ label: 'Nell Orrinsmith' });
  await awake(page, /player=/);
  const season = page.getByRole('region', { name: 'Season' });
  await season.getByRole('button', { name: 'Plan a season' }).click();
  await season.getByRole('button', { name: 'Sat' }).click();
  await season.getByRole('button', { name: 'Keep the season' }).click();
  await expect(season.getByText('Tue, Thu and Sat')).toBeVisible();
  await page.getByRole('button', { name: 'Keep this view' }).click();
  await page.getByLabel('Its name').fill('Nell, everything');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('link', { name: 'Nell, everything' })).toBeVisible();
  await open(page, '/');
  await page.getByRole('button', { name: 'Find' }).click();
  await page.getByRole('combobox', { name: /^A player/ }).fill('nell, every');
  await expect(page.getByRole('option').first()).toContainText('Nell, everything');
  await page.keyboard.press('Enter');
  await awake(page, /player=/);
  await expect(season.getByText('Tue, Thu and Sat')).toBeVisible();
  await season.getByRole('button', { name: 'Take the season back' }).click();
  await expect(season.getByRole('button', { name: 'Plan a season' })).toBeVisible();
});
