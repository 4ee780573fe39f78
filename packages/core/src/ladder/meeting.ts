import { type MeetHold, type Meeting, type MeetSolution, meetBall, spinAt } from '../aim/index.ts';
import { LEVEL_NEEDS, netBetween, netHeightAt, SPORT_RECORDS } from '../catalog/index.ts';
import { fly, type Launch } from '../flight/index.ts';
import { questionFor, speedsOf } from '../machine/index.ts';
import { radToDeg, wrapDeg } from '../quantity/index.ts';
import { type AimedBall, elevationsNear } from './throwing.ts';
import { questionOf, type Venue } from './venue.ts';

/** Where the body meets the ball: a spot, and heights there, the best first. */
export interface Meet {
  x: number;
  y: number;
  heightsM: readonly number[];
  /** The ways it may come. */
  ways: readonly Meeting[];
  /** A ball that is met on the rise counts as so much off its elevation, °: much for a kind one, little for one that is to be like the game’s. */
  riseCostDeg?: number;
  /** It must clear the net by this, m; by what the level should have without. */
  clearM?: number;
  /** It must land at most so far past the net, m (a serve: in its box). */
  deepestM?: number;
}

/** How far from the wanted elevation it looks, °. */
const WIDEST_DEG = 40;
/** Only the wanted height is tried at every elevation. */
const LEAP = 4;
const KIND_RISE_DEG = 40;
/** What another height in the band than the wanted one counts as off the elevation, °. */
const OTHER_HEIGHT_DEG = 1;

/**
 * The ball nearest to a wanted elevation that this machine can throw so that it meets the body there: over the net by what the level should have, in the
 * court. The first height and way that can be thrown at all is taken.
 * @returns null when the machine has no such ball from here
 */
export function throwToMeet(
  venue: Venue,
  from: { x: number; y: number; z: number },
  meet: Meet,
  wanted: { elevationDeg: number; topspinRpm: number; sidespinRpm?: number },
): AimedBall | null {
  const { profile } = venue.machine;
  if (profile.elevationSteps?.length && speedsOf(profile)) return moved(venue, from, meet, wanted);
  const all: { ball: AimedBall; cost: number }[] = [];
  const best = (): AimedBall | null => all.sort((a, b) => a.cost - b.cost)[0]?.ball ?? null;
  for (const [i, z] of meet.heightsM.entries()) {
    for (const on of meet.ways) {
      const ball = throwAt(
        venue,
        from,
        meet,
        { x: meet.x, y: meet.y, z, on },
        wanted,
        i === 0 || meet.riseCostDeg !== undefined ? 1 : LEAP,
      );
      const cost = on === 'rise' ? (meet.riseCostDeg ?? KIND_RISE_DEG) : 0;
      if (ball) all.push({ ball, cost: cost + Math.abs(ball.launch.elevationDeg - wanted.elevationDeg) + (i > 0 ? OTHER_HEIGHT_DEG : 0) });
    }
    // a kind ball comes to the best height; one like the game's comes as the game's does, anywhere in the band
    if (all.length > 0 && meet.riseCostDeg === undefined) break;
  }
  return best();
}

/** One height and way: what can be thrown to it, and how a solution becomes a ball. */
function meetingAt(
  venue: Venue,
  from: { x: number; y: number; z: number },
  { deepestM, clearM }: Meet,
  meet: { x: number; y: number; z: number; on: Meeting },
  spin: { topspinRpm: number; sidespinRpm: number },
): { of: (hold: MeetHold) => MeetSolution[]; thrown: (solution: MeetSolution) => AimedBall } {
  const place = questionOf(venue, from, { kind: 'plane', planeY: meet.y, x: meet.x, z: meet.z });
  const { conditions, ceilingM } = place;
  const { spin: spins, limits } = questionFor(venue.machine.profile, place, spin);
  const question = {
    conditions,
    from,
    spin: spins,
    limits,
    meet,
    net: netBetween(venue.sport, from.y, meet.y),
    ceilingM: ceilingM ?? null,
    insideOnly: true,
  };
  const safeM = clearM ?? LEVEL_NEEDS[venue.level].netClearanceM;
  const { inPlay } = SPORT_RECORDS[venue.sport].court;
  const isGood = ({ netClearanceM, landing }: MeetSolution): boolean =>
    (netClearanceM === null || netClearanceM >= safeM) &&
    (landing === null ||
      (Math.abs(landing.x) <= inPlay.x2 && landing.y >= inPlay.y1 + 0.3 && (deepestM === undefined || landing.y >= -deepestM)));
  return {
    of: (hold) => meetBall(question, hold).solutions.filter(isGood),
    thrown: ({ speedMps, elevationDeg, bearingDeg, landing }) => {
      const launch: Launch = { ...from, ...spinAt(question, speedMps), speedMps, elevationDeg, bearingDeg };
      // a volley lands where it would, were it let through
      const { x, y } = landing ?? fly(conditions, launch, { maxBounces: 0 }).bounces[0]!;
      return { launch, target: { kind: 'landing', x, y } };
    },
  };
}

