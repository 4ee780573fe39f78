import type { SportRecord } from '../record.ts';
import type { Sport } from './names.ts';
import { RECORDS } from './registry.ts';

export type { Sport } from './names.ts';

/** Every sport by its id, in the order of lists. */
export const SPORT_RECORDS = Object.fromEntries(Object.entries(RECORDS).sort(([, a], [, b]) => a.place - b.place)) as Readonly<
  Record<Sport, SportRecord>
>;
/** All sports, in the order they are offered. */
export const SPORTS = Object.keys(SPORT_RECORDS) as [Sport, ...Sport[]];
