import { type Level, netPlayOf, type Sport } from '../catalog/index.ts';

/** Full swings or throws in a day, by the oldest age they hold for (common practice, no source). */
const CAPS: readonly { upToYears: number; swings: number }[] = [
  { upToYears: 10, swings: 60 },
  { upToYears: 12, swings: 75 },
  { upToYears: 14, swings: 90 },
  { upToYears: 17, swings: 120 },
];
/** A stroke over a net takes less of a young arm than a swing for the fence: an hour’s lesson of a child has some 200 of them (common practice, no source). */
const STROKES_FOR_A_SWING = 3;

/**
 * Swings, strokes or throws of a young player in a day before a coach should think. Where the age is not known, the lowest level is taken for a child's.
 * @returns null for somebody who is not counted
 */
export function mostSwings(ageYears: number | null, level: Level, sport: Sport): number | null {
  const cap = ageYears === null ? (level === 'Starting' ? CAPS[0] : undefined) : CAPS.find(({ upToYears }) => ageYears <= upToYears);
  return cap ? cap.swings * (netPlayOf(sport) ? STROKES_FOR_A_SWING : 1) : null;
}

/** Years that somebody born in that year has at most reached on a day of this one: without a birthday the younger is meant. */
export const ageIn = (bornYear: number | null, year: number): number | null =>
  bornYear === null ? null : Math.max(0, year - bornYear - 1);
