import { netPlayOf } from '../catalog/index.ts';
import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'non-volley'>;

/** A stride behind the line is far enough, m (common practice, no source). */
const STRIDE_M = 0.6;

/** Volleys are played close to a zone in which they are a fault. */
export const rule: Rule<Hazard> = ({ sport, balls, load }) => {
  const zoneM = netPlayOf(sport)?.nonVolleyM ?? null;
  if (!load || zoneM === null || !balls.some(({ stroke, meet }) => stroke === 'volley' && meet.y > -zoneM - STRIDE_M)) return null;
  return { code: 'non-volley', weight: 'note', figures: {} };
};
