import { spawnSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { addressed, awake, figure, open, question, setting } from './support/pages.ts';

test.beforeEach(async ({ page }) => {
  await open(page, '/bench');
  await expect(page.getByRole('heading', { name: 'Arrival beside game' })).toBeVisible();
});

test('the speed on the screen is the one ./arc calc gives for the same set-up', { tag: '@desk' }, async ({ page }) => {
  await page.waitForURL(/s=/);
  const text = new URL(page.url()).searchParams.get('s')!;
  const setup = JSON.parse(Buffer.from(text, 'base64url').toString());
  const { stdout, stderr } = spawnSync('./arc', ['calc', 'aim'], {
    input: JSON.stringify({ ...question(setup), hold: setup.hold }),
    encoding: 'utf8',
  });
  expect(stderr).not.toContain('Bad input');
  const [solution] = JSON.parse(stdout).solutions;
  expect(await figure(page, 'Speed')).toBeCloseTo(solution.speedMps / 0.44704, 1);
});

test('a bad number is told at its field with what would be right, and the figures stay', { tag: '@desk' }, async ({ page }) => {
  const before = await figure(page, 'Speed');
  const elevation = setting(page, 'Elevation');
  await elevation.fill('steep');
  await elevation.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: '“steep” is not an angle. Type 18°.' })).toBeVisible();
  await expect(elevation).toHaveValue('steep');
  expect(await figure(page, 'Speed')).toBeCloseTo(before, 5);
  await elevation.press('Escape');
  await elevation.fill('70');
  await elevation.press('Enter');
  await expect(page.getByText('Bramble cannot go above 50.0°.')).toBeVisible();
});

test('any unit can be typed: 64.4 km/h into a field of mph', { tag: '@desk' }, async ({ page }) => {
  await setting(page, 'Speed').fill('64.4 km/h');
  await setting(page, 'Speed').press('Enter');
  expect(await figure(page, 'Speed')).toBeCloseTo(40, 1);
  await expect(page.getByText('held', { exact: true })).toBeVisible();
});

test('what cannot be done says which limit, and the nearest possible is one tap away', { tag: '@desk' }, async ({ page }) => {
  await setting(page, 'Elevation').fill('2');
  await setting(page, 'Elevation').press('Enter');
  const notice = page.getByRole('status').filter({ hasText: 'Nearest possible' });
  await expect(notice).toContainText(/at 2°/);
  await notice.getByRole('button', { name: 'Use it' }).click();
  await expect(notice).toBeHidden();
  expect(await figure(page, 'Elevation')).toBeGreaterThan(2);
});

test('all three sports, both units, and an address that reopens the bench as it was', { tag: '@phone' }, async ({ page }) => {
  for (const [court, machine] of [
    ['Orchard pickleball (pickleball)', 'Thistle'],
    ['Cage 1 (baseball)', 'Flint'],
    ['Court 2 (tennis)', 'Bramble'],
  ] as const) {
    await page.getByRole('combobox', { name: 'Court', exact: true }).selectOption({ label: court });
    await expect(page.getByRole('combobox', { name: 'Machine', exact: true }).locator('option:checked')).toHaveText(machine);
    await expect(page.getByText('Time to react')).toBeVisible();
  }
  await setting(page, 'Topspin').fill('1234');
  await setting(page, 'Topspin').press('Enter');
  await addressed(page);
  await page.reload();
  await awake(page);
  await expect(setting(page, 'Topspin')).toHaveValue('1230 rpm');
  await page.getByRole('button', { name: 'mph · ft' }).click();
  await expect(setting(page, 'Speed')).toHaveValue(/km\/h/);
  await expect(setting(page, 'Leaves at')).toHaveValue(/ m$/);
  await page.getByRole('button', { name: 'km/h · m' }).click();
  await expect(setting(page, 'Speed')).toHaveValue(/mph/);
});

test('distances from the lines move the machine', { tag: '@desk' }, async ({ page }) => {
  const field = page.getByLabel('Machine: distance behind the line');
  await field.fill('-6 ft');
  await field.press('Enter');
  await expect(page.getByText(/Machine 6 ft inside the far service line/)).toBeVisible();
  await field.fill('1.5 m');
  await field.press('Enter');
  await expect(page.getByText(/Machine 4 ft 11 in behind the far service line/)).toBeVisible();
});

test('a drag recomputes everything shown within a frame’s reach', { tag: '@phone' }, async ({ page }) => {
  const machine = page.getByRole('slider', { name: 'Machine' });
  const box = (await machine.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 30, box.y + box.height / 2 + 10, { steps: 5 });
  await page.mouse.up();
  // plan, profile and time ruler share the axis: release mark, machine and arc start stand on one x
  const at = await page.evaluate(() => {
    const polyline = Array.from(document.querySelectorAll('svg polyline'))
      .filter((each) => each.getAttribute('stroke') === 'var(--color-ball)')
      .map((each) => each.getAttribute('points')!.split(' ')[0]!.split(',')[0]);
    const mark = document.querySelector('svg line[stroke-dasharray="2 5"]')!.getAttribute('x1');
    return [...polyline, mark].map(Number);
  });
  expect(at).toHaveLength(3);
  expect(Math.max(...at) - Math.min(...at)).toBeLessThan(0.1);
});
