import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, type Locator, type Page, test } from '@playwright/test';
import { addressed, awake, expectAccessible, expectNoSideways, figure, open, question, setting, tabOnTo, tabTo } from './support/pages.ts';

/** One person’s hands: the same journey by mouse (or finger) and by keyboard. */
interface Hands {
  press: (name: string, role?: 'button' | 'tab') => Promise<void>;
  type: (name: string, value: string) => Promise<void>;
  choose: (name: string, option: string) => Promise<void>;
  /** Moves a thing on the drawing a little to the right. */
  move: (name: string) => Promise<void>;
}

const byMouse = (page: Page): Hands => ({
  press: (name, role = 'button') => page.getByRole(role, { name }).first().click(),
  type: async (name, value) => {
    await setting(page, name).fill(value);
    await setting(page, name).press('Enter');
  },
  choose: async (name, option) => {
    await page.getByRole('combobox', { name, exact: true }).selectOption({ label: option });
  },
  move: async (name) => {
    const thing = page.getByRole('slider', { name, exact: true });
    await thing.scrollIntoViewIfNeeded();
    const box = (await thing.boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 12, y, { steps: 6 });
    await page.mouse.up();
  },
});

const hasFocus = (target: Locator): Promise<boolean> => target.evaluate((element) => element === document.activeElement);

const byKeyboard = (page: Page): Hands => ({
  press: async (name, role = 'button') => {
    if (role === 'tab') {
      // one stop of the tab key leads to the open tab; the arrows go on from there
      await tabOnTo(page, page.getByRole('tab', { selected: true }));
      for (let i = 0; i < 12 && !(await hasFocus(page.getByRole('tab', { name }))); i++) await page.keyboard.press('ArrowRight');
      await expect(page.getByRole('tab', { name })).toHaveAttribute('aria-selected', 'true');
      return;
    }
    await tabTo(page, { role, name });
    await page.keyboard.press('Enter');
  },
  type: async (name, value) => {
    await tabOnTo(page, setting(page, name));
    await page.keyboard.type(value);
    await page.keyboard.press('Enter');
  },
  choose: async (name, option) => {
    await tabTo(page, { role: 'combobox', name: new RegExp(`^${name}$`) });
    const list = page.getByRole('combobox', { name, exact: true });
    await page.keyboard.type(option);
    await expect(list.locator('option:checked')).toHaveText(option);
  },
  move: async (name) => {
    await tabTo(page, { role: 'slider', name: new RegExp(`^${name}$`) });
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('Alt+ArrowLeft');
  },
});

/** The set-up in the address, once it has caught up. */
async function setupOf(page: Page, key = 's'): Promise<Record<string, never>> {
  await addressed(page);
  return JSON.parse(Buffer.from(new URL(page.url()).searchParams.get(key)!, 'base64url').toString());
}

function calc(verb: string, document: unknown): never {
  const { stdout, stderr } = spawnSync('./arc', ['calc', verb], { input: JSON.stringify(document), encoding: 'utf8' });
  expect(stderr).not.toContain('Bad input');
  return JSON.parse(stdout) as never;
}

const FT = 0.3048;
/** `2 ft 7 in` as metres. */
const lengthOf = (text: string): number => {
  const [, ft = '0', inches = '0'] = /(?:(\d+) ft)? ?(?:(\d+) in)?/.exec(text)!;
  return Number(ft) * FT + Number(inches) * 0.0254;
};

async function atBench(page: Page): Promise<void> {
  await open(page, '/bench');
  await expect(page.getByRole('heading', { name: 'Arrival beside game' })).toBeVisible();
}

