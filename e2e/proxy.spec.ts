import { expect, test } from '@playwright/test';
import { awake, findRung, machineState } from './support/pages.ts';
import { startProxy } from './support/proxy.ts';

test.use({ ignoreHTTPSErrors: true });
test.setTimeout(90_000);

test('behind a web server with HTTPS people write, machines are heard, and other sites are turned away', { tag: '@phone' }, async ({
  page,
  request,
  baseURL,
}) => {
  const port = Number(new URL(baseURL!).port) + 1000;
  const origin = `https://localhost:${port}`;
  const proxy = startProxy(port, baseURL!);
  try {
    await expect(async () => expect((await request.get(`${origin}/api/health`)).ok()).toBe(true)).toPass();
    await page.goto(`${origin}/`);
    await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible();
    await awake(page);
    const written = page.waitForResponse((response) => response.url() === `${origin}/api/me`);
    await page.getByRole('button', { name: 'mph · ft' }).click();
    expect((await written).status()).toBe(204);
    await expect(page.getByRole('button', { name: 'km/h · m' })).toBeVisible();
    const back = page.waitForResponse((response) => response.url() === `${origin}/api/me`);
    await page.getByRole('button', { name: 'km/h · m' }).click();
    expect((await back).status()).toBe(204);
    await expect(page.getByRole('button', { name: 'mph · ft' })).toBeVisible();
    // what a machine says comes through as it is said
    await (await findRung(page, 'Game look', origin)).click();
    await expect(machineState(page)).not.toHaveAttribute('data-state', 'unknown');
    const foreign = await request.patch(`${origin}/api/me`, {
      headers: { origin: 'https://elsewhere.example', 'content-type': 'application/json' },
      data: { units: 'metric' },
    });
    expect(foreign.status()).toBe(403);
  } finally {
    await proxy.end();
  }
});

test('pages and scripts are sent compressed, what has its content in its name for good; what a machine says is not gathered', {
  tag: '@phone',
}, async ({ request, page }) => {
  const bench = await request.get('/bench', { headers: { 'accept-encoding': 'br, gzip' } });
  expect(bench.headers()['content-encoding']).toMatch(/^(br|gzip)$/);
  const plain = await request.get('/bench', { headers: { 'accept-encoding': 'identity' } });
  expect(plain.headers()['content-encoding']).toBeUndefined();
  const [script] = /\/_astro\/[^"]+\.js/.exec(await plain.text())!;
  const sizes: number[] = [];
  for (const encoding of ['br', 'gzip', 'identity']) {
    const sent = await request.get(script, { headers: { 'accept-encoding': encoding } });
    expect(sent.headers()).toMatchObject({ 'cache-control': expect.stringContaining('immutable'), 'x-content-type-options': 'nosniff' });
    expect(sent.headers()['content-encoding'] ?? 'identity').toBe(encoding);
    sizes.push(Number(sent.headers()['content-length']));
  }
  expect(sizes).toEqual([...sizes].sort((a, b) => a - b));
  expect((await request.get('/sw.js')).headers()['cache-control']).toContain('max-age=0');
  expect((await request.get('/_astro/none.js')).status()).toBe(404);
  const rung = await findRung(page, 'Game look');
  const stream = page.waitForResponse((response) => response.url().includes('/link?page='));
  await rung.click();
  expect((await (await stream).allHeaders())['content-encoding']).toBeUndefined();
});
