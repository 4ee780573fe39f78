import { gameBallId } from '../../game-ball.ts';
import type { AgeBand, PitchGameBall } from '../../record.ts';
import type { Level } from '../../types.ts';
import type { Sport } from '../names.ts';
import { USUAL_HEIGHT_M } from './field.ts';

/** Usual heights by age, m, boys and girls alike (common practice, no source); older ones are grown. */
export const HEIGHT_M = { '8-and-under': 1.27, '9-10': 1.38, '11-12': 1.5, '13-14': 1.63 } as const;
const isYoung = (id: string): id is keyof typeof HEIGHT_M => id in HEIGHT_M;
/** What each level is called: the bands that it stands for. */
export const AGES: Readonly<Record<Level, string>> = {
  Starting: 'Up to 10',
  Building: '11–14',
  Competing: 'High school',
  Advanced: 'College and up',
};
/** The last age by the rule of the young (common practice, no source). */
const LAST_YOUTH = '11-12';

/**
 * A band's own game: fastball, and where the pitcher lets go of it on each of the fields it plays on, the usual first (common practice, no source).
 * @param slug in ids of its game balls
 */
export const band = (
  id: string,
  name: string,
  level: Level,
  fastballMph: number,
  fields: readonly (readonly [rubberFt: number, releaseFt: number])[],
  {
    grown = false,
    ofDrills = false,
    slug = id,
    release,
  }: { grown?: boolean; ofDrills?: boolean; slug?: string; release?: AgeBand['release'] } = {},
): AgeBand => ({
  id,
  name,
  level,
  fastballMph,
  heightM: isYoung(id) ? HEIGHT_M[id] : USUAL_HEIGHT_M,
  zone: isYoung(id) && HEIGHT_M[id] <= HEIGHT_M[LAST_YOUTH] ? 'youth' : 'rule book',
  grown,
  ofDrills,
  slug,
  ...(release && { release }),
  fields: fields.map(([rubberFt, releaseFt]) => ({ rubberFt, releaseFt })),
});

/** Total spin split into an active part across the travel and gyro: total² = active² + gyro². */
const split = (totalRpm: number, activeShare: number): { active: number; gyro: number } => ({
  active: totalRpm * activeShare,
  gyro: totalRpm * Math.sqrt(1 - activeShare ** 2),
});

/** How a pitch spins: total, how much of it is across the travel, and which way that turns it. */
export interface PitchKind {
  slug: string;
  name: string;
  totalRpm: number;
  activeShare: number;
  /** Sideways: of a right-hander, and of a left-hander. */
  turn: 'back' | 'top' | 'side' | 'side-left';
  confidence?: 'low';
}

/** The pitches of a band as game balls, from its first field. @param speeds mph by the slug of the pitch */
export function pitches(
  sport: Sport,
  { name: ofBand, level, fields, slug: bandSlug, release }: AgeBand,
  kinds: readonly PitchKind[],
  speeds: Readonly<Record<string, number | undefined>>,
): PitchGameBall[] {
  return kinds.flatMap(({ slug, name, totalRpm, activeShare, turn, confidence }): PitchGameBall[] => {
    const speedMph = speeds[slug];
    if (speedMph === undefined) return [];
    const { active, gyro } = split(totalRpm, activeShare);
    return [
      {
        kind: 'pitch',
        id: gameBallId(sport, slug, bandSlug),
        sport,
        name,
        band: ofBand,
        level,
        releaseFt: fields[0]!.releaseFt,
        ...(release && { releaseZ_m: release.z }),
        speedMph,
        ...(turn === 'side' && { hand: 'right' as const }),
        ...(turn === 'side-left' && { hand: 'left' as const }),
        topspinRpm: turn === 'back' ? -active : turn === 'top' ? active : 0,
        // a right-hander's goes to his left, away from a right-handed hitter; a left-hander's is its mirror image
        sidespinRpm: turn === 'side' ? -active : turn === 'side-left' ? active : 0,
        gyroRpm: turn === 'side' ? -gyro : gyro,
        ...(confidence && { confidence }),
      },
    ];
  });
}