for (const [way, handsOf, tag] of [
  ['by mouse', byMouse, '@phone'],
  ['by keyboard', byKeyboard, '@desk'],
] as const)
  test(`tennis, ${way}: a feed for a Building player, its chances, a trim, and closer to the game`, { tag }, async ({ page }) => {
    await atBench(page);
    const hands = handsOf(page);
    const before = await figure(page, 'Speed');
    await hands.move('Landing spot');
    expect(await figure(page, 'Speed')).toBeGreaterThan(before);
    await hands.type('Over the net', '3 ft 6');
    await expect(setting(page, 'Over the net')).toHaveValue('3 ft 6 in');
    await expect(page.getByText('held', { exact: true })).toHaveCount(1);

    const setup = await setupOf(page);
    const { solutions } = calc('aim', { ...question(setup), hold: setup.hold }) as { solutions: Record<string, number>[] };
    const solution = solutions[0]!;
    expect(await figure(page, 'Speed')).toBeCloseTo(solution.speedMps! / 0.44704, 1);
    expect(await figure(page, 'Elevation')).toBeCloseTo(solution.elevationDeg!, 1);
    expect(await figure(page, 'In the air')).toBeCloseTo(solution.flightTimeS!, 2);

    await hands.press('Chances', 'tab');
    const inTarget = page.getByRole('row', { name: /in the target/ });
    await expect(inTarget).toContainText('±');
    const { speedMps, elevationDeg, bearingDeg } = solution;
    const { from, target, spin, ...rest } = question(setup);
    const { widthM, depthM } = (setup as unknown as { landingZone: { widthM: number; depthM: number } }).landingZone;
    const spread = calc('spread', {
      ...rest,
      launch: { ...from, ...spin, speedMps, elevationDeg, bearingDeg },
      repeatability: { speedPct: 1.8, elevationDeg: 0.5, bearingDeg: 0.5, spinPct: 8 },
      target: { kind: 'rect', x: target.x, y: target.y, widthM, depthM },
    }) as { chance: Record<string, number> };
    await expect(inTarget).toContainText(`${(100 * spread.chance.inTarget!).toFixed(0)} %`);

    await hands.press('Where did it land?', 'tab');
    if (way === 'by mouse') {
      const patch = page.getByRole('img', { name: /tap where the ball landed/ });
      const box = (await patch.boundingBox())!;
      await page.mouse.click(box.x + 110, box.y + 160);
    } else {
      await tabTo(page, { role: 'textbox', name: /^Long/ });
      await page.keyboard.type('-2 ft');
      await page.keyboard.press('Enter');
    }
    await expect(page.getByText(/\d° (up|down)/).first()).toBeVisible();
    await hands.press('Aim as far to the other side');
    await hands.press('Undo');

    await hands.press('Closest to game', 'tab');
    await hands.press('Closest from here');
    await hands.press('Use it');
    await expect(page.getByText(/Every figure is near|What differs/)).toBeVisible();
    await expectNoSideways(page);
    await expectAccessible(page);
  });

test('pickleball, by mouse: drop practice from an underspin return', { tag: '@desk' }, async ({ page }) => {
  await atBench(page);
  const hands = byMouse(page);
  await hands.choose('Court', 'Orchard pickleball (pickleball)');
  await hands.choose('Game ball to compare', 'Deep return, underspin, Building');
  await expect(page.getByText('known roughly only')).toBeVisible();
  await hands.type('Topspin', '-400');
  await hands.type('In the air', '1.05');
  await expect(setting(page, 'In the air')).toHaveValue('1.05 s');
  await hands.move('Landing zone');
  await hands.press('Every arc', 'tab');
  const setup = await setupOf(page);
  const { arcs } = calc('family', {
    ...question(setup),
    count: 3,
    limits: { speedMps: [10 * 0.44704, 60 * 0.44704], elevationDeg: [-5, 50] },
  }) as { arcs: { speedMps: number }[] };
  expect(arcs).toHaveLength(3);
  const { solutions } = calc('aim', { ...question(setup), hold: setup.hold }) as { solutions: Record<string, number>[] };
  expect(await figure(page, 'Speed')).toBeCloseTo(solutions[0]!.speedMps! / 0.44704, 1);
  expect(lengthOf(await setting(page, 'Over the net').inputValue())).toBeCloseTo(solutions[0]!.netClearanceM!, 1);
  await expect(page.getByRole('row', { name: /°/ }).first()).toBeVisible();
  await hands.press('Air and wind', 'tab');
  await expect(page.getByText(/The air is \d+ % thinner/)).toBeVisible();
  await hands.press('Closest to game', 'tab');
  await hands.press('Best place to stand it');
  await expect(page.getByRole('button', { name: 'Use it' })).toHaveCount(3);
});

