import { away, type CourtPlan, isIn, type RungDocument, type Spot, targetsOf } from '@good-arc/core';

/** What a card draws of a rung: the feeds that are in, where machines stand, from where to where each ball goes, and the targets that lie on the plan. */
export function drawn(rung: RungDocument, { view }: CourtPlan) {
  const thrown = rung.feeds.filter((feed) => isIn(feed, rung.absent));
  const feeds = thrown.length > 0 ? thrown : rung.feeds;
  const balls = feeds.map(({ launch, target }) => ({
    from: { x: launch.x, y: launch.y },
    to: { x: target.x, y: target.kind === 'landing' ? target.y : target.planeY },
  }));
  const places: Spot[] = [];
  for (const { from } of balls) if (!places.some((place) => away(place, from) < 0.3)) places.push(from);
  const targets = targetsOf(rung).filter(({ target: { x, y } }) => x > view.x1 && x < view.x2 && y > view.y1 && y < view.y2);
  return { feeds, places, balls, targets };
}
