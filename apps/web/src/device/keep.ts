import { api } from '../ui/api.ts';
import { alone } from './alone.ts';
import { canKeep, KEPT_AT_KEY } from './canKeep.ts';
import { PAGES_CACHE, TAGS_ADDRESS, type ToKeep, toFetch } from './pages.ts';

/** Keeps pages on this device so that they open without a network. */

const OWNER_KEY = 'good-arc-kept-for';

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
    localStorage.setItem(KEPT_AT_KEY, String(Date.now()));
  });
}

/** Removes every page from this device; what waits to be sent stays. */
export async function forgetPages(): Promise<void> {
  if ('caches' in window) await caches.delete(PAGES_CACHE);
  localStorage.removeItem(KEPT_AT_KEY);
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
