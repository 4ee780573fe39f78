import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'fence', { upM: number; fenceM: number }>;

/** A fence as most courts have it, m high; our assumption. */
const FENCE_HEIGHT_M = 3;

/** A ball that is missed goes over the fence behind the player. */
export const rule: Rule<Hazard> = ({ balls, fenceY }) => {
  if (fenceY === null) return null;
  for (const { launch, flight } of balls) {
    const over = flight?.path.find(([, , y]) => (launch.y > fenceY ? y <= fenceY : y >= fenceY));
    if (over && over[3] > FENCE_HEIGHT_M) return { code: 'fence', weight: 'grave', figures: { upM: over[3], fenceM: FENCE_HEIGHT_M } };
  }
  return null;
};
