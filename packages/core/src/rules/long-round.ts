import { CAP_BALLS } from '../drill/index.ts';
import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'long-round', { balls: number; capBalls: number }>;

/** More balls without a stop than anybody corrects anything in. */
export const rule: Rule<Hazard> = ({ load }) =>
  load && load.ballsPerRound > CAP_BALLS
    ? { code: 'long-round', weight: 'note', figures: { balls: load.ballsPerRound, capBalls: CAP_BALLS } }
    : null;
