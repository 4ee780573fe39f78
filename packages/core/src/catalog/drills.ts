import type { Drill } from './drill.ts';
import { drills as baseball } from './sports/baseball/drills.ts';
import { drills as pickleball } from './sports/pickleball/drills/index.ts';
import { drills as softball } from './sports/softball/drills.ts';
import { drills as tennis } from './sports/tennis/drills/index.ts';

/**
 * Every built-in drill. Our own words and numbers; common practice, no source. Apart from the other records of a sport, so that a page without the
 * library does not carry it.
 */
export const LIBRARY: readonly Drill[] = [...tennis, ...pickleball, ...baseball, ...softball];
