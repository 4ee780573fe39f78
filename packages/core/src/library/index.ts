import { FIELDING } from './baseball/fielding.ts';
import { HITTING } from './baseball/hitting.ts';
import type { Drill } from './drill.ts';
import { AT_THE_LINE } from './pickleball/at-the-line.ts';
import { FROM_THE_BACK } from './pickleball/from-the-back.ts';
import { NET_AND_SERVE } from './tennis/net-and-serve.ts';
import { STROKES } from './tennis/strokes.ts';

/** Every built-in drill. Our own words and numbers; common practice, no source. */
export const LIBRARY: readonly Drill[] = [...STROKES, ...NET_AND_SERVE, ...FROM_THE_BACK, ...AT_THE_LINE, ...HITTING, ...FIELDING];

export { type Drill, type DrillBall, type DrillRung, PURPOSES, type Purpose } from './drill.ts';
export { type DrillQuestion, type Fitted, fitDrill } from './fit.ts';
