import { gameBallId } from './game-ball.ts';
import type { OwnGameBall } from './own-game-ball.ts';
import type { GameBall, Hand, PitchGameBall, SportRecord } from './record.ts';
import { SPORT_RECORDS, type Sport } from './sports/index.ts';
import type { Level } from './types.ts';

/** Said wherever a game ball is shown. */
export const GAME_BOOK_SOURCE = 'Common practice, from memory, rounded: a starting point to edit, not a standard.';

/** Where a game ball's figures come from. */
export const gameBallSource = (ball: GameBall): string =>
  ball.kind === 'pitch' && ball.confidence === 'low'
    ? `${GAME_BOOK_SOURCE} Little is published about this one: low confidence.`
    : GAME_BOOK_SOURCE;

/** Reference balls by sport and level. */
export const GAME_BOOK: readonly GameBall[] = Object.values(SPORT_RECORDS).flatMap(({ gameBalls }) => gameBalls);

/** A ball of the book; undefined for an id that is none of it. */
export const gameBallById = (id: string): GameBall | undefined => GAME_BOOK.find((ball) => ball.id === id);

/** The game ball a sport begins with at a level: of a first look, or of the ladder builder; of a hitter, the youngest band's. */
export function firstGameBall(sport: Sport, level: Level, of: keyof SportRecord['first']): GameBall {
  const { first, play } = SPORT_RECORDS[sport];
  const slug = play.kind === 'diamond' ? play.bands.find((band) => band.level === level)!.slug : level;
  return gameBallById(gameBallId(sport, first[of], slug))!;
}

/** A game ball of a coach's own that begins as this one; null for a serve, which is solved another way. */
export function ownFrom(ball: GameBall): OwnGameBall | null {
  if (ball.kind === 'serve') return null;
  const { sport, level, topspinRpm } = ball;
  if (ball.kind === 'shaped') {
    const { from, landsPastM, clearsByM } = ball;
    return { kind: 'shaped', sport, level, from, topspinRpm, landsPastM, clearsByM };
  }
  const { releaseFt, releaseZ_m, hand, speedMph, sidespinRpm, gyroRpm } = ball;
  return {
    kind: 'pitch',
    sport,
    level,
    band: 'own',
    releaseFt,
    ...(releaseZ_m !== undefined && { releaseZ_m }),
    ...(hand && { hand }),
    speedMph,
    topspinRpm,
    sidespinRpm,
    gyroRpm,
  };
}

/** Answered with another soft one, short. */
export const isSoft = (ball: GameBall | undefined): boolean => ball?.kind === 'shaped' && ball.soft === true;

/** The arm that throws a pitch: as it is said, else told by where it bends; null for a straight one, which either throws. */
export function armOf({ hand, sidespinRpm }: Pick<PitchGameBall, 'hand' | 'sidespinRpm'>): Hand | null {
  if (hand) return hand;
  return sidespinRpm === 0 ? null : sidespinRpm < 0 ? 'right' : 'left';
}

/** How a game ball is called in a list: `Rally drive, Competing` or `Fastball, College`. */
export function gameBallLabel(ball: GameBall): string {
  if (ball.kind !== 'pitch') return `${ball.name}, ${ball.level}`;
  const hand = armOf(ball);
  return `${ball.name}, ${ball.band}${hand ? `, ${hand}-hander` : ''}`;
}
