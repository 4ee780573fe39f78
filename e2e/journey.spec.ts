import { expect, type Page, test } from '@playwright/test';
import {
  ARM,
  awake,
  COURT,
  expectAccessible,
  expectNoSideways,
  figure,
  finishIsSent,
  LADDER,
  machineState,
  open,
  saved,
  setting,
  tabTo,
  tag,
} from './support/pages.ts';

/** The whole way: bench → ladder → courtside → logbook. Every step ends in the database. */

async function runRound(page: Page, press: (name: string) => Promise<void>, balls: number): Promise<void> {
  await press('Arm');
  await expect(machineState(page)).toHaveAttribute('data-state', 'ready');
  await press(`Feed ${balls} balls`);
  await expect(machineState(page)).toHaveAttribute('data-state', 'feeding');
  await expect(page.getByText(/left at \d/).locator('visible=true')).toBeVisible();
}

const visibleTally = (page: Page) => page.getByTestId('tally').locator('visible=true');

test('by mouse and touch: from a machine on a court to a logged round', { tag: '@phone' }, async ({ page }) => {
  const name = `Deep ones ${tag()}`;
  await open(page, '/');
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible();
  await expect(page.getByText('Marrow Field Centre').first()).toBeAttached();
  await page.getByRole('link', { name: 'Court 1 tennis' }).click();

  await expect(page.getByRole('heading', { name: 'Arrival beside game' })).toBeVisible();
  const before = await figure(page, 'Speed');
  const spot = page.getByRole('slider', { name: 'Landing spot' });
  const box = (await spot.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 14, box.y + box.height / 2 + 6, { steps: 8 });
  await page.mouse.up();
  const after = await figure(page, 'Speed');
  expect(after).toBeGreaterThan(before); // deeper at the same elevation takes more speed
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  expect(await figure(page, 'Speed')).toBeCloseTo(before, 5);
  await page.getByRole('button', { name: 'Redo' }).click();
  expect(await figure(page, 'Speed')).toBeCloseTo(after, 5);
  await setting(page, 'Every').fill('2.5');
  await setting(page, 'Every').press('Enter');
  await expectNoSideways(page);

  await page.getByRole('button', { name: 'Add to ladder' }).click();
  await page.getByLabel('Name of the rung').fill(name);
  await page.getByLabel('Focal point, one sentence').fill('Long finish.');
  await page.getByLabel('Ladder', { exact: true }).selectOption({ label: 'A new ladder …' });
  await page.getByRole('button', { name: 'Save rung' }).click();
  await expect(page.getByText('Give the new ladder a name')).toBeVisible(); // and nothing typed is lost
  await expect(page.getByLabel('Name of the rung')).toHaveValue(name);
  await page.getByLabel('Name of the new ladder').fill(`${name} ladder`);
  await page.getByLabel('Balls a round').fill('6');
  await page.getByLabel('… of balls').fill('6');
  await page.getByRole('button', { name: 'Save rung' }).click();
  await page.getByRole('button', { name: 'Open ladder' }).click();

  await expect(page.getByLabel('Name of the ladder')).toHaveValue(`${name} ladder`);
  await page.reload();
  await expect(page.getByRole('link', { name, exact: true })).toBeVisible();
  await expectNoSideways(page);
  await page.getByRole('link', { name: 'Take it on court' }).click();
  await awake(page, COURT);

  await expect(page.getByRole('heading', { name: `1 · ${name}` })).toBeVisible();
  await page.getByLabel('Who is hitting').selectOption({ label: 'Ines Rookwood' });
  await expectNoSideways(page);
  await expectAccessible(page);
  await runRound(page, (button) => page.getByRole('button', { name: button === 'Arm' ? ARM : button }).click(), 6);
  await page.getByRole('button', { name: 'In', exact: false }).filter({ hasText: /^In/ }).click();
  await expect(visibleTally(page)).toHaveText('1 of 1');
  await page.getByRole('button', { name: /^Hold/ }).click();
  await expect(machineState(page)).toHaveAttribute('data-state', 'held');
  await page.getByRole('button', { name: 'Undo last' }).click();
  await expect(visibleTally(page)).toHaveText('0 of 0');
  await page.getByRole('button', { name: /^Near/ }).click();
  await page.getByRole('button', { name: /^Resume/ }).click();
  for (const [judged, pad] of ['In', 'Out', 'In', 'In', 'Let go'].entries()) {
    const button = page.getByRole('button', { name: new RegExp(`^${pad}`) });
    await expect(button).toBeEnabled({ timeout: 20_000 });
    await button.click();
    await expect(page.getByRole('list', { name: 'Balls' }).locator('visible=true')).toContainText(
      `ball ${judged + 2}: ${pad.toLowerCase()}`,
    );
  }
  await expect(visibleTally(page)).toHaveText('3 of 5');
  await page.getByRole('button', { name: 'Stow: aim away, stop' }).click();
  await expect(machineState(page)).toHaveAttribute('data-state', 'stowed');
  const sent = finishIsSent(page);
  await page
    .getByRole('button', { name: /^Finish round/ })
    .last()
    .click();
  await expect(page.getByText('Round finished: 3 of 5.')).toBeVisible();
  await sent;
  await page.getByRole('link', { name: 'Ball by ball' }).click();
  await awake(page, /\/rounds\//);

  await expect(page.getByRole('heading', { level: 1 })).toHaveText(`Ines Rookwood, ${name}`);
  await expect(page.getByText('23 % to 88 %')).toBeVisible(); // Wilson 95 % of 3 of 5: 0.231 to 0.882
  await expect(page.getByText('Really thrown')).toBeVisible();
  await open(page, '/logbook');
  const row = page.getByRole('row').filter({ hasText: name }).first();
  await expect(row).toContainText('Ines Rookwood');
  await expect(row).toContainText('3 of 5');
  await expect(page.getByText('every', { exact: false }).first()).toBeAttached();
  await expectNoSideways(page);
  await expectAccessible(page);
  await page.reload();
  await expect(page.getByRole('row').filter({ hasText: name }).first()).toContainText('3 of 5');
});

test('by keyboard only', { tag: '@desk' }, async ({ page }) => {
  const name = `Keys only ${tag()}`;
  await open(page, '/');
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('from one thing to the next');
  await page.keyboard.press('Escape');
  await tabTo(page, { role: 'link', name: 'Bench' });
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Arrival beside game' })).toBeVisible();

  await tabTo(page, { role: 'combobox', name: 'Court' });
  await page.keyboard.type('Orchard');
  await expect(setting(page, 'Speed')).toHaveValue(/mph/);
  await expect(page.getByRole('combobox', { name: 'Ball', exact: true })).toHaveValue('pickleball-outdoor');
  await tabTo(page, { role: 'slider', name: 'Landing spot' });
  const before = await figure(page, 'Speed');
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowLeft');
  expect(await figure(page, 'Speed')).toBeLessThan(before);
  await tabTo(page, { role: 'slider', name: /^Arc, from slow/ });
  await page.keyboard.press('ArrowLeft');
  await tabTo(page, { role: 'textbox', name: 'Every' });
  await page.keyboard.type('2.5');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Shift+Tab');
  // back to the top of the page, to the button that saves
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('Control+Home');
  await tabTo(page, { role: 'button', name: 'Add to ladder' });
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name of the rung')).toBeFocused();
  await page.keyboard.press('Control+A');
  await page.keyboard.type(name);
  await tabTo(page, { role: 'combobox', name: 'Ladder' });
  await page.keyboard.type('Soft hands');
  await tabTo(page, { role: 'textbox', name: 'Balls a round' });
  await page.keyboard.press('Control+A');
  await page.keyboard.type('4');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Saved as a rung of “Soft hands: drops off underspin”.')).toBeVisible();

  await open(page, '/ladders');
  await tabTo(page, { role: 'link', name: 'Soft hands: drops off underspin' });
  await page.keyboard.press('Enter');
  await awake(page, LADDER);
  const titles = page.getByRole('list', { name: 'Rungs, hardest first' }).getByRole('heading', { level: 2 });
  await expect(titles.first()).toHaveText(name); // a new rung stands on top
  const count = await titles.count();
  await tabTo(page, { role: 'link', name: new RegExp(`^${name}$`) });
  await page.keyboard.press('Alt+ArrowDown');
  await expect(titles.nth(1)).toHaveText(name);
  await saved(page);
  await page.reload();
  await awake(page);
  await expect(titles.nth(1)).toHaveText(name);
  await tabTo(page, { role: 'button', name: new RegExp(`^Open rung ${count - 1}, `) });
  await page.keyboard.press('Enter');
  await tabTo(page, { role: 'button', name: `Duplicate rung ${count - 1}` });
  await page.keyboard.press('Enter');
  await expect(titles).toHaveCount(count + 1);
  await tabTo(page, { role: 'button', name: new RegExp(`^Open rung ${count}, `) });
  await page.keyboard.press('Enter');
  await tabTo(page, { role: 'button', name: `Delete rung ${count}` });
  await page.keyboard.press('Enter');
  await expect(titles).toHaveCount(count);
  await saved(page);
  await tabTo(page, { role: 'button', name: new RegExp(`^Open rung ${count - 1}, `) });
  await page.keyboard.press('Enter');

  const run = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('link', { name, exact: true }) })
    .getByRole('link', { name: 'Run', exact: true });
  await run.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: `${count - 1} · ${name}` })).toBeVisible();
  await expect(page.getByRole('button', { name: ARM })).toBeEnabled();
  await runRound(page, (button) => page.keyboard.press(button.startsWith('Feed') ? 'Shift+F' : 'Shift+A'), 4);
  await page.keyboard.press('j');
  await expect(page.getByTestId('tally').locator('visible=true')).toHaveText('1 of 1');
  await page.keyboard.press('h');
  await expect(machineState(page)).toHaveAttribute('data-state', 'held');
  await page.keyboard.press('u');
  await expect(page.getByTestId('tally').locator('visible=true')).toHaveText('0 of 0');
  await page.keyboard.press('l');
  await page.keyboard.press('Shift+R');
  for (const key of ['j', 'k', 'j']) {
    await expect(page.getByRole('button', { name: /^Near/ })).toBeEnabled({ timeout: 20_000 });
    await page.keyboard.press(key);
  }
  await expect(page.getByTestId('tally').locator('visible=true')).toHaveText('2 of 4');
  const sent = finishIsSent(page);
  await page.keyboard.press('Shift+F');
  await expect(page.getByText('Round finished: 2 of 4.')).toBeVisible();
  await sent;
  await page.keyboard.press('s');
  await expect(machineState(page)).toHaveAttribute('data-state', 'stowed');
  await tabTo(page, { role: 'link', name: 'Ball by ball' });
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(name);
  await expect(page.getByText('2 of 4').first()).toBeVisible();
});
