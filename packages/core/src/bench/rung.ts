import type { RungDocument } from '../drill/index.ts';
import { type Arrangement, throwBall } from './arrange.ts';
import { conditionsOf, type Setup } from './setup.ts';

/** What a rung adds to a set-up. */
export interface RungChoices {
  name: string;
  focalPoint: string;
  ballsPerRound: number;
  rounds: number;
  gate: { hits: number; of: number };
}

/** A solved set-up as a rung of one feed; null while it cannot be thrown. */
export function rungFromSetup(setup: Setup, { thrown, stroke }: Arrangement, choices: RungChoices): RungDocument | null {
  if (!thrown) return null;
  const { name, focalPoint, ballsPerRound, rounds, gate } = choices;
  return {
    name,
    focalPoint,
    ballsPerRound,
    rounds,
    gate,
    courtId: setup.courtId,
    machineId: setup.machineId,
    ballId: setup.ballId,
    surfaceId: setup.surfaceId,
    level: setup.level,
    weather: setup.weather,
    feeds: [{ name, launch: thrown.launch, target: setup.target, gameBallId: setup.gameBallId, stroke, on: true, cue: '' }],
    order: 'fixed',
    intervalS: setup.intervalS,
    player: { start: setup.player, recover: null },
    targetSize: setup.targetSize,
    shadowSwings: 0,
  };
}

/** The set-up that a rung's first feed came from, holding its elevation, so that the bench can go on from it. */
export function setupFromRung(document: RungDocument, sport: Setup['sport']): Setup {
  const { launch, target, gameBallId } = document.feeds[0]!;
  const { x, y, z, elevationDeg, speedMps, topspinRpm, sidespinRpm } = launch;
  return {
    sport,
    courtId: document.courtId,
    machineId: document.machineId,
    surfaceId: document.surfaceId,
    ballId: document.ballId,
    level: document.level,
    weather: document.weather,
    from: { x, y, z },
    target,
    targetSize: document.targetSize,
    hold: sport === 'baseball' ? { speedMps } : { elevationDeg },
    arc: 'low',
    topspinRpm,
    sidespinRpm,
    player: document.player.start,
    gameBallId: gameBallId ?? '',
    intervalS: document.intervalS,
  };
}

/** The flight of each feed of a rung, for drawing. */
export const flightsOf = (document: RungDocument, sampleS = 0.04) =>
  document.feeds.map(({ launch }) => throwBall(conditionsOf(document), launch, document.player.start.y, sampleS));
