import { readFileSync } from 'node:fs';
import { expect, type Locator, type Page, test } from '@playwright/test';
import {
  awake,
  COURT,
  expectAccessible,
  expectNoSideways,
  findRung,
  finishIsSent,
  machineState,
  open,
  settledBox,
  tag,
  tap,
} from './support/pages.ts';

/** A new person: a machine is added, tuned on the simulated one, used on the bench and the card, its curve deleted and read back from its file. */

interface Hands {
  /** Presses a button or follows a link. */
  press: (target: Locator) => Promise<void>;
  type: (target: Locator, text: string) => Promise<void>;
  choose: (target: Locator, label: string) => Promise<void>;
  /** Marks the spot of the simulated ball on the plan. */
  mark: () => Promise<void>;
}

const byTouch = (page: Page): Hands => ({
  press: (target) => tap(page, target),
  type: (target, text) => target.fill(text),
  choose: async (target, label) => void (await target.selectOption({ label })),
  async mark() {
    const { x, y, width, height } = await settledBox(page.getByTestId('landed').locator('circle').last());
    await page.touchscreen.tap(x + width / 2, y + height / 2);
  },
});

/** Throws three that count with the dial as it stands, and marks each. */
async function testBalls(page: Page, hands: Hands): Promise<void> {
  const list = page.getByRole('list', { name: 'Test balls' }).getByRole('listitem');
  const marked = list.filter({ hasText: /\d (ft|in) out/ });
  const before = await list.count();
  await hands.press(page.getByRole('button', { name: /^Throw 4/ }));
  // a ring stays until it is marked: a slow hand loses no ball
  for (let n = 1; n <= 3; n++) {
    await expect(page.getByTestId('landed')).toBeVisible({ timeout: 40_000 });
    await hands.mark();
    await expect(marked).toHaveCount(before + n); // with its distance
  }
  await expect(list).toHaveCount(before + 3);
  await expect(page.getByRole('button', { name: /^Throw 4/ })).toBeVisible({ timeout: 20_000 });
}

