import { type CourtPlan, isIn, type PlayerTarget, type RungDocument, targetsOf } from '@good-arc/core';
import type { RulerScale } from '../../ui/scale.ts';

interface Spot {
  x: number;
  y: number;
}

/** What a card draws of a rung: where machines stand, from where to where each ball goes, and the targets that lie on the plan. */
export function drawn(rung: RungDocument, { view }: CourtPlan) {
  const thrown = rung.feeds.filter((feed) => isIn(feed, rung.absent));
  const feeds = thrown.length > 0 ? thrown : rung.feeds;
  const balls = feeds.map(({ launch, target }) => ({
    from: { x: launch.x, y: launch.y },
    to: { x: target.x, y: target.kind === 'landing' ? target.y : target.planeY },
  }));
  const places: Spot[] = [];
  for (const { from } of balls) if (!places.some(({ x, y }) => Math.hypot(x - from.x, y - from.y) < 0.3)) places.push(from);
  const targets = targetsOf(rung).filter(({ target: { x, y } }) => x > view.x1 && x < view.x2 && y > view.y1 && y < view.y2);
  return { places, balls, targets };
}

export const cornersOf = ({ x, y, widthM, depthM }: PlayerTarget): Spot[] =>
  [-1, 1].flatMap((side) => [-1, 1].map((end) => ({ x: x + (side * widthM) / 2, y: y + (end * depthM) / 2 })));

/** A target as a rectangle of the picture. */
export function boxIn(target: PlayerTarget, scale: RulerScale) {
  const corners = cornersOf(target);
  return {
    x: Math.min(...corners.map(({ y }) => scale.along(y))),
    y: Math.min(...corners.map(({ x }) => scale.across(x))),
    width: target.depthM * scale.perM,
    height: target.widthM * scale.perAcross,
  };
}
