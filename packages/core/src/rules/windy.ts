import { SPORT_RECORDS } from '../catalog/index.ts';
import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'windy', { windMps: number; mostMps: number }>;

/** More wind, gusts counted, than the sport's ball bears. */
export const rule: Rule<Hazard> = ({ sport, place }) => {
  if (!place) return null;
  const { windXMps, windYMps, gustMps = 0 } = place.weather;
  const [windMps, mostMps] = [Math.hypot(windXMps, windYMps) + gustMps, SPORT_RECORDS[sport].windyMps];
  return windMps > mostMps ? { code: 'windy', weight: 'note', figures: { windMps, mostMps } } : null;
};
