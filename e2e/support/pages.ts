import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { expect, type Locator, type Page, test } from '@playwright/test';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/**
 * axe-core finds nothing, by WCAG 2.1 A and AA and by good practice (the order of headings).
 * @param within only in this part of the page, which is quicker
 * @param themes in which the colours are looked at, the page’s own when none is named: only colours differ between them
 * @param seen ways in which text was coloured in any theme but the first on pages before, which need no second look; those of this page are added
 */
export async function expectAccessible(
  page: Page,
  within = 'html',
  themes: readonly string[] = [],
  seen: Set<string> = new Set(),
): Promise<void> {
  // what fades in or out has no colour of its own yet; what goes with scrolling or goes round never ends
  const asked = await page.evaluate(() => matchMedia('(prefers-reduced-motion: reduce)').matches);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.waitForFunction(() =>
    document
      .getAnimations()
      .every(
        ({ playState, timeline, effect }) =>
          playState !== 'running' || !(timeline instanceof DocumentTimeline) || effect?.getTiming().iterations === Infinity,
      ),
  );
  // in the page itself: run from outside it takes three times as long
  await page.evaluate(AXE);
  const { found, looks } = await page.evaluate(
    async ({ selector, themes: named, known }) => {
      const { axe } = window as unknown as { axe: typeof import('axe-core') };
      const root = document.documentElement;
      const before = root.getAttribute('data-theme');
      const looks = new Set(known);
      /** One of each way, not seen yet, in which text is coloured: what looks like another, on what looks like the same, is as easy to read. */
      const oneOfEach = (within: Element): Element[] => {
        const grounds = new Map<Element, string>();
        const groundOf = (element: Element | null): string => {
          if (!element) return '';
          const known = grounds.get(element);
          if (known !== undefined) return known;
          const { backgroundColor, backgroundImage, opacity } = getComputedStyle(element);
          const own = `${backgroundColor}${backgroundImage}${opacity}`;
          const ground = `${groundOf(element.parentElement)}${own === 'rgba(0, 0, 0, 0)none1' ? '' : `/${own}`}`;
          grounds.set(element, ground);
          return ground;
        };
        const found: Element[] = [];
        for (const element of within.querySelectorAll('*')) {
          const isText = Array.from(element.childNodes).some((node) => node.nodeType === Node.TEXT_NODE && node.textContent?.trim());
          if (!(isText || element.matches('input, select, textarea')) || !element.checkVisibility({ visibilityProperty: true })) continue;
          const { color, fontSize, fontWeight } = getComputedStyle(element);
          const look = [color, fontSize, fontWeight, element.matches(':disabled, [aria-disabled=true]'), groundOf(element)].join('|');
          if (!looks.has(look)) found.push(element);
          looks.add(look);
        }
        return found;
      };
      const all: string[] = [];
      for (const [i, theme] of (named.length > 0 ? named : [before ?? '']).entries()) {
        // as the server draws it; that the choice is kept is another test
        root.setAttribute('data-theme', theme);
        const whole = document.querySelector(selector)!;
        const runOnly =
          i === 0
            ? { type: 'tag' as const, values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'best-practice'] }
            : { type: 'rule' as const, values: ['color-contrast'] };
        const looked = i === 0 ? whole : oneOfEach(whole);
        if (Array.isArray(looked) && looked.length === 0) continue;
        const { violations } = await axe.run(looked, { runOnly, resultTypes: ['violations'], preload: false });
        for (const { id, nodes } of violations)
          all.push(`${id} in ${theme}: ${nodes.map(({ html, failureSummary }) => `${html.slice(0, 160)} ${failureSummary}`).join(' | ')}`);
      }
      root.setAttribute('data-theme', before ?? '');
      return { found: all, looks: [...looks] };
    },
    { selector: within, themes, known: [...seen] },
  );
  if (!asked) await page.emulateMedia({ reducedMotion: null });
  expect(found).toEqual([]);
  for (const look of looks) seen.add(look);
}

/** Nothing sticks out to the side. */
export async function expectNoSideways(page: Page): Promise<void> {
  expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBeLessThanOrEqual(0);
}

/** Opens a page and waits until it listens: a click on what the server drew, before its script is there, does nothing. */
export async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await awake(page);
}

