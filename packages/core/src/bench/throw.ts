import { type Ball, ballById, type CourtPlan, diamondOf, groundOf, SPORT_RECORDS, surfaceById } from '../catalog/index.ts';
import { isToFielders, type RungDocument } from '../drill/index.ts';
import { airDensity, type Conditions, type Flight, fly, type Launch } from '../flight/index.ts';
import { degToRad } from '../quantity/index.ts';
import type { Setup } from './setup-schema.ts';

/** What reaches the player, in the plane they meet the ball in. */
export interface Arrival {
  timeS: number;
  speedMps: number;
  heightM: number;
  /** Below horizontal, positive when falling. */
  descentDeg: number;
  topspinRpm: number;
  /** About the upright axis, as it left. */
  sidespinRpm: number;
  /** How far it went to the right of where it was thrown, seen from there, m: sideways spin, and the wind. */
  breakM: number;
  /** Across the court. */
  x: number;
  y: number;
  /** Bounces before it. */
  leg: number;
}

/** A launch as it is thrown: its flight and its arrival at the player. */
export interface Thrown {
  launch: Launch;
  flight: Flight;
  /** Null when the ball bounces twice before it reaches the player. */
  arrival: Arrival | null;
}

/** The conditions of flight of a set-up or a rung. @throws RangeError for a ball or a surface that is not in the catalogue */
export const conditionsOf = ({
  ballId,
  dragShare = 1,
  surfaceId,
  weather,
}: Pick<Setup, 'ballId' | 'dragShare' | 'surfaceId' | 'weather'>): Conditions & { ball: Ball } => ({
  ball: dragShare === 1 ? ballById(ballId) : { ...ballById(ballId), dragFactor: ballById(ballId).dragFactor * dragShare },
  airDensityKgM3: airDensity(weather),
  wind: { xMps: weather.windXMps, yMps: weather.windYMps },
  ground: groundOf(surfaceById(surfaceId), ballById(ballId)),
});

/** The plan a set-up is drawn on: a ball thrown to fielders needs the whole field. */
export const planOf = ({ sport, target }: Pick<Setup, 'sport' | 'target'>): CourtPlan =>
  (isToFielders(sport, target) && diamondOf(sport)?.field) || SPORT_RECORDS[sport].court;

const SAMPLE_S = 0.02;

/** Flies a launch and reads off what reaches the plane y = `playerY`. */
export function throwBall(conditions: Conditions, launch: Launch, playerY: number, sampleS = SAMPLE_S): Thrown {
  const flight = fly(conditions, launch, { planesY: [playerY], maxBounces: 1, sampleS });
  const [first] = flight.crossings;
  if (!first) return { launch, flight, arrival: null };
  return {
    launch,
    flight,
    arrival: {
      timeS: first.t,
      speedMps: first.speedMps,
      heightM: first.z,
      descentDeg: first.descentDeg,
      sidespinRpm: launch.sidespinRpm,
      breakM: breakOf(launch, { x: first.x, y: playerY }),
      x: first.x,
      y: playerY,
      leg: first.leg,
      topspinRpm: first.leg > 0 ? (flight.bounces[0]?.spinOutRpm ?? launch.topspinRpm) : launch.topspinRpm,
    },
  };
}

/** To the right of the line of the throw, m. */
function breakOf({ x, y, bearingDeg }: Launch, at: { x: number; y: number }): number {
  const bearing = degToRad(bearingDeg);
  return (at.x - x) * Math.cos(bearing) - (at.y - y) * Math.sin(bearing);
}

/** The flight of each feed of a rung, for drawing. */
export const flightsOf = (document: RungDocument, sampleS = 0.04) =>
  document.feeds.map(({ launch }) => throwBall(conditionsOf(document), launch, document.player.start.y, sampleS));
