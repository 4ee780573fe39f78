import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { byKeys, byPointer, type Hands } from './support/hands.ts';
import { ARM, awake, COURT, expectAccessible, expectNoSideways, LADDER, machineState, open, PLAN, saved, tag } from './support/pages.ts';

/** Ladders from a level and a game ball to the court: on a phone, by keyboard alone, and by mouse. */

const rungs = (page: Page) => page.getByRole('list', { name: 'Rungs, hardest first' });
const ball = (page: Page, seq: number, outcome: string) =>
  page.getByRole('list', { name: 'Balls' }).locator('visible=true').getByText(`ball ${seq}: ${outcome}`, { exact: true });

/** Throws the first balls of the rung that is open courtside, judges two, and ends the round. */
async function runTwo(page: Page, { press }: Hands): Promise<void> {
  await press(page.getByRole('button', { name: ARM }));
  await press(page.getByRole('button', { name: /^Feed \d+ balls/ }));
  for (const [seq, pad] of [
    [1, 'In'],
    [2, 'Out'],
  ] as const) {
    await expect(ball(page, seq, 'thrown, not judged')).toBeAttached({ timeout: 30_000 });
    await press(page.getByRole('button', { name: new RegExp(`^${pad}`) }));
  }
  await press(page.getByRole('button', { name: /^Stow/ }));
  await expect(machineState(page)).toHaveAttribute('data-state', 'stowed');
  await press(page.getByRole('button', { name: 'Finish round', exact: true }));
  await expect(page.getByText('Round finished: 1 of 2.')).toBeVisible();
}

test('a starting junior’s forehand with green balls, from near the net to the rally ball', { tag: '@phone' }, async ({ page }) => {
  const hands = byPointer;
  const { press, choose, type } = hands;
  const name = `Bo, green balls ${tag()}`;
  await open(page, '/ladders');
  await press(page.getByRole('link', { name: 'Build to a game ball' }));
  await awake(page, /\/ladders\/build/);
  await choose(page.getByLabel('For', { exact: true }), 'Bo Tallowby');
  await expect(page.getByLabel('Level', { exact: true })).toHaveValue('Starting');
  await expect(page.getByLabel('Balls', { exact: true }).locator('option:checked')).toContainText('Green for juniors');
  await choose(page.getByLabel('Machine', { exact: true }), 'Wren');
  await expect(page.getByLabel('To this game ball').locator('option:checked')).toHaveText('Rally drive, Starting');
  const headings = rungs(page).getByRole('heading');
  await expect(headings.last()).toHaveText('From near the net');
  // until the player's own scatter has come it is built by that of the level
  await expect(page.getByText(/^Targets are as large as Bo Tallowby hits/)).toBeVisible();
  await expect.poll(() => headings.count()).toBeGreaterThanOrEqual(3);
  await type(page.getByLabel('One focal point'), 'Turn before it bounces');
  await type(page.getByLabel('Name of the ladder'), name);
  await expectNoSideways(page);
  await press(page.getByRole('button', { name: 'Keep this ladder' }));

  await awake(page, LADDER);
  await expect(page.getByLabel('Name of the ladder')).toHaveValue(name);
  await press(page.getByRole('button', { name: /^Open rung 1, From near the net/ }));
  const rung = page.getByRole('region', { name: 'Rung 1 opened' });
  await expect(rung.getByLabel('Focal point')).toHaveValue('Turn before it bounces');
  // too quick is named survival pace, and the way out is one tap away
  const every = rung.getByLabel('Every', { exact: true });
  await type(every, '1 s');
  await page.keyboard.press('Enter');
  await expect(page.getByText('survival pace', { exact: true })).toBeVisible();
  await expect(rung.getByText('This is survival pace: balls are survived, not practised.')).toBeVisible();
  await press(rung.getByRole('button', { name: /^Calm:/ }));
  await expect(page.getByText('survival pace', { exact: true })).toBeHidden();
  await press(page.getByRole('button', { name: 'Undo', exact: true }));
  await expect(every).toHaveValue('1.0 s');
  await press(page.getByRole('button', { name: 'Redo', exact: true }));
  await expect(every).not.toHaveValue('1.0 s');
  const calm = await every.inputValue();
  await saved(page);
  await page.reload();
  await awake(page);
  await press(page.getByRole('button', { name: /^Open rung 1,/ }));
  await expect(every).toHaveValue(calm);
  await expectNoSideways(page);
  await expectAccessible(page);
  await press(rung.getByRole('link', { name: 'Run', exact: true }));
  await awake(page, COURT);
  await runTwo(page, hands);
});

