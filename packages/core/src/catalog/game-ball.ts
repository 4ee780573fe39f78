import type { ShapedGameBall } from './record.ts';
import type { Sport } from './sports/names.ts';
import { LEVELS } from './types.ts';

type Cell = readonly [topspinRpm: number, landsPastM: number, clearsByM: number, checkMph: number];
/** One for each level, the lowest first. */
type Cells = readonly [Cell, Cell, Cell, Cell];

/** A net-sport ball at every level. @param from y and z where it is hit, m */
export function shaped(
  sport: Sport,
  slug: string,
  name: string,
  y: number,
  z: number,
  cells: Cells,
  more: Pick<ShapedGameBall, 'soft' | 'metAtNet'> = {},
): ShapedGameBall[] {
  return LEVELS.map((level, i) => {
    const [topspinRpm, landsPastM, clearsByM, checkMph] = cells[i]!;
    return {
      kind: 'shaped',
      id: gameBallId(sport, slug, level),
      sport,
      name,
      level,
      from: { y, z },
      topspinRpm,
      landsPastM,
      clearsByM,
      checkMph,
      ...more,
    };
  });
}

/** Id of a book entry. @param of the level, or the slug of the age band */
export const gameBallId = (sport: Sport, slug: string, of: string): string => `${sport}-${slug}-${of.toLowerCase()}`;
