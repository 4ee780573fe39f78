import { SPORT_RECORDS } from '../catalog/index.ts';
import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'windy' | 'wind-indoors', { windMps: number; mostMps: number }>;

/** Less than this nobody feels, m/s. */
const NO_WIND_MPS = 0.2;

/** More wind, gusts counted, than the sport's ball bears; in a hall any at all is a slip. */
export const rule: Rule<Hazard> = ({ sport, weather, around }) => {
  const { windXMps, windYMps, gustMps = 0 } = weather;
  const [windMps, mostMps] = [Math.hypot(windXMps, windYMps) + gustMps, SPORT_RECORDS[sport].windyMps];
  if (around.indoors) return windMps > NO_WIND_MPS ? { code: 'wind-indoors', weight: 'note', figures: { windMps, mostMps } } : null;
  return windMps > mostMps ? { code: 'windy', weight: 'note', figures: { windMps, mostMps } } : null;
};
