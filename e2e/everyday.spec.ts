import { expect, test } from '@playwright/test';
import {
  addInKit,
  awake,
  COURT,
  expectAccessible,
  expectNoSideways,
  figure,
  findRung,
  kitRow,
  open,
  setting,
  tag,
} from './support/pages.ts';

/** What a coach does on an ordinary day, beside the one long journey. */

test('kit: a player, a court and a basket of balls are added, each in its own words and units', { tag: '@phone' }, async ({ page }) => {
  const who = tag();
  await addInKit(page, 'players', 'Add a player', async () => {
    await page.getByLabel('Name', { exact: true }).fill(`Wilmot Greaves ${who}`);
    await page.getByLabel('Level').selectOption('Starting');
    await page.getByLabel('Height').fill('1.5 cm');
    await page.getByLabel('Height').press('Tab');
    await expect(page.getByText('At least 2 ft 7 in.')).toBeVisible();
    await page.getByLabel('Height').fill('150 cm');
    await page.getByLabel('Height').press('Tab');
  });
  await expect(kitRow(page, 'Players', `Wilmot Greaves ${who}`)).toContainText('Starting · right-handed · 4 ft 11 in');
  await addInKit(page, 'courts', 'Add a court', async () => {
    await page.getByLabel('Name', { exact: true }).fill(`Barn ${who}`);
    await page.getByLabel('Sport').selectOption('pickleball');
    await page.getByLabel('Surface').selectOption({ label: 'Wood gym floor' });
    await page.getByLabel('Indoors').check();
  });
  await expect(kitRow(page, 'Courts', `Barn ${who}`)).toContainText('pickleball · Wood gym floor · indoors');
  await addInKit(page, 'balls', 'Add a basket of balls', async () => {
    await page.getByLabel('Name', { exact: true }).fill(`Red ones ${who}`);
    await page.getByLabel('Kind of ball').selectOption('tennis-stage3-red');
    await page.getByLabel('How many').fill('24');
    await page.getByLabel('Condition').selectOption('worn');
  });
  await expect(kitRow(page, 'Balls', `Red ones ${who}`)).toContainText('Tennis, red (stage 3) · 24 · worn');
  await page.reload();
  await awake(page);
  await expect(kitRow(page, 'Balls', `Red ones ${who}`)).toBeVisible();
  await page.getByRole('button', { name: `Change Red ones ${who}` }).click();
  await page.getByLabel('How many').fill('18');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(kitRow(page, 'Balls', `Red ones ${who}`)).toContainText('· 18 ·');
});

test('the logbook: one player at a time, sorted by rate, a round deleted and brought back', { tag: '@desk' }, async ({ page }) => {
  await open(page, '/logbook');
  const rows = page.getByRole('row').filter({ has: page.getByRole('button', { expanded: false }) });
  await expect(rows.first()).toBeVisible();
  await page.getByLabel('Player').selectOption({ label: 'Theo Larchmont' });
  await awake(page, /player=/);
  await expect(rows.first()).toBeVisible();
  await expect(rows.filter({ hasText: 'Sam Pellarin' })).toHaveCount(0);
  const before = await rows.count();
  expect(before).toBeGreaterThan(3);
  await page.getByRole('button', { name: 'In', exact: true }).click();
  const rates = await rows.evaluateAll((all) =>
    all.map((row) => /(\d+) of (\d+)/.exec(row.textContent ?? '')!).map(([, hits, balls]) => Number(hits) / Number(balls)),
  );
  expect(rates).toEqual([...rates].sort((a, b) => b - a));
  await page.getByRole('button', { name: 'In', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: 'In' })).toHaveAttribute('aria-sort', 'ascending');
  await rows.first().getByRole('button').click();
  await expect(page.getByText('Really thrown')).toBeVisible();
  await expectAccessible(page);
  await expectNoSideways(page);
  const address = page.url();
  await page.getByRole('button', { name: 'Delete this round' }).click();
  await expect(page.getByText('The round was deleted.')).toBeVisible();
  await expect(rows).toHaveCount(before - 1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(
    page
      .getByRole('row')
      .filter({ hasText: 'Theo Larchmont' })
      .filter({ has: page.getByRole('button') }),
  ).toHaveCount(before);
  await open(page, address);
  await expect(page.getByText('Really thrown')).toBeVisible(); // the address reopens the round
});

