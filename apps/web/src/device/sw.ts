/// <reference lib="webworker" />
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';
import { keptAddress, NEVER_KEPT, NEXT_PAGES_CACHE, PAGES_CACHE } from './pages.ts';

/**
 * Pages open without a network as they were last drawn. A new version waits until every page of the old one is closed: it is never taken in a round.
 */
declare const self: ServiceWorkerGlobalScope;

const ASSETS_CACHE = 'good-arc-assets';
/** So long is the network waited for while a page is kept, s. */
const PATIENCE_S = 5;
/** A server, or what stands before it, that cannot answer just now. */
const AWAY = [502, 503, 504];

precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();

// of a version that is newer, or older, than this worker
registerRoute(
  ({ url }) => url.pathname.startsWith('/_astro/'),
  async ({ request }) => {
    const kept = await caches.match(request, { ignoreVary: true });
    if (kept) return kept;
    const response = await fetch(request);
    if (response.ok) await (await caches.open(ASSETS_CACHE)).put(request, response.clone());
    return response;
  },
);

const pages = new NetworkFirst({
  cacheName: PAGES_CACHE,
  networkTimeoutSeconds: PATIENCE_S,
  matchOptions: { ignoreVary: true },
  plugins: [
    {
      cacheKeyWillBeUsed: async ({ request }) => keptAddress(request.url),
      cacheWillUpdate: async ({ response }) => (response.status === 200 && !response.redirected ? response : null),
      fetchDidSucceed: async ({ response }) => {
        if (AWAY.includes(response.status)) throw new Error('the server is away');
        return response;
      },
    },
  ],
});

registerRoute(
  new NavigationRoute(
    async (options) => {
      try {
        return await pages.handle(options);
      } catch {
        return notKept();
      }
    },
    { denylist: NEVER_KEPT },
  ),
);

// pages are drawn for the files of their version: those that are kept are fetched again before this one takes over
self.addEventListener('install', (event) => event.waitUntil(keepAnew()));

self.addEventListener('activate', (event) => event.waitUntil(takeOver()));

async function keepAnew(): Promise<void> {
  await caches.delete(NEXT_PAGES_CACHE);
  const [now, next] = [await caches.open(PAGES_CACHE), await caches.open(NEXT_PAGES_CACHE)];
  for (const { url } of await now.keys()) {
    // without a network this version is not installed: the browser tries again
    const response = await fetch(url);
    if (AWAY.includes(response.status)) throw new Error('the server is away');
    if (response.status === 200 && !response.redirected) await next.put(url, response);
  }
}

async function takeOver(): Promise<void> {
  if (await caches.has(NEXT_PAGES_CACHE)) {
    const [now, next] = [await caches.open(PAGES_CACHE), await caches.open(NEXT_PAGES_CACHE)];
    for (const request of await next.keys()) await now.put(request, (await next.match(request))!);
    await caches.delete(NEXT_PAGES_CACHE);
  }
  await caches.delete(ASSETS_CACHE);
  await self.clients.claim();
}

/** What stands in place of a page that this device does not have. */
const ABSENT = {
  title: 'No network',
  text: 'This page is not on this device. Nothing you wrote is lost.',
  again: 'Try again',
  kept: 'What is on this device:',
};

/** In place of a page that is not on the device: what is. */
async function notKept(): Promise<Response> {
  const kept = await caches.open(PAGES_CACHE);
  const links: string[] = [];
  for (const request of await kept.keys()) {
    const { pathname, search } = new URL(request.url);
    const title = /<title>([^<]*)<\/title>/.exec((await (await kept.match(request))?.text()) ?? '')?.[1];
    if (title) links.push(`<li><a href="${(pathname + search).replaceAll('&', '&amp;')}">${title.replace(' · Good Arc', '')}</a></li>`);
  }
  return new Response(
    `<!doctype html><html lang="${import.meta.env.LANGUAGE}"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${ABSENT.title} · Good Arc</title>
<body style="font:18px/1.5 system-ui;background:#fbf6ea;color:#14212e;margin:8vh auto;max-width:34rem;padding:0 1rem">
<h1>${ABSENT.title}</h1><p>${ABSENT.text} <a href="">${ABSENT.again}</a></p>
${links.length > 0 ? `<p>${ABSENT.kept}</p><ul style="line-height:2.4">${links.join('')}</ul>` : ''}</body></html>`,
    { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } },
  );
}
