import type { Hold } from '../aim/index.ts';
import { conditionsOf } from '../bench/index.ts';
import { type Feed, ROUNDING, type RungDocument, SAME_SPEED } from '../drill/index.ts';
import { fly } from '../flight/index.ts';
import { aimMachine } from '../machine/index.ts';
import { shortTurnDeg } from '../quantity/index.ts';
import { questionOf, type Venue } from './throwing.ts';

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

/** Less is not worth a hand on the machine, nor is a miss smaller than that, m. */
const LEAST = { elevationDeg: 0.25, turnDeg: 0.4, speedMps: 0.1, missM: 0.2 };
/** A turn of the elevation beyond this is another ball, not today’s trim, °; nor is another speed by more than such a share. */
const MOST_DEG = 12;
const MOST_SPEED = SAME_SPEED;

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
    if (!miss || Math.hypot(miss.longM, miss.rightM) < LEAST.missM) return feed;
    const { elevationSteps: _steps, speedSteps: _speeds, ...free } = venue.machine.profile;
    const { launch, target } = feed;
    const question = questionOf(venue, { x: launch.x, y: launch.y, z: launch.z }, target);
    const near = (hold: Hold) =>
      aimMachine(free, question, launch, hold).solutions.find(
        (each) =>
          Math.abs(each.elevationDeg - launch.elevationDeg) <= MOST_DEG &&
          Math.abs(each.speedMps / launch.speedMps - 1) <= MOST_SPEED + ROUNDING,
      );
    const most = launch.speedMps * (miss.longM < 0 ? 1 + MOST_SPEED : 1 - MOST_SPEED);
    const solution = near({ speedMps: launch.speedMps }) ?? near({ elevationDeg: launch.elevationDeg }) ?? near({ speedMps: most });
    if (!solution) {
      lost.push(i);
      return feed;
    }
    const elevationDeg = solution.elevationDeg - launch.elevationDeg;
    const turnDeg = shortTurnDeg(solution.bearingDeg - launch.bearingDeg);
    const speedMps = solution.speedMps - launch.speedMps;
    if (Math.abs(elevationDeg) < LEAST.elevationDeg && Math.abs(turnDeg) < LEAST.turnDeg && Math.abs(speedMps) < LEAST.speedMps)
      return feed;
    changes.push({ feed: i, elevationDeg, speedMps, turnDeg, miss });
    const { elevationDeg: up, bearingDeg, speedMps: speed } = solution;
    return { ...feed, launch: { ...launch, elevationDeg: up, bearingDeg, speedMps: speed } };
  });
  return { rung: changes.length > 0 ? { ...rung, feeds, weather: venue.weather } : rung, changes, lost };
}

/** How far from its spot a ball comes down in the air of today; null for one that does not come down. */
function missOf({ launch, target }: Feed, rung: RungDocument, { weather }: Venue): TodayChange['miss'] | null {
  const conditions = conditionsOf({ ...rung, weather });
  const bearing = (launch.bearingDeg * Math.PI) / 180;
  if (target.kind === 'plane') {
    const [at] = fly(conditions, launch, { planesY: [target.planeY], maxBounces: 0, sampleS: 0 }).crossings;
    // in a plane “long” is high
    return at ? { longM: at.z - target.z, rightM: (at.x - target.x) * Math.sign(Math.cos(bearing)) } : null;
  }
  const landing = fly(conditions, launch, { maxBounces: 1, sampleS: 0 }).bounces[0];
  if (!landing) return null;
  const [dx, dy] = [landing.x - target.x, landing.y - target.y];
  return { longM: dx * Math.sin(bearing) + dy * Math.cos(bearing), rightM: dx * Math.cos(bearing) - dy * Math.sin(bearing) };
}