test('a new machine is tuned, used, forgotten and read back from its file', { tag: '@phone' }, async ({ page }) => {
  test.setTimeout(240_000);
  const name = `Quill ${tag()}`;
  const hands = byTouch(page);
  const { press, type, choose } = hands;

  await open(page, '/kit?at=machines');
  await press(page.getByRole('button', { name: 'Add a machine' }));
  await type(page.getByLabel('Name', { exact: true }), name);
  await choose(page.getByLabel(/^Kind/), 'Two-wheel portable');
  await press(page.getByText('Wheels, spin, power, how true it repeats'));
  await type(page.getByLabel(/^Safety/), 'Left cover is sharp.');
  await press(page.getByRole('button', { name: 'Save' }));
  await press(page.getByRole('link', { name: `Dials of ${name}` }));
  await awake(page, /\/machines\//);

  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
  await expect(page.getByText('Not tuned: nobody knows yet').first()).toBeVisible();
  await press(page.getByRole('button', { name: 'Use a simulated machine' }));
  await expect(page.getByText(/^On a line at/)).toBeVisible();
  await expectNoSideways(page);
  await press(page.getByRole('link', { name: 'Tune up Speed' }));

  // three marks of the dial, three balls each; the radar gun sends its own readings
  await expect(page.getByRole('heading', { name: 'Tune-up · Speed' })).toBeVisible();
  await expect(page.getByText('Nothing yet.')).toBeVisible();
  await expect(page.getByTestId('reading')).toHaveText('2½');
  await testBalls(page, hands);
  await expect(page.getByTestId('fit-words')).toContainText(/2½ is [\d.]+ mph, give or take/);
  for (let i = 0; i < 5; i++) await press(page.getByRole('button', { name: 'One click higher' }));
  await expect(page.getByTestId('reading')).toHaveText('5');
  await testBalls(page, hands);
  await expect(page.getByText(/radar \d/).first()).toBeVisible();
  await expectNoSideways(page);
  await expectAccessible(page);
  await press(page.getByRole('button', { name: /^Set the dial to/ }));
  await expect(page.getByTestId('reading')).not.toHaveText('5');
  await page.reload(); // the balls are kept on the device
  await awake(page);
  await expect(page.getByRole('list', { name: 'Test balls' }).getByRole('listitem')).toHaveCount(6);
  await press(page.getByRole('button', { name: /^Keep this curve/ }));

  await expect(page.getByText(/5 is [\d.]+ mph, give or take [\d.]+ mph/)).toBeVisible();
  const gives = (await page.getByText(/5 is [\d.]+ mph, give or take/).textContent())!;
  await expect(page.getByText(/6 of 6 balls/)).toBeVisible();

  // the bench says the dial value; the rung goes on a card
  await open(page, '/bench');
  await choose(page.getByRole('combobox', { name: 'Machine', exact: true }), name);
  await expect(page.getByTestId('dials')).toContainText(/Speed \d/);
  await expect(page.getByTestId('dials')).toContainText('Not tuned: Spin, Elevation, Feed');
  await press(page.getByRole('button', { name: 'Add to ladder' }));
  await type(page.getByLabel('Name of the rung'), `First with ${name}`);
  await choose(page.getByLabel('Ladder', { exact: true }), 'A new ladder …');
  await type(page.getByLabel('Name of the new ladder'), `With ${name}`);
  await press(page.getByRole('button', { name: 'Save rung' }));
  await press(page.getByRole('button', { name: 'Open ladder' }));
  await press(page.getByRole('link', { name: 'Setup card' }));
  // on a phone a sheet a rung, each with all it takes and the rung itself in its code
  const sheet = page.locator('.rung-sheet').first();
  await expect(sheet).toContainText(/Speed \d/);
  await expect(sheet).toContainText('Left cover is sharp.');
  await expect(sheet).toContainText(/Elevation.*±/);
  await expect(sheet.getByRole('img', { name: 'QR code that holds this rung' })).toBeVisible();
  await expectNoSideways(page);
  await choose(page.getByLabel('Sheets'), 'all rungs on one');
  const card = page.locator('.setup-card').first();
  await expect(card).toContainText(/Speed\d/);
  await expect(card).toContainText('dial not tuned');
  await expect(card).toContainText('Left cover is sharp.');
  await expect(card.getByRole('img', { name: /^QR code that opens http/ })).toBeVisible();
  await expectNoSideways(page);
  const message = await page.getByLabel('Card as text').inputValue();
  const [paper] = await Promise.all([
    page.waitForEvent('download', { timeout: 30_000 }),
    press(page.getByRole('button', { name: 'Save as PDF' })),
  ]);
  const bytes = readFileSync((await paper.path())!);
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  expect(bytes.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(1); // one page
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print', exact: true })).toBeHidden();
  await expect(card).toBeVisible();
  await page.emulateMedia({ media: 'screen' });

  // as a message to another club, and back
  await open(page, '/ladders');
  await press(page.getByRole('button', { name: 'Read a card' }));
  await page.getByLabel('Card as text').fill(message.slice(0, message.length / 2));
  await expect(page.getByText('Nothing was taken from this card.')).toBeVisible();
  await page.getByLabel('Card as text').fill(message);
  await choose(page.getByLabel('On our machine'), 'Wren');
  await expect(page.getByText('What could not be matched')).toBeVisible();
  await expect(page.getByText(/Wren cannot make this spin/)).toBeVisible();
  await press(page.getByRole('button', { name: 'Add it as a ladder' }));
  await expect(page.getByLabel('Name of the ladder')).toHaveValue(`With ${name}`);
  await expect(page.getByText(/^Wren · /)).toBeVisible();

  // the curve goes, and comes back from the file
  await open(page, '/kit?at=machines');
  await press(page.getByRole('link', { name: `Dials of ${name}` }));
  await awake(page, /\/machines\//);
  const [file] = await Promise.all([
    page.waitForEvent('download', { timeout: 40_000 }),
    press(page.getByRole('button', { name: 'Save as a file' })),
  ]);
  expect(file.suggestedFilename()).toBe(`${name.toLowerCase().replaceAll(' ', '-')}.machine.json`);
  /** A page shows at once what it still has to save: opened anew before that, it would not be saved. */
  const saved = () => page.waitForResponse((answer) => answer.request().method() === 'PUT' && answer.ok(), { timeout: 40_000 });
  await Promise.all([saved(), press(page.getByRole('button', { name: 'Delete the curve of Speed' }))]);
  await expect(page.getByText(/5 is [\d.]+ mph/)).toBeHidden();
  await page.reload();
  await awake(page);
  await expect(page.getByText('Not tuned: nobody knows yet')).toHaveCount(4);
  const restore = async (with_: string | { name: string; mimeType: string; buffer: Buffer }): Promise<void> => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser', { timeout: 40_000 }),
      press(page.getByRole('button', { name: 'Restore from a file' })),
    ]);
    await chooser.setFiles(with_);
  };
  await restore({ name: 'half.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"good-arc-machine","version":1,') });
  await expect(page.getByText('Nothing was taken from this file.')).toBeVisible();
  await expect(page.getByText('Not tuned: nobody knows yet')).toHaveCount(4);
  const path = (await file.path())!;
  await Promise.all([saved(), restore(path)]);
  await expect(page.getByText(gives)).toBeVisible();
  await page.reload();
  await expect(page.getByText(gives)).toBeVisible();
});