/** Waits until every part of the page listens. @param at address that a link, a key or a form leads to: until then it is still the page before */
export async function awake(page: Page, at?: RegExp): Promise<void> {
  if (at) await page.waitForURL(at, { timeout: 45_000 });
  // as soon as it is so: what is expected is looked at in steps of up to a second
  await page.waitForFunction(() => document.querySelector('astro-island:not([data-listens])') === null, undefined, { timeout: 45_000 });
}

/** Addresses of one ladder, of a plan, and of a rung on court. */
export const LADDER = /\/ladders\/[0-9a-f]{8}-/;
export const PLAN = /\/plan\?/;
export const COURT = /\/courtside\?/;

/** Arms a machine, whatever an earlier journey left in it. */
export const ARM = /^(Arm|Take it over)/;

/** Waits until the address of the bench says what its page shows. */
export async function addressed(page: Page): Promise<void> {
  await expect(page.locator('body')).toHaveAttribute('data-address', 'here');
}

/** When the server has been told that a round is finished: before, its page still says that this is on its way. To be asked for before it is finished. */
export const finishIsSent = (page: Page): Promise<unknown> =>
  page.waitForResponse((answer) => answer.url().endsWith('/finish') && answer.ok(), { timeout: 40_000 });

/** Waits until a ladder’s changes are with the server. */
export async function saved(page: Page): Promise<void> {
  for (const words of ['· saving …', 'Not saved yet']) await page.getByText(words).waitFor({ state: 'hidden', timeout: 45_000 });
}

/** Which screen and which try this is: names made of it never meet those of another. */
export function tag(): string {
  const { project, retry, repeatEachIndex } = test.info();
  return [project.name, ...(retry > 0 ? [`try ${retry + 1}`] : []), ...(repeatEachIndex > 0 ? [`turn ${repeatEachIndex + 1}`] : [])].join(
    ' ',
  );
}

const CLICK_WITHIN_FRAMES = 30;

/**
 * A touch that arrives: on a busy machine the browser may take a tap for a long press, which clicks nothing. As a finger does, it tries again.
 * @throws when three taps made no click
 */
export async function tap(page: Page, target: Locator): Promise<void> {
  for (let tries = 0; tries < 3; tries++) {
    await target.evaluate((element) => {
      sessionStorage.removeItem('tapped');
      element.addEventListener('click', () => sessionStorage.setItem('tapped', 'yes'), { once: true, capture: true });
    });
    await target.tap();
    // the click follows the touch, some frames later on a busy machine: asked at once, one tap has become two.
    // A page on its way to another cannot be asked: then the tap has done its work
    const arrived = await page
      .evaluate(
        (frames) =>
          new Promise<boolean>((told) => {
            const look = (left: number): unknown =>
              sessionStorage.getItem('tapped') ? told(true) : left === 0 ? told(false) : requestAnimationFrame(() => look(left - 1));
            look(frames);
          }),
        CLICK_WITHIN_FRAMES,
      )
      .catch(() => true);
    if (arrived) return;
  }
  throw new Error(`three taps on ${target} made no click`);
}

/** Where something is once it stays there: what a page learns of one ball may push the next one down. */
export async function settledBox(target: Locator): Promise<{ x: number; y: number; width: number; height: number }> {
  await target.scrollIntoViewIfNeeded();
  for (let before = ''; ; ) {
    const box = (await target.boundingBox())!;
    if (JSON.stringify(box) === before) return box;
    before = JSON.stringify(box);
    await target.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))));
  }
}

export const setting = (page: Page, name: string) =>
  page.getByRole('group', { name: 'Machine settings' }).getByLabel(name, { exact: true });

/** Reads a figure such as `38.7 mph` off a field. */
export async function figure(page: Page, name: string): Promise<number> {
  return Number.parseFloat((await setting(page, name).inputValue()).replace('−', '-'));
}

