import {
  ballById,
  bandOf,
  type ClickTrim,
  type Correction,
  clicksFor,
  conditionsOf,
  type Dial,
  diamondOf,
  gameBallById,
  hitterTime,
  type MachineProfile,
  netBetween,
  type RungDocument,
  type Sport,
  throwBall,
  trim,
} from '@good-arc/core';

/** One thing to try next, in this machine's own clicks where its dial is tuned, in degrees or speed where it is not. */
export type NextTrim =
  | { by: 'clicks'; trim: ClickTrim }
  | { by: 'elevation'; deg: number }
  | { by: 'speed'; mps: number }
  | { by: 'turn'; deg: number };

/** Less than this is not worth a hand on the machine. */
const LEAST = { deg: 0.25, mps: 0.15, turnDeg: 0.4 } as const;

/**
 * What to change for balls that missed by so much on average, the smallest step first and elevation before speed.
 * @param readings where the dials stand now
 */
export function nextTrims(
  rung: RungDocument,
  sport: Sport,
  { profile, dials }: { profile: MachineProfile; dials: readonly Dial[] },
  readings: Readonly<Record<string, number>>,
  miss: { xM: number; alongM: number },
): NextTrim[] {
  const { launch, target } = rung.feeds[0]!;
  const targetY = target.kind === 'landing' ? target.y : target.planeY;
  const question = {
    conditions: conditionsOf(rung),
    from: { x: launch.x, y: launch.y, z: launch.z },
    target,
    net: netBetween(sport, launch.y, targetY),
  };
  // pins bind a set-up, not a trim: a fine screw moves between them
  const { speedSteps: _speeds, elevationSteps: _elevations, ...free } = profile;
  const corrections = trim(free, question, launch, launch, miss).filter((each) => !hurries(rung, sport, each));
  const [first] = corrections;
  if (!first) return [];
  const turn: NextTrim[] = Math.abs(first.turnDeg) >= LEAST.turnDeg ? [{ by: 'turn', deg: first.turnDeg }] : [];
  return [...corrections.flatMap((each) => stepsOf(each, dials, readings)).slice(0, 2), ...turn];
}

/** Whether a correction makes a hard ball so quick that a hitter of this level could not react: that is never proposed. */
function hurries(rung: RungDocument, sport: Sport, correction: Correction): boolean {
  const { launch, target, gameBallId } = rung.feeds[0]!;
  if (correction.by !== 'speed' || correction.speedMps <= 0 || !diamondOf(sport) || target.kind !== 'plane' || !ballById(rung.ballId).hard)
    return false;
  const faster = { ...launch, speedMps: launch.speedMps + correction.speedMps };
  const { arrival } = throwBall(conditionsOf(rung), faster, target.planeY, 0);
  return arrival === null || hitterTime(sport, bandOf(sport, rung.level, gameBallById(gameBallId ?? '')), arrival.timeS).tooQuick;
}

function stepsOf(correction: Correction, dials: readonly Dial[], readings: Readonly<Record<string, number>>): NextTrim[] {
  const { by } = correction;
  const change = by === 'elevation' ? correction.elevationDeg : correction.speedMps;
  if (Math.abs(change) < (by === 'elevation' ? LEAST.deg : LEAST.mps)) return [];
  const tuned = dials.some((dial) => dial.moves === by && dial.curve && readings[dial.id] !== undefined);
  if (tuned)
    return clicksFor(dials, by, change, readings)
      .slice(0, 1)
      .map((each) => ({ by: 'clicks', trim: each }));
  return by === 'elevation' ? [{ by, deg: change }] : [{ by, mps: change }];
}
