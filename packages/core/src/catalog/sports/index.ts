import type { SportRecord } from '../record.ts';
import { RECORDS } from './registry.ts';

export type Sport = keyof typeof RECORDS;

/** Every sport by its id, in the order of lists. */
export const SPORT_RECORDS = Object.fromEntries(Object.entries(RECORDS).sort(([, a], [, b]) => a.place - b.place)) as Readonly<
  Record<Sport, SportRecord>
>;
export const SPORTS = Object.keys(SPORT_RECORDS) as [Sport, ...Sport[]];
