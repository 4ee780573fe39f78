import { expect, type Locator, type Page, test } from '@playwright/test';
import { tabOnTo, tap } from './pages.ts';

/** A way to work a page. */
export interface Hands {
  press: (target: Locator) => Promise<void>;
  choose: (target: Locator, label: string) => Promise<void>;
  type: (target: Locator, text: string) => Promise<void>;
  tick: (target: Locator) => Promise<void>;
  /** What a machine has to take first goes out when it has. */
  untick: (target: Locator) => Promise<void>;
}

export const byPointer: Hands = {
  press: (target) => target.click(),
  choose: async (target, label) => void (await target.selectOption({ label })),
  type: (target, text) => target.fill(text),
  tick: (target) => target.check(),
  async untick(target) {
    await target.click();
    await expect(target).not.toBeChecked();
  },
};

export const byTouch = (page: Page): Hands => ({
  ...byPointer,
  async press(target) {
    await expect(target).toBeEnabled({ timeout: 30_000 });
    await tap(page, target);
  },
});

export const byKeys = (page: Page): Hands => ({
  async press(target) {
    await tabOnTo(page, target);
    await page.keyboard.press('Enter');
  },
  async choose(target, label) {
    await tabOnTo(page, target);
    await page.keyboard.type(label);
    await expect(target.locator('option:checked')).toHaveText(label);
  },
  async type(target, text) {
    await tabOnTo(page, target);
    await page.keyboard.press('Control+A');
    await page.keyboard.type(text);
  },
  async tick(target) {
    await tabOnTo(page, target);
    await page.keyboard.press('Space');
    await expect(target).toBeChecked();
  },
  async untick(target) {
    await tabOnTo(page, target);
    await page.keyboard.press('Space');
    await expect(target).not.toBeChecked();
  },
});

/** As people work the screen they hold: a phone by touch, a desk by its keyboard alone. */
export const handsFor = (page: Page): Hands => (test.info().project.name === 'phone' ? byTouch(page) : byKeys(page));
