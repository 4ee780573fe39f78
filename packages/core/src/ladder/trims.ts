import { conditionsOf } from '../bench/index.ts';
import { netBetween, type Sport } from '../catalog/index.ts';
import type { Dial } from '../dial/index.ts';
import type { RungDocument } from '../drill/index.ts';
import { type ClickTrim, clicksFor, type MachineProfile } from '../machine/index.ts';
import { type Correction, type Miss, trim } from '../spread/index.ts';
import type { Zone } from '../tune/index.ts';
import { isTooQuick } from './hurry.ts';
import { LEAST_BY_HAND } from './least.ts';

/** One thing to turn, in this machine's own clicks where its dial is tuned, in degrees or speed where it is not. */
export type NextTrim =
  | { by: 'clicks'; trim: ClickTrim }
  | { by: 'elevation'; deg: number }
  | { by: 'speed'; mps: number }
  | { by: 'turn'; deg: number };

/** What to turn next: one thing, and then another ball. */
export interface TrimAdvice {
  first: NextTrim;
  /** Would do as well; null without one. */
  or: NextTrim | null;
}

/**
 * The one thing to turn for balls that missed by so much on average: the machine itself where they went more to a side than long or short (in halves of
 * the zone), else the elevation, or its speed, which also moves the spin and the player's time.
 * @param rung as the card has it: its first ball is the one that was thrown
 * @param readings where tuned dials stand now, by their id
 * @returns null when the miss is less than a hand can set
 */
export function nextTrim(
  rung: RungDocument,
  sport: Sport,
  { profile, dials }: { profile: MachineProfile; dials: readonly Dial[] },
  readings: Readonly<Record<string, number>>,
  { widthM, depthM }: Pick<Zone, 'widthM' | 'depthM'>,
  miss: Miss,
): TrimAdvice | null {
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
  const [first, or] = corrections.flatMap((each) => stepOf(each, dials, readings));
  const turnDeg = corrections[0]?.turnDeg ?? 0;
  const turn: TrimAdvice | null = Math.abs(turnDeg) < LEAST_BY_HAND.turnDeg ? null : { first: { by: 'turn', deg: turnDeg }, or: null };
  const isAside = Math.abs(miss.xM) / widthM > Math.abs(miss.alongM) / depthM;
  return (isAside ? turn : null) ?? (first ? { first, or: or ?? null } : turn);
}

/** Whether a correction makes a hard ball so quick that a hitter of this level could not react. */
function hurries(rung: RungDocument, sport: Sport, correction: Correction): boolean {
  if (correction.by !== 'speed' || correction.speedMps <= 0) return false;
  const feed = rung.feeds[0]!;
  return isTooQuick(rung, sport, feed, { ...feed.launch, speedMps: feed.launch.speedMps + correction.speedMps });
}

function stepOf(correction: Correction, dials: readonly Dial[], readings: Readonly<Record<string, number>>): NextTrim[] {
  const { by } = correction;
  const change = by === 'elevation' ? correction.elevationDeg : correction.speedMps;
  if (Math.abs(change) < (by === 'elevation' ? LEAST_BY_HAND.elevationDeg : LEAST_BY_HAND.speedMps)) return [];
  const tuned = dials.some((dial) => dial.moves === by && dial.curve && readings[dial.id] !== undefined);
  if (tuned)
    return clicksFor(dials, by, change, readings)
      .slice(0, 1)
      .map((each) => ({ by: 'clicks', trim: each }));
  return by === 'elevation' ? [{ by, deg: change }] : [{ by, mps: change }];
}
