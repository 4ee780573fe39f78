import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { ARM, awake, COURT, expectAccessible, LADDER, open, saved, tag } from './support/pages.ts';

/** What a coach does with a ladder beside climbing it. */

/** A copy of a ladder of the demo under a name of its own. */
async function copyOf(page: Page, name: string, as: string): Promise<void> {
  await open(page, '/ladders');
  await page.getByRole('listitem').filter({ hasText: name }).first().getByRole('button', { name: 'Duplicate' }).click();
  const title = page.getByLabel('Name of the ladder');
  await expect(title).toHaveValue(/\(copy\)$/);
  await awake(page, LADDER);
  await title.fill(`${as} ${tag()}`);
  await title.press('Enter');
}

test('gaps are evened out and undone, two rungs compared, a rung mirrored, the level raised', { tag: '@desk' }, async ({ page }) => {
  await copyOf(page, 'Backhand: from kind to game', 'Evened');
  const rungs = page.getByRole('list', { name: 'Rungs, hardest first' }).getByRole('heading', { level: 2 });
  const [before, gaps] = [await rungs.count(), await page.getByTestId('gap').count()];
  expect(gaps).toBeGreaterThan(1);
  await page.getByRole('button', { name: `Even out all ${gaps} gaps` }).click();
  await expect(page.getByText(/^On the way to /).first()).toBeVisible();
  const filled = await rungs.count();
  expect(filled).toBeGreaterThan(before);
  expect(await page.getByTestId('gap').count()).toBeLessThan(gaps);
  await page.keyboard.press('Control+z');
  await expect(rungs).toHaveCount(before);
  await page.keyboard.press('Control+Shift+Z');
  await expect(rungs).toHaveCount(filled);
  await saved(page);
  await page.reload();
  await awake(page);
  await expect(rungs).toHaveCount(filled);

  for (const number of [1, 2]) {
    await page.getByRole('button', { name: new RegExp(`^Open rung ${number},`) }).click();
    await page
      .getByRole('region', { name: `Rung ${number} opened` })
      .getByLabel('Compare')
      .check();
  }
  await page.getByRole('button', { name: 'Compare rungs 1 and 2' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText(/What changes: /);
  await expectAccessible(page, 'dialog[open]');
  await page.keyboard.press('Escape');

  const rung = page.getByRole('region', { name: 'Rung 2 opened' });
  const balls = await rung.getByRole('list', { name: 'Balls of this rung' }).textContent();
  await page.getByLabel('Level', { exact: true }).selectOption('Competing');
  await expect(page.getByTestId('sums')).toContainText('Competing');
  await expect(rung.getByRole('list', { name: 'Balls of this rung' })).not.toHaveText(balls!);
  await rung.getByRole('button', { name: 'Mirror left and right: rung 2' }).click();
  await saved(page);
});

test('balls as CSV: out, changed in a spreadsheet, in again; every bad row is named and nothing is taken', { tag: '@desk' }, async ({
  page,
}) => {
  await copyOf(page, 'Sam: rally drive, forehand', 'Listed');
  await page.getByRole('button', { name: /^Open rung 1,/ }).click();
  const rung = page.getByRole('region', { name: 'Rung 1 opened' });
  const balls = rung.getByRole('list', { name: 'Balls of this rung' }).getByRole('listitem');
  const [file] = await Promise.all([
    page.waitForEvent('download', { timeout: 40_000 }),
    rung.getByRole('button', { name: 'Balls as CSV' }).click(),
  ]);
  const [head, row] = readFileSync((await file.path())!, 'utf8')
    .trimEnd()
    .split('\n');
  const read = async (text: string): Promise<void> => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser', { timeout: 40_000 }),
      rung.getByRole('button', { name: 'Read balls from CSV' }).click(),
    ]);
    await chooser.setFiles({ name: 'balls.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  };
  const second = row!.replace(/^[^,]+,[^,]+/, ',A second ball'); // without an id it gets one
  await read([head, row, second.replace('landing', 'somewhere'), row!.replace('groundstroke', 'backhand')].join('\n'));
  const alert = rung.getByRole('alert');
  await expect(alert).toContainText('Nothing was taken from this list.');
  await expect(alert).toContainText('Line 3, target: “somewhere” is neither landing nor plane.');
  await expect(alert).toContainText('Line 4, stroke: “backhand” is none of groundstroke, volley, swing.');
  await expect(balls).toHaveCount(1);
  await read([head, row, second].join('\n'));
  await expect(balls).toHaveCount(2);
  await expect(alert).toBeHidden();
  await expect(balls.nth(1)).toContainText('A second ball');
  // members on and off: the strip follows
  await rung.getByLabel('Order').selectOption({ label: 'Turn about' });
  const strip = rung.getByTestId('strip').getByRole('listitem');
  await expect(strip.nth(1)).toHaveAttribute('data-feed', '2');
  await rung.getByLabel('A second ball is in').uncheck();
  await expect(strip.nth(1)).toHaveAttribute('data-feed', '1');
  await saved(page);
  await page.reload();
  await awake(page);
  await page.getByRole('button', { name: /^Open rung 1,/ }).click();
  await expect(rung.getByLabel('A second ball is in')).not.toBeChecked();
});

test('a target is chosen by its name, dragged, nudged with keys, undone; it is on the card and kept', { tag: '@desk' }, async ({
  page,
}) => {
  await copyOf(page, 'Backhand: from kind to game', 'Aimed');
  await page.getByRole('button', { name: /^Open rung 1,/ }).click();
  const rung = page.getByRole('region', { name: 'Rung 1 opened' });
  const place = rung.getByLabel('Place', { exact: true });
  await place.selectOption({ label: 'deep left corner' });
  const handle = rung.getByRole('slider', { name: 'Target' });
  await expect(handle).toHaveAttribute('aria-valuetext', 'deep left corner');
  await handle.scrollIntoViewIfNeeded();
  const box = (await handle.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 40, y - 30, { steps: 4 });
  await page.mouse.up();
  await expect(place.locator('option:checked')).toHaveText('a place of its own');
  const dragged = await handle.getAttribute('aria-valuetext');
  await handle.press('Shift+ArrowRight');
  await expect(handle).not.toHaveAttribute('aria-valuetext', dragged!);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(handle).toHaveAttribute('aria-valuetext', 'deep left corner');
  await saved(page);
  await page.reload();
  await awake(page);
  await page.getByRole('button', { name: /^Open rung 1,/ }).click();
  await expect(place.locator('option:checked')).toHaveText('deep left corner');
  await page.getByRole('link', { name: 'Setup card' }).click();
  await awake(page, /\/card\?/);
  await expect(page.locator('.setup-card').first()).toContainText(/Hit to: box .*: deep left corner/);
});

test('a setup card is one page on every paper, printed or saved, however many rungs and balls it has', { tag: '@desk' }, async ({
  page,
}) => {
  for (const name of ['Backhand: from kind to game', 'Two machines, one voice', 'Sam: rally drive, forehand']) {
    await open(page, '/ladders');
    await page.getByRole('link', { name, exact: true }).first().click();
    await awake(page, LADDER);
    await page.getByRole('link', { name: 'Setup card' }).click();
    await awake(page, /\/card\?/);
    for (const paper of ['a4', 'letter', 'a4-two', 'letter-two', 'pocket']) {
      await page.getByLabel('Paper').selectOption(paper);
      await expect(page.locator(`.paper-${paper}`)).toBeVisible();
      const pages = (await page.pdf({ preferCSSPageSize: true })).toString('latin1').match(/\/Type \/Page\b/g);
      expect(pages, `${name}, ${paper}`).toHaveLength(1);
    }
  }
});

test('a hard ball with too little time is armed only when a coach confirms by name, and the name is kept', { tag: '@desk' }, async ({
  page,
}) => {
  await copyOf(page, 'Cage climb: straight ball', 'Quick');
  await page.getByRole('button', { name: /^Open rung 1,/ }).click();
  const rung = page.getByRole('region', { name: 'Rung 1 opened' });
  const [file] = await Promise.all([
    page.waitForEvent('download', { timeout: 40_000 }),
    rung.getByRole('button', { name: 'Balls as CSV' }).click(),
  ]);
  const [head, row] = readFileSync((await file.path())!, 'utf8')
    .trimEnd()
    .split('\n') as [string, string];
  const cells = row.split(',');
  cells[head.split(',').indexOf('speed_mps')] = '60';
  cells[head.split(',').indexOf('elevation_deg')] = '-2';
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser', { timeout: 40_000 }),
    rung.getByRole('button', { name: 'Read balls from CSV' }).click(),
  ]);
  await chooser.setFiles({ name: 'balls.csv', mimeType: 'text/csv', buffer: Buffer.from(`${head}\n${cells.join(',')}\n`) });
  await expect(rung.getByText('A hard ball and too little time for this age.')).toBeVisible();
  await saved(page);
  await rung.getByRole('link', { name: 'Run', exact: true }).click();
  await awake(page, COURT);
  const arm = page.getByRole('button', { name: ARM });
  await expect(arm).toBeDisabled();
  await page.getByLabel('Name of the coach who confirms it').fill('Orla Fenwick');
  await page.getByRole('button', { name: 'It is meant' }).click();
  await arm.click();
  await expect(page.getByText('Confirmed by Orla Fenwick.')).toBeVisible();
  const finish = page.getByRole('button', { name: 'Finish round', exact: true });
  await expect(finish).toBeEnabled();
  await finish.click();
  await expect(page.getByText(/^Round finished/)).toBeVisible();
  await open(page, '/logbook');
  await page
    .getByRole('button', { name: /Easy and true/ })
    .first()
    .click();
  await expect(page.getByText('Too little time, confirmed by')).toBeVisible();
  await expect(page.getByText('Orla Fenwick')).toBeVisible();
});

