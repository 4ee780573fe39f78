import { expect, type Locator, type Page, test } from '@playwright/test';
import { handsFor } from './support/hands.ts';
import {
  ARM,
  awake,
  COURT,
  expectNoSideways,
  findRung,
  finishIsSent,
  LADDER,
  machineByHand,
  machineState,
  open,
  saved,
  tag,
} from './support/pages.ts';

/** A round on court, by touch on a phone and by keyboard at a desk. A cage with two machines on four devices: devices.spec.ts. */

const button = (page: Page, name: string | RegExp): Locator => page.getByRole('button', { name }).locator('visible=true').first();
const tally = (page: Page): Locator => page.getByTestId('tally').locator('visible=true');
const balls = (page: Page): Locator => page.getByRole('list', { name: 'Balls', exact: true }).locator('visible=true').getByRole('listitem');
const thrown = (page: Page, seq: number): Locator =>
  balls(page)
    .nth(seq - 1)
    .getByText(`ball ${seq}: thrown, not judged`);

/** A copy of a built-in drill, its first rung taken on court. */
async function drillOnCourt(
  page: Page,
  [drill, number]: readonly [drill: string, rung: number],
  court: string,
  machine: string,
  ready?: (rung: Locator) => Promise<void>,
): Promise<void> {
  await open(page, `/ladders/library?drill=${drill}`);
  await page.getByLabel('Court', { exact: true }).selectOption({ label: court });
  await page.getByLabel('Machine', { exact: true }).selectOption({ label: machine });
  await page.getByRole('button', { name: 'Add to our ladders' }).click();
  await awake(page, LADDER);
  await page.getByRole('button', { name: new RegExp(`^Open rung ${number},`) }).click();
  const rung = page.getByRole('region', { name: `Rung ${number} opened` });
  await ready?.(rung);
  await saved(page);
  await rung.getByRole('link', { name: 'Run', exact: true }).click();
  await awake(page, COURT);
}

/** Somebody whose record no other journey builds on. */
const somebodyHits = async (page: Page): Promise<unknown> => page.getByLabel('Who is hitting').selectOption({ label: 'Nell Orrinsmith' });

test('alone by hand with a one-wheel thrower: the beat is tapped, the goal made easier, balls judged one by one and by number', {
  tag: '@phone',
}, async ({ page }) => {
  const { press } = handsFor(page);
  const name = `Teasel ${tag()}`;
  await machineByHand(page, name, 'One-wheel portable');
  await page.getByLabel('Balls a round').fill('8');
  await page.getByLabel('Climb at … hits').fill('9');
  await page.getByLabel('… of balls').fill('8');
  await page.getByRole('button', { name: 'Save rung' }).click();
  await expect(page.getByText('Cannot ask for more hits than balls')).toBeVisible();
  await page.getByLabel('Climb at … hits').fill('6');
  await page.getByRole('button', { name: 'Save rung' }).click();
  await page.getByRole('link', { name: 'Take it on court' }).click();
  await awake(page, COURT);
  await expect(page.getByRole('button', { name: /^Hold/ })).toHaveCount(0);
  await expect(button(page, /^In/)).toBeDisabled();
  await somebodyHits(page);
  const set = page.getByLabel('Set it up', { exact: true });
  for (const line of ['Machine', 'Dials', 'Elevation', 'Point it', 'Feed', 'Player']) await expect(set).toContainText(line);
  await button(page, 'Until when is the court ours?').click();
  await page.getByLabel('The court is ours until').fill('23:59');
  await press(button(page, /^Begin round/));
  await expect(page.getByTestId('court-left')).toContainText(/court/);
  for (let ball = 0; ball < 3; ball++) await press(button(page, /^A ball leaves/));
  await expect(page.getByTestId('beat')).toContainText(/^(Every|\d more)/);
  await press(button(page, /^In/));
  await press(page.getByText('Change what comes'));
  await press(button(page, 'Wider'));
  await expect(page.getByText('Goal now: target 125 % as wide.')).toBeVisible();
  await press(button(page, /^Out/));
  await press(button(page, 'That one again'));
  await press(button(page, /^In/));
  await expect(tally(page)).toHaveText('2 of 3');
  await press(button(page, 'Undo last'));
  await expect(tally(page)).toHaveText('1 of 2');
  await press(button(page, /^In/));
  await expectNoSideways(page);
  // its end does not get through: the round says so, and is whole when it has
  const problem = { type: 'about:blank', title: 'The database rests.', status: 503, errors: [] };
  await page.route('**/finish', (route) => route.fulfill({ status: 503, json: problem }));
  await press(button(page, 'Finish round'));
  await expect(page.getByText('Round finished: 2 of 3.')).toBeVisible();
  await page.getByRole('link', { name: 'Ball by ball' }).click();
  await expect(page.getByText('this device is still sending it', { exact: false })).toBeVisible();
  await expect(page.getByText('· not finished')).toBeVisible();
  await expectNoSideways(page);
  await page.unroute('**/finish');
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(page.getByText('From ball 2: target 125 % as wide.', { exact: false }).first()).toBeVisible();
  await expect(page.getByText('· not finished')).toHaveCount(0);
  await expect(page.getByText('still sending it', { exact: false })).toHaveCount(0);
});

