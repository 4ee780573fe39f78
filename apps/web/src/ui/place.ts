import type { CourtPlan, Reference } from '@good-arc/core';

/** A distance from a line as people say it: positive is behind the line (away from the net or plate), or to the right. */
export function fromLine(reference: Reference, spot: { x: number; y: number }): number {
  if (reference.axis === 'x') return spot.x - reference.at;
  return reference.at === 0 ? Math.abs(spot.y) : (spot.y - reference.at) * Math.sign(reference.at);
}

/** The coordinate that lies so far from the line. @param side of the net a distance from the net counts to: 1 far, −1 near */
export function atLine(reference: Reference, distanceM: number, side: 1 | -1): number {
  if (reference.axis === 'x') return reference.at + distanceM;
  return reference.at === 0 ? side * distanceM : reference.at + Math.sign(reference.at) * distanceM;
}

/** The nearest line to measure from on this axis. */
export function nearestLine(plan: CourtPlan, axis: 'x' | 'y', spot: { x: number; y: number }): Reference {
  const side = Math.sign(spot.y);
  const candidates = plan.references.filter((each) => each.axis === axis && (axis === 'x' || each.at === 0 || Math.sign(each.at) === side));
  return candidates.reduce((a, b) => (Math.abs(spot[axis] - b.at) < Math.abs(spot[axis] - a.at) ? b : a));
}

type Sides = readonly [left: string, right: string];

/** What lies to each side of a line along the court: `right`, `first-base side`. */
export const sidesOf = ({ sides = ['left', 'right'] }: Pick<CourtPlan, 'sides'>): Sides => sides;

/** How far aside is said: `4 ft right of the line`, `4 ft to the first-base side of the line`. */
export const asidesOf = ({ sides }: Pick<CourtPlan, 'sides'>): Sides =>
  sides ? [`to the ${sides[0]}`, `to the ${sides[1]}`] : sidesOf({});

/** `1 ft behind the far service line, 4 ft right of the centre line`. */
export function describeSpot(plan: CourtPlan, spot: { x: number; y: number }, length: (m: number) => string): string {
  const line = nearestLine(plan, 'y', spot);
  const behind = fromLine(line, spot);
  const along =
    line.at === 0
      ? `${length(Math.abs(behind))} from the ${line.name}`
      : Math.abs(behind) < 0.05
        ? `on the ${line.name}`
        : `${length(Math.abs(behind))} ${behind > 0 ? 'behind' : 'inside'} the ${line.name}`;
  const side = nearestLine(plan, 'x', { ...spot, x: spot.x });
  const right = spot.x - side.at;
  const [leftOf, rightOf] = asidesOf(plan);
  const across =
    Math.abs(right) < 0.05 ? `on the ${side.name}` : `${length(Math.abs(right))} ${right > 0 ? rightOf : leftOf} of the ${side.name}`;
  return `${along}, ${across}`;
}
