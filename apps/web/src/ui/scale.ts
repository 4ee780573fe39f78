import type { CourtPlan } from '@good-arc/core';

/** Pixels of the one ruler: far end on the left, near end on the right, so that a fed ball travels the way one reads. */
export interface RulerScale {
  width: number;
  /** Pixels per metre along the court; heights use it too, so the profile has its true shape. */
  perM: number;
  planHeight: number;
  /** y of the court → x of the picture. */
  along: (y: number) => number;
  /** x of the court → y of the picture; +x, the right of someone looking from the near end, is up. */
  across: (x: number) => number;
  alongBack: (px: number) => number;
  acrossBack: (py: number) => number;
}

/** @param tallest most pixels for the plan's height: a wide court is drawn narrower than true when it would not fit */
export function rulerScale({ view }: CourtPlan, width: number, tallest: number): RulerScale {
  const perM = width / (view.y2 - view.y1);
  const perAcross = Math.min(perM, tallest / (view.x2 - view.x1));
  return {
    width,
    perM,
    planHeight: perAcross * (view.x2 - view.x1),
    along: (y) => (view.y2 - y) * perM,
    across: (x) => (view.x2 - x) * perAcross,
    alongBack: (px) => view.y2 - px / perM,
    acrossBack: (py) => view.x2 - py / perAcross,
  };
}