test('the library by purpose, players and words; a favourite stays at hand', { tag: '@desk' }, async ({ page }) => {
  await open(page, '/ladders/library');
  const drills = page.getByRole('list', { name: 'Drills' }).getByRole('listitem');
  await page.getByLabel('Sport').selectOption('baseball');
  await page.getByLabel('Purpose').selectOption('fielding');
  await expect(page.getByText('5 drills')).toBeVisible();
  await page.getByLabel('Players').selectOption('1');
  await expect(drills.filter({ hasText: 'Between two gloves' })).toHaveCount(0);
  await page.getByRole('searchbox', { name: 'Find' }).fill('nothing like that');
  await expect(page.getByText('No drill fits all of that.')).toBeVisible();
  await page.getByRole('button', { name: 'Show all of them' }).click();
  await page.getByRole('searchbox', { name: 'Find' }).fill('marker');
  await page.getByRole('button', { name: 'Favourite: Five markers' }).click();
  await expect(page.getByRole('button', { name: 'Favourite: Five markers' })).toHaveAttribute('aria-pressed', 'true');
  await page.reload();
  await awake(page);
  await page.getByLabel('Favourites', { exact: true }).check();
  await expect(drills).toHaveText([/Five markers/]);
  await drills.getByRole('button', { name: 'Favourite: Five markers' }).click();
  await expect(page.getByText('No favourite fits.', { exact: false })).toBeVisible();
});
