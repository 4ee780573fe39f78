import type { CourtPlan } from '@good-arc/core';

/** Pixels of the one ruler: far end on the left, near end on the right, so that a fed ball travels the way one reads. */
export interface RulerScale {
  width: number;
  /** Pixels per metre along the court; heights use it too, so the profile has its true shape. */
  perM: number;
  /** Pixels per metre across: less than along when the court would not fit. */
  perAcross: number;
  /** The near end is on the left. */
  flipped: boolean;
  planHeight: number;
  /** y of the court → x of the picture. */
  along: (y: number) => number;
  /** x of the court → y of the picture; +x, the right of someone looking from the near end, is up. */
  across: (x: number) => number;
  alongBack: (px: number) => number;
  acrossBack: (py: number) => number;
}

/** @param tallest most pixels for the plan's height: a wide court is drawn narrower than true when it would not fit */
export function rulerScale({ view, nearOnLeft = false }: CourtPlan, width: number, tallest: number): RulerScale {
  const perM = width / (view.y2 - view.y1);
  const perAcross = Math.min(perM, tallest / (view.x2 - view.x1));
  return {
    width,
    perM,
    perAcross,
    planHeight: perAcross * (view.x2 - view.x1),
    flipped: nearOnLeft,
    along: nearOnLeft ? (y) => (y - view.y1) * perM : (y) => (view.y2 - y) * perM,
    across: nearOnLeft ? (x) => (x - view.x1) * perAcross : (x) => (view.x2 - x) * perAcross,
    alongBack: nearOnLeft ? (px) => view.y1 + px / perM : (px) => view.y2 - px / perM,
    acrossBack: nearOnLeft ? (py) => view.x1 + py / perAcross : (py) => view.x2 - py / perAcross,
  };
}
