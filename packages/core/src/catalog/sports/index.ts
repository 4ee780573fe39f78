import type { SportRecord } from '../record.ts';
import { baseball } from './baseball/index.ts';
import { pickleball } from './pickleball/index.ts';
import { softball } from './softball/index.ts';
import { tennis } from './tennis/index.ts';

/** Every sport, in the order of lists. */
export const SPORT_RECORDS = { tennis, pickleball, baseball, softball } as const satisfies Record<string, SportRecord>;
export type Sport = keyof typeof SPORT_RECORDS;
export const SPORTS = Object.keys(SPORT_RECORDS) as [Sport, ...Sport[]];
