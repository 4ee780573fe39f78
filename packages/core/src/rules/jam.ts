import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'jam', { acrossM: number; widestM: number }>;

/** A ball wider than the machine takes. */
export const rule: Rule<Hazard> = ({ ball, place }) => {
  const acrossM = 2 * ball.radiusM;
  if (!place || acrossM <= place.widestBallM) return null;
  return { code: 'jam', weight: 'note', figures: { acrossM, widestM: place.widestBallM } };
};