test('baseball, by keyboard: a fastball and a change-up from one place', { tag: '@desk' }, async ({ page }) => {
  await atBench(page);
  const hands = byKeyboard(page);
  await hands.choose('Court', 'Cage 1 (baseball)');
  await hands.type('Speed', '60');
  await hands.press('Set a second pitch beside it');
  await hands.type('Speed', '52');
  await hands.type('Topspin', '-1200');
  await expect(page.getByText('B comes after A')).toBeVisible();
  const gap = Number.parseFloat((await page.getByText(/^\d+ ms$/).textContent())!);
  const [a, b] = [await setupOf(page), await setupOf(page, 'b')];
  const timeOf = (setup: Record<string, never>): number =>
    (calc('aim', { ...question(setup), hold: setup.hold }) as { solutions: { flightTimeS: number }[] }).solutions[0]!.flightTimeS;
  expect(gap).toBeCloseTo((timeOf(b) - timeOf(a)) * 1000, -0.5);
  await expect(page.getByText(/frames at 240/)).toBeVisible();

  await hands.press('Hitter’s view');
  const view = page.getByRole('dialog', { name: 'Hitter’s view' });
  await expect(view.locator('canvas').first()).toBeVisible();
  await hands.press('Decide');
  await expect(view.getByText(/decided/)).toBeVisible();
  await hands.press('One frame on');
  await page.keyboard.press('Escape');
  await expect(view).toBeHidden();

  await hands.press('Compare A and B', 'tab');
  await expect(page.getByRole('row', { name: /^Speed.*60.0 mph.*52.0 mph/ })).toBeVisible();
  await hands.press('Pace', 'tab');
  await expect(page.getByRole('region', { name: 'Wall chart' }).getByRole('row')).toHaveCount(8);
  await addressed(page);
  await page.reload();
  await expect(page.getByText('B comes after A')).toBeVisible(); // the address holds both
  await expectNoSideways(page);
  await expectAccessible(page);
});
test('baseball: balls to the fielders, and a pitch again', { tag: '@desk' }, async ({ page }) => {
  await open(page, '/bench');
  await page.getByRole('combobox', { name: 'Court', exact: true }).selectOption({ label: 'Long Meadow field (baseball)' });
  for (const [name, called] of [
    ['Pop-up', 'Pop-up'],
    ['Line drive', 'Line drive'],
    ['Grounder', 'Grounder'],
    ['Fly ball', 'Fly ball'],
  ] as const) {
    await page.getByRole('button', { name, exact: true }).click();
    const aside = page.getByRole('complementary', { name: 'Choices and arrival' });
    await expect(aside.getByText(called, { exact: true })).toBeVisible();
    await expect(aside.getByText('Hang time')).toBeVisible();
  }
  await page.getByRole('button', { name: 'Pitch', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'At the plate' })).toBeVisible();
});

test('a feed is saved as a game ball, chosen, and changed in Kit', { tag: '@desk' }, async ({ page }) => {
  await open(page, '/bench');
  await page.getByRole('tab', { name: 'Closest to game' }).click();
  await page.getByRole('button', { name: 'Save this feed as a game ball' }).click();
  await expect(page.getByText(/Saved as “Feed of Bramble/)).toBeVisible();
  await page.reload();
  await awake(page);
  const list = page.getByRole('combobox', { name: 'Game ball to compare' });
  const own = (await list.locator('option').allTextContents()).find((each) => each.startsWith('Feed of Bramble'))!;
  await list.selectOption({ label: own });
  await page.getByRole('tab', { name: 'Closest to game' }).click();
  await expect(page.getByText(/^(9\d|100)$/)).toBeVisible(); // the feed is its own game ball
  await open(page, '/kit?at=gameBalls');
  await page.getByRole('button', { name: /Change Feed of Bramble/ }).click();
  await page.getByLabel('Clears the net by').fill('7 ft');
  await page.getByLabel('Clears the net by').press('Tab');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/clears it by 7 ft/)).toBeVisible();
});