test('a pickleball group of three on two lines, one absent, with rotation and a calendar', { tag: '@desk' }, async ({ page }) => {
  const hands = byKeys(page);
  const { press, type, tick } = hands;
  await open(page, '/ladders/library');
  await type(page.getByRole('searchbox', { name: 'Find' }), 'two lines');
  await press(page.getByRole('link', { name: 'Two lines, three players' }));
  await expect(page.getByText('No volley with a foot on the line or carried over it: step back first.')).toBeVisible();
  await expectNoSideways(page);
  await press(page.getByRole('button', { name: 'Add to our ladders' }));
  await expect(page.getByText(/^From the library:/)).toContainText('as it came');
  await awake(page, LADDER);
  // one rung of the copy becomes the club's own, and the link to the built-in says so
  await press(page.getByRole('button', { name: /^Open rung 2,/ }));
  await type(page.getByRole('region', { name: 'Rung 2 opened' }).getByLabel('Balls a round'), '12');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^From the library:/)).toContainText('one rung is your own');
  await saved(page);

  await press(page.getByRole('link', { name: 'Plan it' }));
  await awake(page, PLAN);
  await press(page.getByRole('button', { name: 'Orchard four' }));
  await tick(page.getByLabel('Juno Abasolo is absent today'));
  await type(page.getByLabel('Hit at once'), '2');
  await page.keyboard.press('Enter');
  const rows = page.getByTestId('clock').getByRole('row');
  await expect(rows.nth(1)).toContainText('One line');
  const three = await rows.evaluateAll((all) =>
    all.slice(1, 4).map((row) => Array.from(row.querySelectorAll('td'), (cell) => cell.textContent ?? '')),
  );
  for (const [, , hitting, pickingUp] of three) {
    expect(hitting!.split(', ')).toHaveLength(2);
    expect(pickingUp!.split(', ')).toHaveLength(1);
  }
  expect(new Set(three.map((cells) => cells[3])).size).toBe(3); // each picks up once in three turns
  await expect(page.getByTestId('clock')).not.toContainText('Juno Abasolo');
  const turns = [...(await page.getByTestId('plan-sums').textContent())!.matchAll(/(\d+) turns/g)].map(([, count]) => Number(count));
  expect(turns).toHaveLength(3);
  expect(Math.max(...turns) - Math.min(...turns)).toBeLessThanOrEqual(1);
  await type(page.getByLabel('Name', { exact: true }), `Orchard ${tag()}`);
  await expectNoSideways(page);
  await press(page.getByRole('button', { name: 'Keep the plan' }));
  await expect(page.getByRole('button', { name: 'Kept' })).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download', { timeout: 40_000 }),
    press(page.getByRole('button', { name: 'To a calendar' })),
  ]);
  const calendar = readFileSync((await file.path())!, 'utf8');
  expect(calendar).toMatch(/^BEGIN:VCALENDAR\r\n/);
  expect(calendar).toContain(`SUMMARY:Orchard ${tag()}`);
  await page.reload();
  await awake(page);
  await expect(page.getByLabel('Juno Abasolo is absent today')).toBeChecked();
  const plan = page.url();
  await press(page.getByRole('link', { name: 'Run turn 1 of rung 1' }));
  await awake(page, COURT);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('One line');
  await runTwo(page, hands);
  // the plan knows what was hit in the turn
  await open(page, plan);
  await expect(rows.nth(1)).toContainText('1 of 2');
  await expect(page.getByRole('link', { name: 'Run again turn 1 of rung 1' })).toBeVisible();
});

