import { z } from 'zod';
import { AGE_BANDS, type AgeBand } from './band.ts';
import { LEVELS, type Level, type Sport } from './types.ts';

/** A net-sport ball as a person would say it; its speed is solved for the court's own air. */
export interface ShapedGameBall {
  kind: 'shaped';
  id: string;
  sport: Sport;
  name: string;
  level: Level;
  from: { y: number; z: number };
  topspinRpm: number;
  /** Lands this far past the net, m. */
  landsPastM: number;
  /** Clears the net by this much, m. */
  clearsByM: number;
  /** Of a book entry: speed the reference model gives at sea level, 20 °C: a check value, never used as input. */
  checkMph?: number;
}

/** A serve: speed is given, elevation is solved so that it lands in the middle of the service box's depth. */
export interface ServeGameBall {
  kind: 'serve';
  id: string;
  sport: Sport;
  name: string;
  level: Level;
  from: { y: number; z: number };
  speedMph: number;
  topspinRpm: number;
  landsPastM: number;
}

export interface PitchGameBall {
  kind: 'pitch';
  id: string;
  sport: 'baseball';
  name: string;
  band: string;
  /** The level whose preparation times apply by default. */
  level: Level;
  releaseFt: number;
  speedMph: number;
  topspinRpm: number;
  sidespinRpm: number;
  gyroRpm: number;
}

export type GameBall = ShapedGameBall | ServeGameBall | PitchGameBall;

const rpm = z.number().min(-8000, 'At least −8,000 rpm').max(8000, 'At most 8,000 rpm');
/** A game ball of a coach’s own, without name and id: the same figures as an entry of the book. */
export const ownGameBallSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('shaped'),
    sport: z.enum(['tennis', 'pickleball']),
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
    sport: z.literal('baseball'),
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

type Cell = readonly [topspinRpm: number, landsPastM: number, clearsByM: number, checkMph: number];
type Cells = readonly [Cell, Cell, Cell, Cell];

function shaped(sport: Sport, slug: string, name: string, y: number, z: number, cells: Cells): ShapedGameBall[] {
  return LEVELS.map((level, i) => {
    const [topspinRpm, landsPastM, clearsByM, checkMph] = cells[i] as Cell;
    return {
      kind: 'shaped',
      id: `${sport}-${slug}-${level.toLowerCase()}`,
      sport,
      name,
      level,
      from: { y, z },
      topspinRpm,
      landsPastM,
      clearsByM,
      checkMph,
    };
  });
}

function serve(slug: string, name: string, y: number, z: number, cells: readonly (readonly [mph: number, rpm: number])[]): ServeGameBall[] {
  return LEVELS.map((level, i) => {
    const [speedMph, topspinRpm] = cells[i] as readonly [number, number];
    return {
      kind: 'serve',
      id: `tennis-${slug}-${level.toLowerCase()}`,
      sport: 'tennis',
      name,
      level,
      from: { y, z },
      speedMph,
      topspinRpm,
      landsPastM: 5.2,
    };
  });
}

/** What a band sees besides its fastball, mph, and how its balls are named in ids. */
const PITCHES: Record<string, { slug: string; change?: number; curve?: number; slider?: number }> = {
  '8-and-under': { slug: '8u' },
  '9-10': { slug: '9-10', change: 42 },
  '11-12': { slug: '11-12', change: 50 },
  '13-14': { slug: '13-14', change: 59, curve: 58 },
  'high-school': { slug: 'high-school', change: 71, curve: 67, slider: 71 },
  college: { slug: 'college', change: 80, curve: 76, slider: 80 },
  professional: { slug: 'professional', change: 86, curve: 80, slider: 86 },
};

/** Total spin split into an active part across the travel and gyro: total² = active² + gyro². */
const split = (totalRpm: number, activeShare: number): { active: number; gyro: number } => ({
  active: totalRpm * activeShare,
  gyro: totalRpm * Math.sqrt(1 - activeShare ** 2),
});

function pitches({ id, name: band, level, fastballMph, fields }: AgeBand): PitchGameBall[] {
  const { slug, change, curve, slider } = PITCHES[id]!;
  const { releaseFt } = fields[0]!;
  const pitch = (name: string, speedMph: number, topspinRpm: number, sidespinRpm: number, gyroRpm: number): PitchGameBall => ({
    kind: 'pitch',
    id: `baseball-${name.toLowerCase()}-${slug}`,
    sport: 'baseball',
    name,
    band,
    level,
    releaseFt,
    speedMph,
    topspinRpm,
    sidespinRpm,
    gyroRpm,
  });
  const f = split(2200, 0.9);
  const c = split(1700, 0.9);
  const b = split(2500, 0.7);
  const s = split(2400, 0.35);
  return [
    pitch('Fastball', fastballMph, -f.active, 0, f.gyro),
    ...(change ? [pitch('Change-up', change, -c.active, 0, c.gyro)] : []),
    ...(curve ? [pitch('Curve', curve, b.active, 0, b.gyro)] : []),
    ...(slider ? [pitch('Slider', slider, 0, s.active, s.gyro)] : []),
  ];
}