test('ten thousand balls are counted again when the feed changes', { tag: '@desk' }, async ({ page }) => {
  await open(page, '/bench');
  await page.getByRole('tab', { name: 'Chances' }).click();
  await expect(page.getByRole('row', { name: /in the target/ })).toContainText('±');
  await setting(page, 'Topspin').fill('900');
  await setting(page, 'Topspin').press('Enter');
  await expect(page.getByText('Throwing 10,000 balls …')).toBeVisible();
  await expect(page.getByRole('row', { name: /in the target/ })).toContainText('±');
});

test('every question to a feed: axe finds nothing in either theme, nothing sticks out', async ({ page }) => {
  await open(page, '/bench');
  const look = async (): Promise<void> => {
    await expectNoSideways(page);
    await expectAccessible(page, '[role=tabpanel]', ['chalk', 'dusk']);
  };
  const tabs = page.getByRole('tab');
  await expect(tabs.first()).toBeVisible();
  for (let i = 0; i < (await tabs.count()); i++) {
    await tabs.nth(i).click();
    await look();
  }
  await page.getByRole('combobox', { name: 'Court', exact: true }).selectOption({ label: 'Cage 1 (baseball)' });
  await page.getByRole('tab', { name: 'Pace' }).click();
  await look();
});

test('printed, the bench is paper: no buttons, no questions; the wall chart goes alone', { tag: '@desk' }, async ({ page }) => {
  await open(page, '/bench');
  await page.getByRole('combobox', { name: 'Court', exact: true }).selectOption({ label: 'Cage 1 (baseball)' });
  await page.getByRole('tab', { name: 'Pace' }).click();
  const chart = page.getByRole('region', { name: 'Wall chart' });
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Add to ladder' })).toBeHidden();
  await expect(page.getByRole('tab', { name: 'Chances' })).toBeHidden();
  await expect(page.getByRole('group', { name: 'Plan, side view and time of the ball' })).toBeVisible();
  await page.evaluate(() => {
    document.body.dataset.print = 'chart';
  });
  await expect(chart).toBeVisible();
  await expect(page.getByRole('group', { name: 'Plan, side view and time of the ball' })).toBeHidden();
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
});

test('the wall chart as a file: a line for each distance and method, a column for each speed', { tag: '@desk' }, async ({ page }) => {
  await open(page, '/bench');
  await page.getByRole('combobox', { name: 'Court', exact: true }).selectOption({ label: 'Cage 1 (baseball)' });
  await page.getByRole('tab', { name: 'Pace' }).click();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'CSV' }).click()]);
  expect(file.suggestedFilename()).toBe('pace-chart.csv');
  const lines = readFileSync(await file.path(), 'utf8').split('\n');
  expect(lines).toHaveLength(1 + 2 * 7);
  for (const line of lines) expect(line.split('","')).toHaveLength(10);
  const cell = await page.getByRole('region', { name: 'Wall chart' }).getByRole('row').nth(1).getByRole('cell').first().textContent();
  expect(lines[1]).toContain(`"${cell!.split(' ')[0]}"`);
});

test('the figures are copied as text', { tag: '@desk' }, async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await open(page, '/bench');
  await page.getByRole('button', { name: 'Copy the figures' }).click();
  await expect(page.getByText('The figures are copied as text.')).toBeVisible();
  const text = await page.evaluate(() => navigator.clipboard.readText());
  expect(text).toContain(`Speed: ${await setting(page, 'Speed').inputValue()}`);
  expect(text).toMatch(/^Machine: Bramble$/m);
});

test('the wind is drawn and dragged, and the ball is re-aimed into it', { tag: '@phone' }, async ({ page }) => {
  await open(page, '/bench');
  const before = await figure(page, 'Speed');
  const wind = page.getByRole('slider', { name: 'Wind' });
  await wind.focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowLeft');
  await expect(wind).toHaveAttribute('aria-valuetext', /mph/);
  expect(await figure(page, 'Speed')).toBeGreaterThan(before); // toward the far end: in the ball’s face
  await page.getByRole('tab', { name: 'Air and wind' }).click();
  await expect(page.getByText(/shorter/)).toBeVisible();
  await page.getByRole('tab', { name: 'Chances' }).click();
  await expect(page.getByRole('row', { name: /gusts/ })).toContainText('0 in');
});
