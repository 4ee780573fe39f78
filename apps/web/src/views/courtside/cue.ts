import type { Feed, RungDocument } from '@good-arc/core';

/** The next ball in words, where there are several kinds of it. */
export function sayNext(feed: Feed | null, { feeds, focalPoint }: RungDocument): string {
  if (!feed || feeds.length === 1) return feed?.cue || focalPoint;
  return feed.cue ? `${feed.name}: ${feed.cue}` : feed.name;
}
