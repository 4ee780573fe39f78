import {
  type ArmSlot,
  armOf,
  armSide,
  diamondOf,
  type GameBall,
  type Hand,
  MIDDLE_OF_ZONE_M,
  type PitchGameBall,
  PLATE,
  SPORT_RECORDS,
} from '../catalog/index.ts';
import type { Conditions, Launch } from '../flight/index.ts';
import { ftToM, mphToMps } from '../quantity/index.ts';
import { aim } from './aim.ts';
import { type AimQuestion, spinAt, WIDEST_LIMITS } from './types.ts';

/** The opponent's ball as a launch, and where it was solved to go. */
export interface GameArrival {
  launch: Launch;
}

/**
 * Where a pitch is let go, m: how far off by the game ball, to the side of the arm and how high by its slot.
 * @param hand of a straight one, which either throws @param slot the sport's usual one without
 */
export function releaseOf(game: PitchGameBall, hand: Hand = 'right', slot?: ArmSlot): { x: number; y: number; z: number } {
  const { release, slots } = diamondOf(game.sport)!;
  const { asideM, share } = slot ?? slots[0]!;
  return { x: armSide(armOf(game) ?? hand) * asideM, y: ftToM(game.releaseFt), z: (game.releaseZ_m ?? release.z) * share };
}

/**
 * Solves a game-book entry for the court's own air: shaped balls by landing depth and net clearance, serves and pitches by speed.
 * @param conditions the court's ball, air and ground; wind is left out, the book describes still air
 * @param landingX where across the court it lands (or passes the plate), m
 * @param hand that throws a straight pitch
 * @returns null when the entry cannot be flown with this ball
 */
export function gameLaunch(game: GameBall, conditions: Conditions, landingX = 0, hand: Hand = 'right'): GameArrival | null {
  const still = { ...conditions, wind: { xMps: 0, yMps: 0 } };
  if (game.kind === 'pitch') {
    const from = releaseOf(game, hand);
    const spin = { topspinRpm: game.topspinRpm, sidespinRpm: game.sidespinRpm, gyroRpm: game.gyroRpm };
    const target = { kind: 'plane', planeY: PLATE.frontY_m, x: landingX, z: MIDDLE_OF_ZONE_M } as const;
    return first({ conditions: still, from, spin, target, limits: WIDEST_LIMITS, net: null }, { speedMps: mphToMps(game.speedMph) });
  }
  const from = { x: landingX, ...game.from };
  const spin = { topspinRpm: game.topspinRpm, sidespinRpm: 0, gyroRpm: 0 };
  const net = SPORT_RECORDS[game.sport].court.net;
  const question = {
    conditions: still,
    from,
    spin,
    target: { kind: 'landing', x: landingX, y: -game.landsPastM },
    limits: WIDEST_LIMITS,
    net,
  } as const;
  return first(question, game.kind === 'shaped' ? { netClearanceM: game.clearsByM } : { speedMps: mphToMps(game.speedMph) });
}

function first(question: AimQuestion, hold: Parameters<typeof aim>[1]): GameArrival | null {
  const [solution] = aim(question, hold).solutions;
  if (!solution) return null;
  const { speedMps, elevationDeg, bearingDeg } = solution;
  return { launch: { ...question.from, ...spinAt(question, speedMps), speedMps, elevationDeg, bearingDeg } };
}