test('a college hitter: velocity ladder, then fastball and slider on two machines with a caller', { tag: '@desk' }, async ({ page }) => {
  const hands = byPointer;
  const { press, choose, type } = hands;
  const name = `College climb ${tag()}`;
  await open(page, '/ladders/build');
  await choose(page.getByLabel('Court', { exact: true }), 'Cage 1 (baseball)');
  await choose(page.getByLabel('Age', { exact: true }), 'College and up');
  await choose(page.getByLabel('Machine', { exact: true }), 'Heron');
  await choose(page.getByLabel('To this game ball'), 'Fastball, College');
  await expect(rungs(page).getByRole('heading').last()).toHaveText('Easy look');
  await expect(rungs(page).getByRole('heading', { name: 'Fastball', exact: true })).toBeVisible();
  await type(page.getByLabel('Name of the ladder'), name);
  await press(page.getByRole('button', { name: 'Keep this ladder' }));
  await awake(page, LADDER);
  await expect(page.getByLabel('Name of the ladder')).toHaveValue(name);
  await press(page.getByRole('button', { name: /^Open rung 2,/ }));
  await expect(page.getByText('Baseball: helmets and a screen.')).toBeVisible();

  await open(page, '/ladders/library?drill=baseball-two-machines-one-voice');
  await choose(page.getByLabel('Court', { exact: true }), 'Cage 1 (baseball)');
  await choose(page.getByLabel('Machine', { exact: true }), 'Heron');
  await choose(page.getByLabel('Approach', { exact: true }), 'Earn it');
  await expect(page.getByLabel('Second machine').locator('option:checked')).toHaveText('Flint');
  await press(page.getByRole('button', { name: 'Add to our ladders' }));
  await awake(page, LADDER);
  await expect(page.getByText(/^From the library:/)).toBeVisible();
  await press(page.getByRole('button', { name: /^Open rung 3, Called/ }));
  const rung = page.getByRole('region', { name: 'Rung 3 opened' });
  const list = rung.getByLabel(/^Called, by number/);
  await expect(list).toHaveValue('1 1 2 1 2 2 1 1 2 1');
  await press(rung.getByRole('button', { name: 'New list' }));
  await expect(list).not.toHaveValue('1 1 2 1 2 2 1 1 2 1');
  await type(list, '1 2 2 1');
  await page.keyboard.press('Enter');
  const strip = rung.getByTestId('strip').getByRole('listitem');
  await expect(strip).toHaveCount(30);
  await expect(strip.nth(1)).toHaveAttribute('data-feed', '2');
  await saved(page);
  await expectAccessible(page);

  await press(page.getByRole('link', { name: 'Plan it' }));
  await awake(page, PLAN);
  const calls = page.getByRole('list', { name: 'Calls of Called' }).getByRole('listitem');
  await expect(calls.first()).toContainText('Fastball, first machine · Heron');
  await expect(calls.nth(1)).toContainText('Slider, second machine · Flint');
  await press(page.getByRole('button', { name: 'Call from the screen' }).last());
  const caller = page.getByRole('dialog', { name: 'Caller' });
  await expect(caller).toContainText('Heron throws');
  await page.keyboard.press('Space');
  await expect(caller).toContainText('Flint throws');
  await page.keyboard.press('Escape');
  await expect(caller).toBeHidden();

  await press(page.getByRole('link', { name: 'Run turn 1 of rung 3' }));
  await awake(page, COURT);
  await press(page.getByRole('button', { name: ARM }));
  await press(page.getByRole('button', { name: /^Feed \d+ balls/ }));
  await expect(page.getByTestId('second-machine')).toContainText('Flint: feeding');
  await expect(ball(page, 1, 'thrown, not judged')).toBeAttached({ timeout: 30_000 });
  await expect(page.getByTestId('cue')).toContainText('Slider, second machine');
  await press(page.getByRole('button', { name: /^Hit/ }));
  await expect(ball(page, 2, 'thrown, not judged')).toBeAttached({ timeout: 30_000 });
  await press(page.getByRole('button', { name: /^Foul/ }));
  await press(page.getByRole('button', { name: /^Hold/ }));
  await expect(machineState(page)).toHaveAttribute('data-state', 'held');
  await expect(page.getByTestId('second-machine')).toContainText('Flint: held');
  await press(page.getByRole('button', { name: /^Stow/ }));
  await expect(machineState(page)).toHaveAttribute('data-state', 'stowed');
  await press(page.getByRole('button', { name: 'Finish round', exact: true }));
  await expect(page.getByText('Round finished: 1 of 2.')).toBeVisible();
  await expect(page.getByText(/The rung asks for \d+ of \d+: again\./)).toBeVisible();
});
