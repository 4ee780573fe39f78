import { TOGETHER_M } from '../drill/index.ts';
import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'close-together', { apartM: number; leastM: number }>;

/** Two who hit side by side reach into each other's swing. */
export const rule: Rule<Hazard> = ({ load }) =>
  load && load.apartM !== null && load.apartM < TOGETHER_M - 0.05
    ? { code: 'close-together', weight: 'grave', figures: { apartM: load.apartM, leastM: TOGETHER_M } }
    : null;
