import { LEVEL_NEEDS, SPORT_RECORDS, type Sport } from '../catalog/index.ts';
import { away, type RungDocument } from '../drill/index.ts';
import { chanceOf } from '../progress/index.ts';
import type { JudgedBall, Share } from './judged.ts';

/** What makes a rung hard, with the most each can give of 100 (our judgement; common practice, no source). */
export const DEMAND_PARTS = { time: 20, ground: 15, pace: 30, doubt: 15, target: 10, load: 10 } as const;
/** A part of what a rung asks. */
export type DemandPart = keyof typeof DEMAND_PARTS;

/** What a rung asks of a player, part by part and in all. */
export interface Demand {
  /** 0 to 100. */
  total: number;
  /** What each part gives of it. */
  parts: Record<DemandPart, number>;
}

/** From here the part gives nothing, and from there all it can. */
const TIME = { none: 1.8, all: 0.8 };
const GROUND_M = 10;
const BITS = 2;
const LOAD_BALLS = 160;
/** Share of pace in pace and spin. */
const PACE_SHARE = 0.7;

const clamp = (value: number): number => Math.min(1, Math.max(0, value));

/** Demand of a rung: time pressure, ground covered, pace and spin against the game, doubt, target, load. */
export function demandOf({
  rung,
  sport,
  balls,
  bits,
  share,
}: {
  rung: RungDocument;
  sport: Sport;
  balls: readonly JudgedBall[];
  bits: number;
  share: Share | null;
}): Demand {
  const worst = Math.min(...balls.map(({ ease }) => ease));
  const ground = balls.reduce((sum, { pathM }) => sum + pathM, 0) / balls.length;
  const game = share
    ? share.topspinRpm === null
      ? clamp(share.speedMps)
      : PACE_SHARE * clamp(share.speedMps) + (1 - PACE_SHARE) * clamp(share.topspinRpm)
    : 0.5;
  const { court } = SPORT_RECORDS[sport];
  const hitTo = rung.targetAt ?? { x: 0, y: court.inPlay.y2 };
  const chance = chanceOf(LEVEL_NEEDS[rung.level].scatter, Math.max(1, away(rung.player.start, hitTo)), rung.targetSize);
  const shares: Record<DemandPart, number> = {
    time: clamp((TIME.none - worst) / (TIME.none - TIME.all)),
    ground: clamp(ground / GROUND_M),
    pace: game,
    doubt: clamp(bits / BITS),
    target: 1 - chance,
    load: clamp((rung.rounds * rung.ballsPerRound * (1 + rung.shadowSwings / 2)) / LOAD_BALLS),
  };
  const parts = Object.fromEntries(
    Object.entries(DEMAND_PARTS).map(([part, most]) => [part, most * shares[part as DemandPart]]),
  ) as Demand['parts'];
  return { total: Object.values(parts).reduce((sum, each) => sum + each, 0), parts };
}