function throwAt(
  venue: Venue,
  from: { x: number; y: number; z: number },
  meet: Meet,
  at: { x: number; y: number; z: number; on: Meeting },
  wanted: { elevationDeg: number; topspinRpm: number; sidespinRpm?: number },
  leap: number,
): AimedBall | null {
  const { profile } = venue.machine;
  const { of, thrown } = meetingAt(venue, from, meet, at, { topspinRpm: wanted.topspinRpm, sidespinRpm: wanted.sidespinRpm ?? 0 });
  const speeds = speedsOf(profile);
  if (speeds) {
    const off = ({ elevationDeg }: MeetSolution): number => Math.abs(elevationDeg - wanted.elevationDeg);
    const [best] = speeds.flatMap((speedMps) => of({ speedMps })).sort((a, b) => off(a) - off(b));
    return best ? thrown(best) : null;
  }
  for (const elevationDeg of elevationsNear(profile, wanted.elevationDeg, WIDEST_DEG, leap)) {
    const [best] = of({ elevationDeg });
    if (best) return thrown(best);
  }
  return null;
}

/**
 * The ball that takes this long to the meeting; a machine of few settings comes as near as it can.
 * @returns null when nothing meets the body there in about that time
 */
export function throwInTimeToMeet(
  venue: Venue,
  from: { x: number; y: number; z: number },
  meet: Meet,
  timeS: number,
  spin: { topspinRpm: number; sidespinRpm: number },
): AimedBall | null {
  const { profile } = venue.machine;
  if (speedsOf(profile) || profile.elevationSteps?.length) return null;
  for (const z of meet.heightsM)
    for (const on of meet.ways) {
      const meeting = meetingAt(venue, from, meet, { x: meet.x, y: meet.y, z, on }, spin);
      const [best] = meeting.of({ timeS });
      if (best) return meeting.thrown(best);
    }
  return null;
}

/** How far a machine whose settings all go in steps is moved, m, and in what steps: where it stands is all that is left to choose. */
const MOVED_M = 4;
const MOVE_M = 0.25;

/** Stands a machine of fixed speeds and elevations where its ball comes to the wanted height. */
function moved(
  venue: Venue,
  from: { x: number; y: number; z: number },
  meet: Meet,
  wanted: { elevationDeg: number; topspinRpm: number },
): AimedBall | null {
  const { profile } = venue.machine;
  const place = questionOf(venue, from, { kind: 'landing', x: meet.x, y: meet.y });
  const { spin } = questionFor(profile, place, { topspinRpm: wanted.topspinRpm, sidespinRpm: 0 });
  const [lo, hi] = [Math.min(...meet.heightsM), Math.max(...meet.heightsM)];
  const safeM = meet.clearM ?? LEVEL_NEEDS[venue.level].netClearanceM;
  const found: { ball: AimedBall; cost: number }[] = [];
  for (let off = -MOVED_M; off <= MOVED_M; off += MOVE_M) {
    const at = { ...from, y: from.y + off };
    // it stays on its side of the net, and in front of the player
    if (at.y > 0 !== from.y > 0 || Math.abs(at.y) < 0.8 || at.y < meet.y + 2) continue;
    const net = netBetween(venue.sport, at.y, meet.y);
    for (const speedMps of speedsOf(profile)!)
      for (const elevationDeg of profile.elevationSteps!) {
        const bearingDeg = wrapDeg(radToDeg(Math.atan2(meet.x - at.x, meet.y - at.y)));
        const launch: Launch = { ...at, ...spinAt({ spin }, speedMps), speedMps, elevationDeg, bearingDeg };
        const flight = fly(place.conditions, launch, { planesY: [meet.y, 0], maxBounces: 1 });
        const passed = flight.crossings.find(({ planeY }) => planeY === meet.y);
        const over = flight.crossings.find(({ planeY }) => planeY === 0);
        const clear =
          !net || (over !== undefined && over.leg === 0 && over.z - place.conditions.ball.radiusM - netHeightAt(net, over.x) >= safeM);
        const volley = meet.ways[0] === 'volley';
        if (!passed || !clear || (passed.leg === 0) !== volley || passed.z < lo || passed.z > hi) continue;
        const { x, y } = flight.bounces[0]!;
        const cost = Math.abs(off) + Math.abs(elevationDeg - wanted.elevationDeg) / 20;
        found.push({ ball: { launch, target: { kind: 'landing', x, y } }, cost });
      }
  }
  return found.sort((a, b) => a.cost - b.cost)[0]?.ball ?? null;
}