test('a court machine on a line: two balls off, another interval, a jam; it throws what is shown, and the round goes on', {
  tag: '@phone',
}, async ({ page }) => {
  const { press, untick } = handsFor(page);
  let machineId = '';
  page.on('request', (request) => {
    machineId = /machines\/([0-9a-f-]+)\/link/.exec(request.url())?.[1] ?? machineId;
  });
  await drillOnCourt(page, ['tennis-five-markers', 2], 'Court 1 (tennis)', 'Bramble');
  await somebodyHits(page);
  await press(button(page, ARM));
  await press(button(page, /^Feed \d+ balls/));
  await expect(thrown(page, 1)).toBeAttached({ timeout: 60_000 });
  await press(button(page, /^Hold/));
  await expect(machineState(page)).toHaveAttribute('data-state', 'held');
  await press(page.getByText('Change what comes'));
  const kinds = page.getByRole('group', { name: 'In this round' }).getByRole('checkbox');
  const off = await Promise.all([3, 4].map((i) => kinds.nth(i).evaluate((box) => box.closest('label')!.textContent!)));
  for (const i of [3, 4]) await untick(kinds.nth(i));
  const coming = page.getByRole('list', { name: 'Coming balls' });
  for (const each of off) await expect(coming).not.toContainText(each);
  const lane = page.getByRole('group', { name: 'Interval' });
  const seconds = async (): Promise<number> => Number(/([\d.]+) s/.exec((await lane.textContent())!)![1]);
  const before = await seconds();
  await press(lane.getByRole('button', { name: 'Half a second later' }));
  await expect.poll(seconds).toBeGreaterThan(before);
  const now = await seconds();
  // what the machine says of the program it holds
  const said = await page.evaluate(
    ([id, wanted]) =>
      new Promise<number>((done) => {
        const stream = new EventSource(`/api/machines/${id}/link?page=onlooker`);
        stream.onmessage = ({ data }) => {
          const heard = JSON.parse(data);
          if (heard.event !== 'status' || Math.abs(heard.intervalS - Number(wanted)) > 0.01) return;
          stream.close();
          done(heard.intervalS);
        };
      }),
    [machineId, now] as const,
  );
  expect(said).toBeCloseTo(now, 2);
  await expect(page.getByText('Not what is shown')).toHaveCount(0);
  await press(button(page, /^In/));
  await page.getByText('Refill, or try a fault').click();
  await press(button(page, /^Resume/));
  await expect(thrown(page, 2)).toBeAttached({ timeout: 60_000 });
  await page.getByRole('button', { name: 'jam' }).click();
  await expect(page.getByText('Fault: jam.')).toBeVisible({ timeout: 30_000 });
  const left = await balls(page).filter({ hasText: 'thrown, not judged' }).count();
  for (let i = 0; i < left; i++) await press(button(page, /^Out/));
  await press(button(page, 'Clear the fault'));
  await expect(machineState(page)).toHaveAttribute('data-state', 'idle');
  await press(button(page, /^Arm/));
  await expect(button(page, `Feed ${10 - 1 - left} balls`)).toBeEnabled({ timeout: 30_000 });
  await press(button(page, /^Stow/));
  await expect(machineState(page)).toHaveAttribute('data-state', 'stowed');
  const sent = finishIsSent(page);
  await press(button(page, 'Finish round'));
  await expect(page.getByText(`Round finished: 1 of ${1 + left}.`)).toBeVisible();
  await sent;
  await page.getByRole('link', { name: 'Ball by ball' }).click();
  await expect(page.getByText(`without ${off[0]}`, { exact: false }).first()).toBeVisible();
  await expect(page.getByText(`every ${now.toFixed(1)} s`, { exact: false }).first()).toBeVisible();
});

