import type { Hold } from '../aim/index.ts';
import { conditionsOf } from '../bench/index.ts';
import { type Feed, isSlightTurn, isTrimOf, ROUNDING, type RungDocument, TRIM } from '../drill/index.ts';
import { fly, type Launch } from '../flight/index.ts';
import { aimMachine, type MachineProfile } from '../machine/index.ts';
import { shortTurnDeg } from '../quantity/index.ts';
import { LEAST_BY_HAND } from './least.ts';
import { questionOf, type Venue } from './venue.ts';

/** What is turned for today’s air, of one ball of a rung. */
export interface TodayChange {
  /** Index of the feed. */
  feed: number;
  elevationDeg: number;
  /** Only where elevation alone does not do it, m/s. */
  speedMps: number;
  /** Clockwise from above: to the right of the throw. */
  turnDeg: number;
  /** Where it would come down as it is, beyond its spot and to the right of it, seen along the throw, m. */
  miss: { longM: number; rightM: number };
}

/** A rung solved again for the air of a day. */
export interface ForToday {
  rung: RungDocument;
  /** Balls that must be turned; empty where the air makes no difference that a hand would set. */
  changes: TodayChange[];
  /** Indexes of balls that this machine cannot bring to their spot in this air. */
  lost: number[];
}

/** A smaller miss is not worth a hand on the machine, m. */
const LEAST_MISS_M = 0.2;

/**
 * A rung with every ball brought to its own spot in the air of today: the speed stays, so that the player has the time that the rung is about; elevation
 * and direction follow. Where that does not do it the speed is changed by a little instead. Pins and notches bind a set-up, not a trim: a fine screw moves between them.
 * @param venue with the weather of today
 */
export function forToday(rung: RungDocument, venue: Venue): ForToday {
  const changes: TodayChange[] = [];
  const lost: number[] = [];
  const feeds = rung.feeds.map((feed, i): Feed => {
    const miss = missOf(feed, rung, venue);
    if (!miss || Math.hypot(miss.longM, miss.rightM) < LEAST_MISS_M) return feed;
    const { launch } = feed;
    const solution = trimmedTo(feed, feed.target, venue, miss.longM < 0);
    if (!solution) {
      lost.push(i);
      return feed;
    }
    const elevationDeg = solution.elevationDeg - launch.elevationDeg;
    const turnDeg = shortTurnDeg(solution.bearingDeg - launch.bearingDeg);
    const speedMps = solution.speedMps - launch.speedMps;
    const { elevationDeg: leastDeg, turnDeg: leastTurnDeg, speedMps: leastMps } = LEAST_BY_HAND;
    if (Math.abs(elevationDeg) < leastDeg && Math.abs(turnDeg) < leastTurnDeg && Math.abs(speedMps) < leastMps) return feed;
    changes.push({ feed: i, elevationDeg, speedMps, turnDeg, miss });
    return { ...feed, launch: solution };
  });
  return { rung: changes.length > 0 ? { ...rung, feeds, weather: venue.weather } : rung, changes, lost };
}

/** The launch that brings a ball to a spot with no more than a trim of what is set: the speed kept if that can be, else a little of it. */
function trimmedTo({ launch }: Feed, target: Feed['target'], venue: Venue, faster: boolean): Launch | null {
  const { elevationSteps: _steps, speedSteps: _speeds, ...free } = venue.machine.profile;
  const question = questionOf(venue, { x: launch.x, y: launch.y, z: launch.z }, target);
  const near = (hold: Hold) =>
    aimMachine(free, question, launch, hold).solutions.find(
      (each) => isSlightTurn(each, launch) && Math.abs(each.speedMps / launch.speedMps - 1) <= TRIM.speedShare + ROUNDING,
    );
  const most = launch.speedMps * (faster ? 1 + TRIM.speedShare : 1 - TRIM.speedShare);
  const solution = near({ speedMps: launch.speedMps }) ?? near({ elevationDeg: launch.elevationDeg }) ?? near({ speedMps: most });
  if (!solution) return null;
  const { elevationDeg, bearingDeg, speedMps } = solution;
  return { ...launch, elevationDeg, bearingDeg, speedMps };
}