/** Tabs on (or back, when it lies behind) until this element has the focus: what a person without a mouse does. */
export async function tabOnTo(page: Page, target: Locator, most = 200): Promise<void> {
  // looked up once: by its role and name it takes longer than the key
  let element = await target.elementHandle();
  // how many stops away it seems to be, so that only the last few need to be looked at one by one
  const away = await element!.evaluate((wanted) => {
    const stops = Array.from(
      document.querySelectorAll<HTMLElement>('a[href], button, input, select, textarea, summary, [tabindex]'),
    ).filter((each) => each.tabIndex >= 0 && !each.matches(':disabled') && each.checkVisibility({ visibilityProperty: true }));
    const [from, to] = [stops.indexOf(document.activeElement as HTMLElement), stops.indexOf(wanted as HTMLElement)];
    const isBehind =
      document.activeElement !== null &&
      document.activeElement !== document.body &&
      (wanted.compareDocumentPosition(document.activeElement) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0;
    return { isBehind, sure: from < 0 || to < 0 ? 0 : Math.max(0, Math.abs(to - from) - 4) };
  });
  const key = away.isBehind ? 'Shift+Tab' : 'Tab';
  for (let i = 0; i < Math.min(away.sure, most); i++) await page.keyboard.press(key);
  for (let i = 0; i < most; i++) {
    const state = await element!.evaluate((wanted) =>
      wanted.isConnected ? wanted === document.activeElement || wanted.contains(document.activeElement) : 'gone',
    );
    if (state === true) return;
    // drawn anew meanwhile
    if (state === 'gone') element = await target.elementHandle();
    else await page.keyboard.press(key);
  }
  throw new Error(`could not reach ${target} with Tab`);
}

/** As `tabOnTo`, by role and name. */
export const tabTo = (page: Page, { role, name }: { role: Parameters<Page['getByRole']>[0]; name: string | RegExp }): Promise<void> =>
  tabOnTo(page, page.getByRole(role, { name }).first());

export const kitRow = (page: Page, list: string, name: string) =>
  page.getByRole('list', { name: list, exact: true }).getByRole('listitem').filter({ hasText: name });

export async function addInKit(page: Page, at: string, button: string, fill: () => Promise<void>): Promise<void> {
  await open(page, `/kit?at=${at}`);
  await page.getByRole('button', { name: button }).click();
  await expectAccessible(page);
  await fill();
  await page.getByRole('button', { name: 'Save' }).click();
}

/** A new machine without a wire, and the form of a rung for it filled in but for its numbers. */
export async function machineByHand(page: Page, name: string, kind = 'Two-wheel portable'): Promise<void> {
  await addInKit(page, 'machines', 'Add a machine', async () => {
    await page.getByLabel('Name', { exact: true }).fill(name);
    await page.getByLabel(/^Kind/).selectOption(kind);
  });
  await expect(kitRow(page, 'Machines', name)).toContainText('worked by hand');
  await open(page, '/bench');
  await page.getByRole('combobox', { name: 'Machine', exact: true }).selectOption({ label: name });
  await page.getByRole('button', { name: 'Add to ladder' }).click();
  await page.getByLabel('Name of the rung').fill(`By hand ${name}`);
}

export const machineState = (page: Page) => page.getByTestId('machine-state');

/** Process id of one of the demo's own children, from its run file. */
export function childPid(name: string): number {
  const { children } = JSON.parse(readFileSync(join(process.env.GOODARC_DATA ?? '.data/e2e', 'run.json'), 'utf8')) as {
    children: { name: string; pid: number }[];
  };
  return children.find((child) => child.name === name)!.pid;
}

/** What `./arc calc` is asked for the set-up of an address. */
// biome-ignore lint/suspicious/noExplicitAny: a document of our own, read back from the address
export const question = (setup: any) => ({
  ball: setup.ballId,
  air: { temperatureC: setup.weather.temperatureC, altitudeM: setup.weather.altitudeM, relativeHumidity: setup.weather.relativeHumidity },
  wind: { xMps: setup.weather.windXMps, yMps: setup.weather.windYMps },
  surface: setup.surfaceId,
  from: setup.from,
  spin: { topspinRpm: setup.topspinRpm, sidespinRpm: 0, gyroRpm: 0 },
  target: setup.target,
});

/** A rung on court, found by a word of its name; copies of its ladder come after it. */
export async function findRung(page: Page, words: string, origin = ''): Promise<Locator> {
  await open(page, `${origin}/courtside`);
  await page.getByLabel('Find a rung by a word of it or of its ladder').fill(words);
  return page
    .getByRole('list', { name: 'Found' })
    .getByRole('link', { name: new RegExp(words) })
    .first();
}
