import { expect, type Page, test } from '@playwright/test';
import { awake, expectAccessible, expectNoSideways, LADDER, open, saved, tabOnTo, tag } from './support/pages.ts';

const VIEWS = [
  '/',
  '/bench',
  '/ladders',
  '/ladders/build',
  '/ladders/library',
  '/ladders/library?drill=tennis-in-behind-it',
  '/courtside',
  '/logbook',
  '/club',
  '/rounds/add',
  '/kit?at=players',
  '/kit?at=squads',
  '/kit?at=courts',
  '/kit?at=balls',
  '/kit?at=machines',
  '/kit?at=gameBalls',
];

/** Views of one thing, by the link that leads there. */
async function viewsOfOne(page: Page): Promise<string[]> {
  const hrefIn = async (path: string, link: string): Promise<string> => {
    await open(page, path);
    return (await page.locator(`a[href^="${link}"]`).first().getAttribute('href'))!;
  };
  const ladder = await hrefIn('/ladders', '/ladders/0');
  const machine = await hrefIn('/kit?at=machines', '/machines/');
  await open(page, ladder);
  const rung = await page.locator('a[href^="/bench?rung="]').first().getAttribute('href');
  const id = (path: string): string => path.split(/[/=]/).at(-1)!;
  const player = await hrefIn('/club', '/logbook?player=');
  const [round] = await (await page.request.get(`/api/rounds?as=json&player=${id(player)}`)).json();
  return [
    ladder,
    machine,
    rung!,
    `/card?ladder=${id(ladder)}`,
    `/plan?ladder=${id(ladder)}`,
    `/tune?machine=${id(machine)}`,
    player,
    `/rounds/${round.id}`,
    `/next?players=${id(player)}`,
    `/report?player=${id(player)}`,
    '/live',
  ];
}

test('every view in every theme: axe finds nothing, nothing sticks out, no error in the console', async ({ page }) => {
  const errors: string[] = [];
  page.on('pageerror', ({ message }) => errors.push(message));
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
  const seen = new Set<string>();
  for (const view of [...VIEWS, ...(await viewsOfOne(page))]) {
    await open(page, view);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expectNoSideways(page);
    await test.step(view, () => expectAccessible(page, 'html', ['chalk', 'dusk', 'sun'], seen));
  }
  expect(errors).toEqual([]);
});

test('the theme is kept with the device', { tag: '@desk' }, async ({ page }) => {
  await open(page, '/');
  for (const [button, theme] of [
    ['Dusk', 'dusk'],
    ['Full sun', 'sun'],
    ['Chalk', 'chalk'],
  ] as const) {
    await page.getByRole('button', { name: button }).click();
    await expect(page.locator('html')).toHaveAttribute('data-theme', theme);
    await open(page, '/kit?at=courts');
    await expect(page.locator('html')).toHaveAttribute('data-theme', theme);
  }
});

test('a ladder is renamed, a rung deleted and brought back, the ladder deleted and brought back', { tag: '@desk' }, async ({ page }) => {
  await open(page, '/ladders');
  const cage = page.getByRole('listitem').filter({ hasText: 'Cage climb' }).first();
  await cage.getByRole('button', { name: 'Duplicate' }).click();
  const title = page.getByLabel('Name of the ladder');
  await expect(title).toHaveValue(/\(copy\)$/);
  await awake(page, LADDER);
  const name = `Spring cage ${tag()}`;
  await title.fill(name);
  await title.press('Enter');
  await expect(title).not.toBeFocused();
  await page.getByRole('button', { name: /^Open rung 2,/ }).click();
  await page.getByRole('button', { name: 'Delete rung 2' }).click();
  await expect(page.getByRole('link', { name: 'Quicker hands' })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'Quicker hands' })).toBeVisible();
  await saved(page);
  await page.reload();
  await awake(page);
  await expect(page.getByRole('list', { name: 'Rungs, hardest first' }).getByRole('heading', { level: 2 })).toHaveText([
    'Game look',
    'Quicker hands',
    'Easy and true',
  ]);
  await expect(title).toHaveValue(name);
  // what drags them comes after the page
  await expect(page.getByRole('list', { name: 'Rungs, hardest first' })).toHaveAttribute('data-drags');
  const grip = page.getByRole('button', { name: 'Move rung 1, Easy and true' });
  const from = (await grip.boundingBox())!;
  const to = (await page.getByRole('button', { name: 'Move rung 3, Game look' }).boundingBox())!;
  await page.mouse.move(from.x + 8, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 8, from.y - 20, { steps: 4 });
  await page.mouse.move(to.x + 8, to.y + 8, { steps: 10 });
  await page.mouse.up();
  await expect(page.getByRole('list', { name: 'Rungs, hardest first' }).getByRole('heading').first()).toHaveText('Easy and true');
  await saved(page);
  await page.getByText('More', { exact: true }).click();
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(page.getByText('The ladder was deleted.')).toBeVisible();
  await expect(page.getByRole('heading', { name })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Name of the ladder')).toHaveValue(name);
});

test('kit: a machine is added from its kind, its limits are changed, and it is archived with undo', { tag: '@phone' }, async ({ page }) => {
  const name = `Sorrel ${tag()}`;
  await open(page, '/kit?at=machines');
  await page.getByRole('button', { name: 'Add a machine' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Give it a name')).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel(/^Kind/).selectOption('One-wheel portable');
  const fastest = page.getByLabel('Fastest ball');
  await expect(fastest).toHaveValue('45.0 mph');
  await fastest.fill('50');
  await fastest.press('Tab');
  await page.getByLabel(/^Line address/).fill('elsewhere:80');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Leave empty, or give it as the machine’s display shows it')).toBeVisible();
  await page.getByLabel(/^Line address/).fill('');
  await page.getByRole('button', { name: 'Save' }).click();
  const row = page.getByRole('list', { name: 'Machines' }).getByRole('listitem').filter({ hasText: name });
  await expect(row).toContainText('10 mph to 50 mph');
  await page.getByRole('button', { name: `Archive ${name}` }).click();
  await expect(row).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row).toBeVisible();
  await page.reload();
  await expect(row).toContainText('worked by hand');
});

test('a message that pops up is no trap for the keyboard, and its Undo gives the focus back', { tag: '@desk' }, async ({ page }) => {
  await open(page, '/kit?at=machines');
  const flint = page.getByRole('list', { name: 'Machines' }).getByRole('listitem').filter({ hasText: 'Flint' });
  await flint.getByRole('button', { name: 'Archive Flint' }).press('Enter');
  const undo = page.getByRole('button', { name: 'Undo' });
  await expect(undo).toBeVisible();
  // Tab goes into the message and out at its other side
  const theme = page.getByRole('button', { name: 'Dusk' });
  await theme.focus();
  await tabOnTo(page, undo, 4);
  await tabOnTo(page, page.getByRole('button', { name: /^Players/ }), 4);
  await tabOnTo(page, theme, 8);
  await tabOnTo(page, undo, 4);
  await page.keyboard.press('Enter');
  await expect(flint).toBeVisible();
  await expect(theme).toBeFocused();
});
