import { z } from 'zod';
import { SPORT_RECORDS, SPORTS, type Sport } from './sports/index.ts';
import { LEVELS } from './types.ts';

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
    releaseZ_m: z.number().min(0.2, 'At least 20 cm').max(2.6, 'At most 2.6 m').optional(),
    hand: z.enum(['right', 'left']).optional(),
    speedMph: z.number().min(15, 'At least 15 mph').max(110, 'At most 110 mph'),
    topspinRpm: rpm,
    sidespinRpm: rpm,
    gyroRpm: rpm,
  }),
]);
/** A game ball of a coach’s own; see `ownGameBallSchema`. */
export type OwnGameBall = z.infer<typeof ownGameBallSchema>;
