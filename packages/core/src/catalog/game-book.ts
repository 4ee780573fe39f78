import { z } from 'zod';
import { gameBallId } from './game-ball.ts';
import type { GameBall, SportRecord } from './record.ts';
import { SPORT_RECORDS, SPORTS, type Sport } from './sports/index.ts';
import { LEVELS, type Level } from './types.ts';

const sportsOf = (kind: 'net' | 'diamond') => SPORTS.filter((sport) => SPORT_RECORDS[sport].play.kind === kind) as [Sport, ...Sport[]];

const rpm = z.number().min(-8000, 'At least −8,000 rpm').max(8000, 'At most 8,000 rpm');
/** A game ball of a coach’s own, without name and id: the same figures as an entry of the book. */
export const ownGameBallSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('shaped'),
    sport: z.enum(sportsOf('net')),
    level: z.enum(LEVELS),
    from: z.strictObject({
      y: z.number().min(0.5, 'At least 50 cm behind the net').max(20, 'At most 20 m behind the net'),
      z: z.number().min(0.05, 'Above the ground').max(4, 'At most 4 m'),
    }),
    topspinRpm: rpm,
    landsPastM: z.number().min(0.3, 'At least 30 cm past the net').max(14, 'At most 14 m past the net'),
    clearsByM: z.number().min(0.02, 'Over the net').max(15, 'At most 15 m'),
  }),
  z.strictObject({
    kind: z.literal('pitch'),
    sport: z.enum(sportsOf('diamond')),
    level: z.enum(LEVELS),
    band: z.string().max(40),
    releaseFt: z.number().min(20, 'At least 20 ft').max(62, 'At most 62 ft'),
    speedMph: z.number().min(15, 'At least 15 mph').max(110, 'At most 110 mph'),
    topspinRpm: rpm,
    sidespinRpm: rpm,
    gyroRpm: rpm,
  }),
]);
export type OwnGameBall = z.infer<typeof ownGameBallSchema>;

/** Said wherever a game ball is shown. */
export const GAME_BOOK_SOURCE = 'Common practice, from memory, rounded: a starting point to edit, not a standard.';

/** Where a game ball's figures come from. */
export const gameBallSource = (ball: GameBall): string =>
  ball.kind === 'pitch' && ball.confidence === 'low'
    ? `${GAME_BOOK_SOURCE} Little is published about this one: low confidence.`
    : GAME_BOOK_SOURCE;

/** Reference balls by sport and level. */
export const GAME_BOOK: readonly GameBall[] = Object.values(SPORT_RECORDS).flatMap(({ gameBalls }) => gameBalls);

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
  const { releaseFt, speedMph, sidespinRpm, gyroRpm } = ball;
  return { kind: 'pitch', sport, level, band: 'own', releaseFt, speedMph, topspinRpm, sidespinRpm, gyroRpm };
}

/** Answered with another soft one, short. */
export const isSoft = (ball: GameBall | undefined): boolean => ball?.kind === 'shaped' && ball.soft === true;

/** How a game ball is called in a list: `Rally drive, Competing` or `Fastball, College`. */
export const gameBallLabel = (ball: GameBall): string => `${ball.name}, ${ball.kind === 'pitch' ? ball.band : ball.level}`;