/** Reference balls by sport and level. */
export const GAME_BOOK: readonly GameBall[] = [
  ...shaped('tennis', 'rally-drive', 'Rally drive', 11.5, 0.9, [
    [200, 5.5, 1.8, 35],
    [900, 7.5, 1.4, 46],
    [1600, 8.8, 1.0, 59],
    [2400, 9.8, 0.8, 73],
  ]),
  ...shaped('tennis', 'heavy-topspin', 'Heavy topspin', 11.5, 0.9, [
    [700, 6.0, 2.2, 36],
    [1500, 8.0, 2.0, 45],
    [2400, 9.3, 1.6, 55],
    [3200, 10.2, 1.3, 67],
  ]),
  ...shaped('tennis', 'slice-rally', 'Slice rally', 11.5, 0.9, [
    [-300, 5.5, 1.3, 36],
    [-900, 7.5, 0.9, 46],
    [-1500, 8.8, 0.6, 54],
    [-2200, 9.8, 0.4, 60],
  ]),
  ...shaped('tennis', 'short-ball', 'Short ball', 11.5, 0.7, [
    [0, 3.5, 1.5, 30],
    [300, 4.0, 1.1, 34],
    [700, 4.5, 0.9, 38],
    [1000, 5.0, 0.7, 44],
  ]),
  ...shaped('tennis', 'passing-ball', 'Passing ball at a volleyer', 11.5, 0.8, [
    [200, 8.0, 1.4, 44],
    [900, 8.5, 1.0, 54],
    [1600, 9.2, 0.7, 67],
    [2200, 9.8, 0.5, 82],
  ]),
  ...shaped('tennis', 'lob', 'Lob', 11.5, 0.8, [
    [0, 8.5, 4.0, 36],
    [200, 9.5, 4.0, 38],
    [1000, 10.3, 4.0, 42],
    [1800, 10.8, 4.0, 45],
  ]),
  ...serve('second-serve', 'Second serve', 11.8, 2.5, [
    [45, 400],
    [60, 1200],
    [75, 2200],
    [90, 3200],
  ]),
  ...serve('first-serve', 'First serve', 11.8, 2.6, [
    [55, 200],
    [78, 600],
    [98, 1200],
    [118, 1800],
  ]),
  ...shaped('pickleball', 'drive', 'Drive', 6.5, 0.7, [
    [100, 3.5, 1.0, 26],
    [400, 4.6, 0.7, 33],
    [800, 5.4, 0.45, 43],
    [1200, 5.8, 0.25, 55],
  ]),
  ...shaped('pickleball', 'deep-return', 'Deep return, underspin', 6.5, 0.7, [
    [-100, 4.0, 1.3, 26],
    [-400, 5.0, 1.0, 29],
    [-800, 5.6, 0.8, 31],
    [-1100, 6.0, 0.6, 33],
  ]),
  ...shaped('pickleball', 'serve', 'Serve', 6.9, 0.7, [
    [100, 3.8, 1.2, 27],
    [400, 4.8, 1.0, 33],
    [700, 5.5, 0.7, 40],
    [1000, 6.0, 0.45, 50],
  ]),
  ...shaped('pickleball', 'speed-up', 'Speed-up at the line', 2.4, 0.7, [
    [100, 4.0, 0.45, 20],
    [200, 4.6, 0.35, 23],
    [500, 5.0, 0.25, 26],
    [800, 5.4, 0.18, 30],
  ]),
  ...shaped('pickleball', 'dink', 'Dink', 2.4, 0.45, [
    [0, 1.6, 0.6, 14],
    [0, 1.6, 0.4, 14],
    [100, 1.6, 0.25, 14],
    [200, 1.6, 0.15, 14],
  ]),
  ...shaped('pickleball', 'drop', 'Drop', 6.5, 0.6, [
    [0, 1.8, 0.9, 22],
    [0, 1.7, 0.6, 22],
    [200, 1.6, 0.4, 22],
    [400, 1.5, 0.25, 23],
  ]),
  ...shaped('pickleball', 'lob', 'Lob', 4.5, 0.6, [
    [0, 5.0, 2.2, 24],
    [100, 5.5, 2.2, 25],
    [400, 5.9, 2.2, 26],
    [600, 6.2, 2.2, 27],
  ]),
  ...AGE_BANDS.flatMap(pitches),
];

export const gameBallById = (id: string): GameBall | undefined => GAME_BOOK.find((ball) => ball.id === id);

/** How a game ball is called in a list: `Rally drive, Competing` or `Fastball, College`. */
export const gameBallLabel = (ball: GameBall): string => `${ball.name}, ${ball.kind === 'pitch' ? ball.band : ball.level}`;