test('the first ball by itself: one ball tells little, two say what to turn, two in a row, and into the round with it', {
  tag: '@desk',
}, async ({ page }) => {
  await (await findRung(page, 'Across the net, deeper')).click();
  await awake(page, COURT);
  await page.getByRole('button', { name: 'First ball by itself' }).click();
  const box = page.getByTestId('landing-plan').locator('rect[stroke-dasharray]');
  const tapAt = async (shareX: number): Promise<void> => {
    await box.scrollIntoViewIfNeeded();
    const { x, y, width, height } = (await box.boundingBox())!;
    await page.mouse.click(x + shareX * width, y + height / 2);
  };
  const inARow = page.getByTestId('in-a-row');
  const next = page.getByTestId('next-trim');
  await expect(inARow).toHaveText('0 in a row of 2');
  await tapAt(-0.3); // short: the far end is on the left
  await expect(next).toContainText('One ball tells little');
  await tapAt(-0.5);
  await expect(next).toContainText(/By the middle of 2 balls.*Elevation (up|down) [\d.]+°.*or.*(faster|slower)/i);
  await expect(page.getByRole('button', { name: /^Throw all \d % faster today/ })).toBeVisible();
  await next.getByRole('button', { name: /^Set it so.*elevation/ }).click();
  await tapAt(0.5);
  await expect(inARow).toHaveText('1 in a row of 2');
  await tapAt(0.6);
  await expect(inARow).toHaveText('2 in a row: it is right');
  await page.getByRole('button', { name: 'Ask for three' }).click();
  await expect(inARow).toHaveText('2 in a row of 3');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Throw one' }).click();
  await expect(page.getByTestId('landed')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('button', { name: 'Throw one' })).toBeEnabled();
  await page.getByRole('button', { name: 'Arm for the round' }).click();
  await page.getByRole('button', { name: /^Feed \d+ balls/ }).click();
  await page.getByRole('button', { name: /^In/ }).click({ timeout: 30_000 });
  await page.getByRole('button', { name: /^Stow/ }).click();
  await expect(machineState(page)).toHaveAttribute('data-state', 'stowed');
  await Promise.all([finishIsSent(page), page.getByRole('button', { name: 'Finish round', exact: true }).click()]);
  await page.getByRole('link', { name: 'Ball by ball' }).click();
  await expect(page.getByText(/trimmed: elevation [\d.]+° (up|down)/)).toBeVisible();
});