/** Where a ball comes down, or passes its plane, in the air of the venue; null for one that does not. */
function comesTo({ launch, target }: Feed, rung: RungDocument, { weather }: Venue): Feed['target'] | null {
  const conditions = conditionsOf({ ...rung, weather });
  if (target.kind === 'plane') {
    const [at] = fly(conditions, launch, { planesY: [target.planeY], maxBounces: 0, sampleS: 0 }).crossings;
    return at ? { kind: 'plane', planeY: target.planeY, x: at.x, z: at.z } : null;
  }
  const landing = fly(conditions, launch, { maxBounces: 1, sampleS: 0 }).bounces[0];
  return landing ? { kind: 'landing', x: landing.x, y: landing.y } : null;
}

/** How far from its spot a ball comes down in the air of today; null for one that does not come down. */
function missOf(feed: Feed, rung: RungDocument, venue: Venue): TodayChange['miss'] | null {
  const { launch, target } = feed;
  const at = comesTo(feed, rung, venue);
  if (!at) return null;
  const bearing = (launch.bearingDeg * Math.PI) / 180;
  // in a plane “long” is high
  if (at.kind === 'plane' && target.kind === 'plane')
    return { longM: at.z - target.z, rightM: (at.x - target.x) * Math.sign(Math.cos(bearing)) };
  if (at.kind === 'plane' || target.kind === 'plane') return null;
  const [dx, dy] = [at.x - target.x, at.y - target.y];
  return { longM: dx * Math.sin(bearing) + dy * Math.cos(bearing), rightM: dx * Math.cos(bearing) - dy * Math.sin(bearing) };
}

/**
 * A rung whose ball comes a little elsewhere than it comes now: longer or shorter (in a plane higher or lower) and to a side, seen along the throw.
 * @param card the rung as the round began with it: all nudges together are no more than a trim of that
 * @returns null when no trim of the card gives that
 */
export function nudged(rung: RungDocument, card: RungDocument, index: number, by: TodayChange['miss'], venue: Venue): RungDocument | null {
  const feed = rung.feeds[index];
  const set = card.feeds[index];
  const at = feed && comesTo(feed, rung, venue);
  if (!feed || !set || !at) return null;
  const bearing = (feed.launch.bearingDeg * Math.PI) / 180;
  const target: Feed['target'] =
    at.kind === 'plane'
      ? { ...at, z: at.z + by.longM, x: at.x + by.rightM * Math.sign(Math.cos(bearing)) }
      : {
          kind: 'landing',
          x: at.x + by.longM * Math.sin(bearing) + by.rightM * Math.cos(bearing),
          y: at.y + by.longM * Math.cos(bearing) - by.rightM * Math.sin(bearing),
        };
  const launch = trimmedTo(feed, target, venue, by.longM > 0);
  const next = launch && { ...rung, feeds: rung.feeds.map((each, i) => (i === index ? { ...feed, launch } : each)) };
  return next && isTrimOf(next, card) ? next : null;
}

/** What is trimmed of every ball of a machine alike. */
export interface MachineTrim {
  elevationDeg: number;
  /** Its speed is multiplied by this. */
  speedShare: number;
  /** Clockwise from above: to the right of the throw. */
  turnDeg: number;
}
/** Nothing trimmed. */
export const NO_TRIM: MachineTrim = { elevationDeg: 0, speedShare: 1, turnDeg: 0 };

/**
 * A rung with every ball of its machine trimmed by as much: what the first ball shows to be off of a machine is off of all its balls.
 * @returns null when that is more than a trim of the rung, or more than the machine can
 */
export function trimAll(
  rung: RungDocument,
  { elevationDeg, speedShare, turnDeg }: MachineTrim,
  { elevationDeg: [lowest, highest], speedMps: [slowest, fastest] }: Pick<MachineProfile, 'elevationDeg' | 'speedMps'>,
): RungDocument | null {
  if (elevationDeg === 0 && speedShare === 1 && turnDeg === 0) return rung;
  const isOurs = ({ machineId = rung.machineId }: Feed): boolean => machineId === rung.machineId;
  const feeds = rung.feeds.map((feed): Feed => {
    if (!isOurs(feed)) return feed;
    const { launch } = feed;
    const trimmed = {
      elevationDeg: launch.elevationDeg + elevationDeg,
      speedMps: launch.speedMps * speedShare,
      bearingDeg: launch.bearingDeg + turnDeg,
    };
    return { ...feed, launch: { ...launch, ...trimmed } };
  });
  const can = feeds
    .filter(isOurs)
    .every(
      ({ launch }) =>
        launch.elevationDeg >= lowest && launch.elevationDeg <= highest && launch.speedMps >= slowest && launch.speedMps <= fastest,
    );
  const next = { ...rung, feeds };
  return can && isTrimOf(next, rung) ? next : null;
}
