import { api } from '../ui/api.ts';
import { alone } from './alone.ts';
import { PAGES_CACHE, TAGS_ADDRESS, type ToKeep, toFetch } from './pages.ts';

/** Keeps pages on this device so that they open without a network. */

const AGAIN_AFTER_MS = 60_000;
const LAST_KEY = 'good-arc-kept-at';
const OWNER_KEY = 'good-arc-kept-for';

/** Whether this browser can keep pages at all: not over plain HTTP from another machine. */
export const canKeep = (): boolean => 'serviceWorker' in navigator && 'caches' in window;

/** Starts the service worker and keeps the pages of what is in use. @returns a function that ends it */
export function keepWhatIsInUse(): () => void {
  if (!canKeep() || !import.meta.env.PROD) return () => {};
  void navigator.serviceWorker.register('/sw.js', { updateViaCache: 'none' }).catch(() => {});
  // what the page itself needs goes first
  const timer = setTimeout(() => {
    if (Date.now() - Number(localStorage.getItem(LAST_KEY) ?? 0) > AGAIN_AFTER_MS) void keepPages().catch(() => {});
  }, 3000);
  return () => clearTimeout(timer);
}

/**
 * Fetches the pages that are new or changed.
 * @param told how many of how many are done
 * @throws ApiError when the server cannot be asked
 */
export async function keepPages(told: (done: number, of: number) => void = () => {}): Promise<void> {
  const { owner, pages } = await api<ToKeep>('GET', 'offline');
  await alone('keep', async () => {
    // the pages of somebody else are nobody's business
    if (localStorage.getItem(OWNER_KEY) !== owner) await forgetPages();
    localStorage.setItem(OWNER_KEY, owner);
    const cache = await caches.open(PAGES_CACHE);
    const tags = await keptTags(cache);
    const missing = toFetch(pages, tags);
    for (const [i, { address, tag }] of missing.entries()) {
      told(i, missing.length);
      const response = await fetch(address);
      if (response.status !== 200 || response.redirected) continue;
      await cache.put(address, response);
      tags[address] = tag;
    }
    const wanted = Object.fromEntries(pages.flatMap(({ address }) => (tags[address] ? [[address, tags[address]]] : [])));
    await cache.put(TAGS_ADDRESS, Response.json(wanted));
    localStorage.setItem(LAST_KEY, String(Date.now()));
  });
}

/** Removes every page from this device; what waits to be sent stays. */
export async function forgetPages(): Promise<void> {
  if ('caches' in window) await caches.delete(PAGES_CACHE);
  localStorage.removeItem(LAST_KEY);
  localStorage.removeItem(OWNER_KEY);
}

/** How many pages are kept, and what all of it takes, bytes; null where the browser does not say. */
export async function keptOnDevice(): Promise<{ pages: number; bytes: number | null; ofBytes: number | null; lasting: boolean }> {
  const kept = canKeep() ? (await (await caches.open(PAGES_CACHE)).keys()).filter(({ url }) => !url.endsWith(TAGS_ADDRESS)) : [];
  const { usage = null, quota = null } = (await navigator.storage?.estimate?.()) ?? {};
  return { pages: kept.length, bytes: usage, ofBytes: quota, lasting: (await navigator.storage?.persisted?.()) ?? false };
}

async function keptTags(cache: Cache): Promise<Record<string, string>> {
  try {
    return ((await (await cache.match(TAGS_ADDRESS))?.json()) as Record<string, string> | undefined) ?? {};
  } catch {
    return {};
  }
}
