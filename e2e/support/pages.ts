import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** axe-core finds nothing, by WCAG 2.1 A and AA. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa']).analyze();
  expect(
    violations.map(
      ({ id, nodes }) => `${id}: ${nodes.map(({ html, failureSummary }) => `${html.slice(0, 160)} ${failureSummary}`).join(' | ')}`,
    ),
  ).toEqual([]);
}

/** Nothing sticks out to the side. */
export async function expectNoSideways(page: Page): Promise<void> {
  expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBeLessThanOrEqual(0);
}

export const setting = (page: Page, name: string) =>
  page.getByRole('group', { name: 'Machine settings' }).getByLabel(name, { exact: true });

/** Reads a figure such as `38.7 mph` off a field. */
export async function figure(page: Page, name: string): Promise<number> {
  return Number.parseFloat((await setting(page, name).inputValue()).replace('−', '-'));
}

/** Tabs on until this element has the focus: what a person without a mouse does. */
export async function tabTo(
  page: Page,
  wanted: { role: Parameters<Page['getByRole']>[0]; name: string | RegExp },
  most = 120,
): Promise<void> {
  const target = page.getByRole(wanted.role, { name: wanted.name }).first();
  for (let i = 0; i < most; i++) {
    if (await target.evaluate((element) => element === document.activeElement || element.contains(document.activeElement))) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`could not reach ${wanted.role} ${wanted.name} with Tab`);
}

export const machineState = (page: Page) => page.getByTestId('machine-state');

/** Process id of one of the demo's own children, from its run file. */
export function childPid(name: string): number {
  const { children } = JSON.parse(readFileSync(join(process.env.GOODARC_DATA ?? '.data/e2e', 'run.json'), 'utf8')) as {
    children: { name: string; pid: number }[];
  };
  return children.find((child) => child.name === name)!.pid;
}
