import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'near-ceiling' | 'ceiling', { apexM: number | null; ceilingM: number }>;

/** A ball this near to the ceiling touches a lamp, m (our judgement). */
const LAMPS_M = 0.5;

/** The arc touches the ceiling, or passes close under it. */
export const rule: Rule<Hazard> = ({ balls, place }) => {
  const ceilingM = place?.ceilingM ?? null;
  if (ceilingM === null) return null;
  const apexM = Math.max(...balls.map(({ flight }) => flight?.apex.z ?? 0));
  if (apexM > ceilingM - LAMPS_M) return { code: 'near-ceiling', weight: 'note', figures: { apexM, ceilingM } };
  return place?.touchesCeiling ? { code: 'ceiling', weight: 'note', figures: { apexM: null, ceilingM } } : null;
};