test('a serve, then the next ball: the ritual has its own beat before each release', { tag: '@desk' }, async ({ page }) => {
  const { press } = handsFor(page);
  await drillOnCourt(page, ['tennis-serve-and-next', 1], 'Court 1 (tennis)', 'Bramble');
  await somebodyHits(page);
  await press(button(page, ARM));
  await press(button(page, /^Feed \d+ balls/));
  await expect(page.getByText(/ritual (in \d+ s|now)/).locator('visible=true')).toBeVisible({ timeout: 60_000 });
  await expect(thrown(page, 1)).toBeAttached({ timeout: 60_000 });
  await press(button(page, /^In/));
  await press(button(page, /^Stow/));
  await expect(machineState(page)).toHaveAttribute('data-state', 'stowed');
  // on a slow machine the others were thrown meanwhile, and the large button waits for a verdict on the last: this one does not
  await press(page.getByRole('button', { name: 'Finish round', exact: true }));
  await expect(page.getByText('Round finished: 1 of 1.')).toBeVisible();
});

test('a pair on two lines: each ball is somebody’s, one comes late and the other hits on', { tag: '@desk' }, async ({ page }) => {
  const { press, tick, untick } = handsFor(page);
  await (await findRung(page, 'Two lines, quicker')).click();
  await awake(page, COURT);
  await page.getByLabel('Hits first').selectOption({ label: 'Juno Abasolo' });
  await page.getByLabel('Hits second').selectOption({ label: 'Nell Orrinsmith' });
  await press(button(page, ARM));
  await press(button(page, /^Feed \d+ balls/));
  await expect(thrown(page, 1)).toBeAttached({ timeout: 60_000 });
  await press(button(page, /^Hold/));
  await expect(machineState(page)).toHaveAttribute('data-state', 'held');
  // a ball more may have left meanwhile
  const left = await balls(page).filter({ hasText: 'thrown, not judged' }).count();
  for (let i = 0; i < left; i++) await press(button(page, /^In/));
  await press(page.getByText('Change what comes'));
  const late = page.getByRole('group', { name: 'Hitting' }).getByRole('checkbox', { name: 'Nell Orrinsmith' });
  await untick(late);
  await expect(page.getByTestId('cue')).toContainText('Juno Abasolo');
  await tick(late);
  await press(button(page, /^(Finish round)/));
  const each = [Math.ceil(left / 2), Math.floor(left / 2)];
  await expect(page.getByText(`Juno Abasolo: ${each[0]} of ${each[0]}.`)).toBeVisible();
  await expect(page.getByText(`Nell Orrinsmith: ${each[1]} of ${each[1]}.`)).toBeVisible();
  await press(button(page, /^Stow/));
  await expect(machineState(page)).toHaveAttribute('data-state', 'stowed');
});

test('a fielding routine with pitcher and catcher absent: their balls are not thrown', { tag: '@phone' }, async ({ page }) => {
  const { press } = handsFor(page);
  await drillOnCourt(page, ['baseball-whoever-is-there', 3], 'Long Meadow field (baseball)', 'Heron', async (rung) => {
    for (const absent of ['P', 'C']) await rung.getByLabel(absent, { exact: true }).check();
  });
  await somebodyHits(page);
  await press(button(page, ARM));
  await press(button(page, /^Feed \d+ balls/));
  await expect(thrown(page, 1)).toBeAttached({ timeout: 60_000 });
  await press(button(page, /^Hold/));
  await press(page.getByText('Change what comes'));
  const coming = page.getByRole('list', { name: 'Coming balls' });
  await expect(coming.getByRole('listitem')).not.toHaveCount(0);
  await expect(coming).not.toContainText(/Ground ball to P|in front of the plate/);
  const kinds = page.getByRole('group', { name: 'In this round' });
  await expect(kinds).toContainText('Ground ball to SS');
  await press(button(page, /^(Taken|In|Clean)/));
  await press(button(page, 'Finish round'));
  await expect(page.getByText('Round finished: 1 of 1.')).toBeVisible();
  await press(button(page, /^Stow/));
  await expect(machineState(page)).toHaveAttribute('data-state', 'stowed');
});