test.describe('the bench by keys, in each sport', () => {
  for (const [court, wanted] of [
    ['Court 2 (tennis)', 'Landing spot'],
    ['Hall pickleball (pickleball)', 'Landing spot'],
    ['Long Meadow field (baseball)', 'Where it crosses the plate'],
  ] as const) {
    test(court, { tag: '@desk' }, async ({ page }) => {
      await open(page, '/bench');
      await page.getByRole('combobox', { name: 'Court', exact: true }).selectOption({ label: court });
      const machine = page.getByRole('slider', { name: 'Machine' });
      const said = await machine.getAttribute('aria-valuetext');
      await machine.focus();
      await page.keyboard.press('Shift+ArrowUp');
      await expect(machine).not.toHaveAttribute('aria-valuetext', said!);
      const turned = (await page.getByRole('group', { name: 'Machine settings' }).textContent())!;
      await page.getByRole('slider', { name: wanted }).focus();
      for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowUp');
      await expect(page.getByRole('group', { name: 'Machine settings' })).not.toHaveText(turned);
      await page.getByRole('slider', { name: /^Arc/ }).focus();
      const elevation = await figure(page, 'Elevation');
      await page.keyboard.press('ArrowLeft'); // toward slow and high
      await page.keyboard.press('ArrowLeft');
      await expect.poll(() => figure(page, 'Elevation')).toBeGreaterThan(elevation);
      await setting(page, 'Elevation').focus();
      await page.keyboard.press('ArrowUp');
      await expect(page.getByText('held', { exact: true })).toBeVisible();
      await page.getByRole('heading', { level: 1 }).click();
      await page.keyboard.press('Control+z');
      await expectNoSideways(page);
    });
  }
});

test('the source of a figure opens from its mark', { tag: '@desk' }, async ({ page }) => {
  await open(page, '/bench');
  await page.getByRole('button', { name: 'Where the game ball comes from' }).click();
  await expect(page.getByText('Common practice, from memory, rounded: a starting point to edit, not a standard.')).toBeVisible();
  await page.getByRole('button', { name: 'Where the bounce comes from' }).click();
  await expect(page.getByText(/Representative value; bounce law after Brody/)).toBeVisible();
  await page.getByRole('combobox', { name: 'Court', exact: true }).selectOption({ label: 'Orchard pickleball (pickleball)' });
  await expect(page.getByText(/The flight of this ball is known roughly only/)).toBeVisible();
});

test('what is not there says so, and where to go', { tag: '@desk' }, async ({ page }) => {
  const answer = await page.goto('/ladders/0190f3a0-0000-7000-8000-000000000000');
  expect(answer!.status()).toBe(404);
  await expect(page.getByRole('heading', { name: 'There is no such ladder' })).toBeVisible();
  await open(page, '/courtside?rung=0190f3a0-0000-7000-8000-000000000000');
  await expect(page.getByText('There is no such rung any more.')).toBeVisible();
  await page.getByRole('link', { name: 'Another rung' }).click();
  await expect(page.getByRole('heading', { name: 'Run last' })).toBeVisible();
  await open(page, '/bench?s=broken');
  await expect(page.getByText('Time to react')).toBeVisible();
});

test('the checklist is ticked courtside and kept with the outing; its list is the club’s own', { tag: '@desk' }, async ({ page }) => {
  await (await findRung(page, 'Across the net, deeper')).click();
  await awake(page, COURT);
  await page.getByText('Before the first ball').click();
  const kept = page.waitForResponse((response) => /\/api\/outings\/.*\/checks$/.test(response.url()) && response.status() === 204);
  await page.getByLabel('battery above half').check();
  await kept;
  await page.reload();
  await awake(page);
  await page.getByText('Before the first ball').click();
  await expect(page.getByLabel('battery above half')).toBeChecked();
  await page.getByRole('button', { name: 'Change this list for the club' }).click();
  await page.getByLabel('One line each').fill('battery above half\ngate of the court shut');
  await page.getByRole('button', { name: 'Save the list' }).click();
  await expect(page.getByLabel('gate of the court shut')).toBeVisible();
  await expect(page.getByText('1 of 2')).toBeVisible();
  await page.getByRole('link', { name: 'Card' }).click();
  await expect(page.locator('.setup-card')).toContainText('gate of the court shut'); // and printed on the card
});
