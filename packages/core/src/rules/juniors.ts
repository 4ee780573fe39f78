import type { Level } from '../catalog/index.ts';
import { mostSwings } from '../people/day-cap.ts';
import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'juniors', { swingsEach: number; swingsBefore: number; mostSwings: number; ageYears: number | null }>;

/** Swings, serves or throws of a young player in a day, other rounds and planned ones counted, before a coach should think; null for few enough. */
export function overTheDay(
  { ageYears, level }: { ageYears: number | null; level: Level },
  { swingsEach, swingsBefore }: { swingsEach: number; swingsBefore: number },
): Hazard | null {
  const most = mostSwings(ageYears, level);
  if (most === null || swingsEach + swingsBefore <= most) return null;
  return { code: 'juniors', weight: 'note', figures: { swingsEach, swingsBefore, mostSwings: most, ageYears } };
}

export const rule: Rule<Hazard> = ({ level, load, around: { ageYears = null, swingsBefore = 0 } }) =>
  load ? overTheDay({ ageYears, level }, { swingsEach: load.swingsEach, swingsBefore }) : null;
