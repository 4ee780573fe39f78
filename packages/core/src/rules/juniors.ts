import type { Level, Sport } from '../catalog/index.ts';
import { mostSwings } from '../people/day-cap.ts';
import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'juniors', { swingsEach: number; swingsBefore: number; mostSwings: number; ageYears: number | null }>;

/** Swings, serves or throws of a young player in a day, other rounds and planned ones counted, before a coach should think; null for few enough. */
export function overTheDay(
  { ageYears, level, sport }: { ageYears: number | null; level: Level; sport: Sport },
  { swingsEach, swingsBefore }: { swingsEach: number; swingsBefore: number },
): Hazard | null {
  const most = mostSwings(ageYears, level, sport);
  if (most === null || swingsEach + swingsBefore <= most) return null;
  return { code: 'juniors', weight: 'note', figures: { swingsEach, swingsBefore, mostSwings: most, ageYears } };
}

export const rule: Rule<Hazard> = ({ level, sport, load, around: { ageYears = null, swingsBefore = 0 } }) =>
  load ? overTheDay({ ageYears, level, sport }, { swingsEach: load.swingsEach, swingsBefore }) : null;
