import type { FeedId } from '../ids.ts';
import type { Feed } from './schema.ts';

/** An id that none of these feeds has: `b1`, `b2` … */
export function freeFeedId(feeds: readonly { id: FeedId }[]): FeedId {
  const highest = Math.max(0, ...feeds.map(({ id }) => Number(/^b(\d{1,6})$/.exec(id)?.[1] ?? 0)));
  return `b${highest + 1}`;
}

/** Feeds that were made without an id, numbered from `b1`. */
export const withIds = (feeds: readonly Omit<Feed, 'id'>[]): Feed[] => feeds.map((feed, i) => ({ ...feed, id: `b${i + 1}` }));
