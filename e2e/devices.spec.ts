import { type Browser, expect, type Page, test } from '@playwright/test';
import { byKeys, byTouch } from './support/hands.ts';
import { ARM, awake, expectAccessible, expectNoSideways, findRung, machineState, open } from './support/pages.ts';

/** Another device: its own browser, without anything of the first. */
async function device(browser: Browser, phone: boolean): Promise<Page> {
  const size = phone ? { width: 390, height: 844 } : { width: 1280, height: 800 };
  return (await browser.newContext({ viewport: size, hasTouch: phone, isMobile: phone, serviceWorkers: 'block' })).newPage();
}

/** Run from a desk without a mouse, called from a phone by touch. */
test('a cage on four devices: run, called, fed, and seen from far away; overruled ball by ball, held from anywhere', {
  tag: '@desk',
}, async ({ page, browser }) => {
  const { press } = byKeys(page);
  await (await findRung(page, 'Turn about')).click();
  await awake(page, /\/courtside/);
  await page.getByLabel('Who is hitting').selectOption({ index: 1 });
  await press(page.getByRole('button', { name: ARM }));
  // the round has begun with that; its balls wait until everybody is there
  await expect(page.getByRole('button', { name: /^Feed/ })).toBeEnabled({ timeout: 60_000 });

  const [caller, feeder, far] = [await device(browser, true), await device(browser, true), await device(browser, false)];
  const { press: call } = byTouch(caller);
  await open(caller, '/live');
  const going = caller.getByRole('listitem').filter({ hasText: 'Turn about' }).first();
  await expect(going).toContainText('Heron, Flint');
  const links = {
    second: await going.getByRole('link', { name: 'Feeder of the second' }).getAttribute('href'),
    far: await going.getByRole('link', { name: 'Far screen' }).getAttribute('href'),
  };
  await going.getByRole('link', { name: 'Caller' }).click();
  await feeder.goto(links.second!);
  await far.goto(links.far!);
  await expect(feeder.getByTestId('feeder-phase')).toBeVisible();
  await expect(far.getByLabel('Far screen')).not.toContainText(/Slider|Fastball/); // the hitter looks at it
  await expectNoSideways(caller);
  await expectNoSideways(far);
  await expectAccessible(caller);
  await expectAccessible(far);

  // overruled: what the one who runs it sees is what the caller sees
  await press(page.getByText('Change what comes'));
  await call(caller.getByRole('button', { name: 'Skip it' }));
  await expect(page.getByText('Another screen asked for other balls.')).toBeVisible();
  const coming = page.getByRole('list', { name: 'Coming balls' }).getByRole('listitem');
  await expect
    .poll(async () => {
      const [shown, called] = [await coming.first().textContent(), await caller.getByTestId('caller-next').textContent()];
      return shown?.replace(/^\d+\s*/, '') === called;
    })
    .toBe(true);

  // fed and judged on the first device, read on the far one
  await press(page.getByRole('button', { name: /^Feed/ }));
  const hit = page.getByRole('button', { name: /^Hit/ }).first();
  await expect(hit).toBeEnabled({ timeout: 60_000 });
  await press(hit);
  await expect(far.getByTestId('far-score')).toHaveText(/^1 of \d+$/);

  // and held from another: every screen says so
  await call(caller.getByRole('button', { name: 'Hold' }));
  await expect(far.getByText('Hold')).toBeVisible();
  await expect(page.getByRole('button', { name: /^(Resume|Arm|Finish round)/ }).first()).toBeEnabled();
  await press(page.getByRole('button', { name: 'Finish round', exact: true }));
  await expect(far.getByText(/This round is over/)).toBeVisible();
  await press(page.getByRole('button', { name: /^Stow/ }));
  await expect(machineState(page)).toHaveAttribute('data-state', 'stowed');
  for (const each of [caller, feeder, far]) await each.context().close();
});
