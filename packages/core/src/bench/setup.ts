import { z } from 'zod';
import { spotSchema, targetSchema, weatherSchema } from '../drill/index.ts';
import { airDensity, type Conditions } from '../flight/index.ts';
import type { MachineProfile } from '../machine/index.ts';
import {
  type Ball,
  ballById,
  ballIdSchema,
  COURT_PLANS,
  GAME_BOOK,
  LEVELS,
  type Level,
  MIDDLE_OF_ZONE_M,
  PLATE,
  SPORTS,
  type Sport,
  surfaceById,
  surfaceIdSchema,
} from '../sport/index.ts';

/** One set-up of the bench: everything a person chooses, SI and degrees. The machine's profile comes beside it. */
export const setupSchema = z.strictObject({
  sport: z.enum(SPORTS),
  courtId: z.string().max(40),
  machineId: z.string().max(40),
  surfaceId: surfaceIdSchema,
  ballId: ballIdSchema,
  level: z.enum(LEVELS),
  weather: weatherSchema,
  /** Where the ball leaves the machine. */
  from: z.strictObject({ x: z.number().min(-60).max(60), y: z.number().min(-60).max(150), z: z.number().min(0.05).max(4) }),
  target: targetSchema,
  targetSize: z.strictObject({ widthM: z.number().min(0.1).max(30), depthM: z.number().min(0.1).max(30) }),
  /** The value that is held; the other is solved. */
  hold: z.union([z.strictObject({ elevationDeg: z.number().min(-60).max(89) }), z.strictObject({ speedMps: z.number().min(0.5).max(75) })]),
  /** Which of two arcs to throw at a held speed. */
  arc: z.enum(['low', 'high']),
  topspinRpm: z.number().min(-6000).max(6000),
  sidespinRpm: z.number().min(-6000).max(6000),
  player: spotSchema,
  gameBallId: z.string().max(80),
  intervalS: z.number().min(0.5).max(120),
});
export type Setup = z.infer<typeof setupSchema>;

/** Default ball and game ball of a sport, for a first look. */
const FIRST: Record<Sport, { ballId: string; game: (level: Level) => string }> = {
  tennis: { ballId: 'tennis-standard', game: (level) => `tennis-rally-drive-${level.toLowerCase()}` },
  pickleball: { ballId: 'pickleball-outdoor', game: (level) => `pickleball-deep-return-${level.toLowerCase()}` },
  baseball: { ballId: 'baseball', game: (level) => GAME_BOOK.find((ball) => ball.kind === 'pitch' && ball.level === level)!.id },
};

/** A machine that throws no faster than this, m/s, cannot cross the net from where others stand: it begins near the net, on the player’s side. */
const SLOW_MPS = 10;
const NEAR_NET = { machine: { x: 0.4, y: -1.2 }, landing: { x: -0.3, y: -4.9 }, player: { x: -0.3, y: -6.6 } } as const;

/** A set-up to start from: the machine where such machines stand, a ball a player of this level can play. */
export function firstSetup(
  court: { id: string; sport: Sport; surfaceId: string },
  machine: { id: string; profile: MachineProfile },
  level: Level,
  altitudeM: number,
): Setup {
  const slow = court.sport !== 'baseball' && machine.profile.speedMps[1] < SLOW_MPS;
  const plan = slow ? NEAR_NET : COURT_PLANS[court.sport];
  const { ballId, game } = FIRST[court.sport];
  const baseball = court.sport === 'baseball';
  const elevation = Math.min(machine.profile.elevationDeg[1], Math.max(machine.profile.elevationDeg[0], slow ? 40 : 18));
  const oneSpeed = machine.profile.speedMps[0] === machine.profile.speedMps[1];
  const middle = (machine.profile.speedMps[0] + machine.profile.speedMps[1]) / 2;
  return {
    sport: court.sport,
    courtId: court.id,
    machineId: machine.id,
    surfaceId: court.surfaceId,
    ballId,
    level,
    weather: { temperatureC: 22, altitudeM, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 },
    from: { ...plan.machine, z: machine.profile.releaseHeightM },
    target: baseball ? { kind: 'plane', planeY: PLATE.frontY_m, x: 0, z: MIDDLE_OF_ZONE_M } : { kind: 'landing', ...plan.landing },
    targetSize: baseball ? { widthM: 2 * PLATE.halfWidthM, depthM: 0.5 } : { widthM: 2, depthM: 1.6 },
    hold: baseball || oneSpeed ? { speedMps: middle } : { elevationDeg: elevation },
    arc: 'low',
    topspinRpm: baseball ? -1500 : 600,
    sidespinRpm: 0,
    player: plan.player,
    gameBallId: game(level),
    intervalS: Math.max(4, machine.profile.intervalS[0]),
  };
}

export const conditionsOf = ({
  ballId,
  surfaceId,
  weather,
}: Pick<Setup, 'ballId' | 'surfaceId' | 'weather'>): Conditions & { ball: Ball } => ({
  ball: ballById(ballId),
  airDensityKgM3: airDensity(weather),
  wind: { xMps: weather.windXMps, yMps: weather.windYMps },
  ground: surfaceById(surfaceId),
});
