import type { PlayerTarget, Spot } from '@good-arc/core';
import type { RulerScale } from './scale.ts';

/** Where its cones stand. */
export const cornersOf = ({ x, y, widthM, depthM }: PlayerTarget): Spot[] =>
  [-1, 1].flatMap((side) => [-1, 1].map((end) => ({ x: x + (side * widthM) / 2, y: y + (end * depthM) / 2 })));

/** A target, or the zone a ball is to land in, as a rectangle of the picture. */
export function boxIn(target: PlayerTarget, scale: RulerScale) {
  const corners = cornersOf(target);
  return {
    x: Math.min(...corners.map(({ y }) => scale.along(y))),
    y: Math.min(...corners.map(({ x }) => scale.across(x))),
    width: target.depthM * scale.perM,
    height: target.widthM * scale.perAcross,
  };
}
