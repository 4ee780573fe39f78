/** Pages that are kept on the device: under which address, and where they lie. No browser in here: the service worker and the pages share it. */

export const PAGES_CACHE = 'good-arc-pages';
/** Where a new version gathers the pages that were kept, until it takes over. */
export const NEXT_PAGES_CACHE = 'good-arc-pages-next';
/** In the same place: which state of each page is kept. */
export const TAGS_ADDRESS = '/kept-pages.json';

/** Parts of an address that change what the server draws. Of every other page all of them do. */
const DRAWN_BY: Readonly<Record<string, readonly string[]>> = {
  '/bench': ['rung', 'feed'],
  '/courtside': ['rung'],
  '/kit': [],
  '/ladders': [],
};

/**
 * Address under which a page is kept. What only the page itself reads (who hits, the set-up on the bench) is left out: `drawnFor` finds it again.
 * @param address absolute, or within the site
 */
export function keptAddress(address: string): string {
  const { pathname, searchParams } = new URL(address, 'http://site');
  const wanted = DRAWN_BY[pathname];
  const kept = [...searchParams].filter(([name]) => !wanted || wanted.includes(name)).sort(([a], [b]) => a.localeCompare(b));
  const query = new URLSearchParams(kept).toString();
  return query === '' ? pathname : `${pathname}?${query}`;
}

/** Pages that are never kept: what answers a machine or a form, and the way in. */
export const NEVER_KEPT = [/^\/api\//, /^\/enter/];

export interface KeptPage {
  address: string;
  /** Changes when the page would be drawn anew. */
  tag: string;
}

/** What a device should keep, and for whom. */
export interface ToKeep {
  owner: string;
  pages: KeptPage[];
}

/** Which of them must be fetched. @param tags of what is kept, by address */
export const toFetch = (pages: readonly KeptPage[], tags: Readonly<Record<string, string>>): KeptPage[] =>
  pages.filter(({ address, tag }) => tags[address] !== tag);
