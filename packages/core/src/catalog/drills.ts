import type { Drill } from './drill.ts';
import { DRILLS } from './drills-registry.ts';
import { SPORTS } from './sports/index.ts';

/**
 * Every built-in drill. Our own words and numbers; common practice, no source. Apart from the other records of a sport, so that a page without the
 * library does not carry it.
 */
export const LIBRARY: readonly Drill[] = SPORTS.flatMap((sport) => DRILLS[sport]);
