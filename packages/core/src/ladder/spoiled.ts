import { conditionsOf } from '../bench/index.ts';
import { diamondOf, LEVEL_NEEDS, netBetween, PLATE, SPORT_RECORDS, type Sport } from '../catalog/index.ts';
import { away, comfortOf, doubtBits, type Feed, isIn, isToFielders, type RungDocument } from '../drill/index.ts';
import type { MachineProfile } from '../machine/index.ts';
import { strikeZoneOf } from '../pitch/index.ts';
import { seededRandom } from '../random.ts';
import { endpointOf, normals, thrownOff } from '../spread/index.ts';
import type { JudgedRung } from './judge.ts';
import { type Seen, type SeenWith, seen } from './seen.ts';

/** What becomes of a ball that nobody can be asked to hit: in the net, out of the court or the strike zone, or come where it is too quick or unkind. */
export const SPOILT = ['net', 'out', 'beyond'] as const;
/** What becomes of a ball that is spoilt; see `SPOILT`. */
export type Spoilt = (typeof SPOILT)[number];

/** What a machine that does not throw the same ball twice takes of a rung. */
export interface SpoiledBalls {
  /** Of all its balls, those that are spoilt although the ball it is set to is not. 0 to 1. */
  share: number;
  /** The same by what becomes of them; they sum to `share`. */
  parts: Record<Spoilt, number>;
  /** Nine of ten of the others are met within so much of the ball it is set to. */
  within90: { acrossM: number; heightM: number; timeS: number };
}

/** So many throws in all, and of each ball at least: a share of a tenth is known to 2.4 of 100 (1 σ), and nobody waits for more than some 20 ms. */
const SAMPLES = 160;
const LEAST = 4;
const SEED = 1;
/** Two-sided 90 % of the normal law. */
const Z90 = 1.645;

/**
 * Throws every ball of a rung that counts many times, each a little off as the machine throws it and as it gusts, and looks whether it can still be hit: by
 * the rules that the rung is judged by. What the ball of the set-up already is, the machine’s spread does not take.
 * @param judged the verdict on this rung @param repeatabilityOf of the machine that throws a ball, 1 σ each; null for one that is not known
 * @returns null where none of its balls counts, and where a machine is not known
 */
export function spoiledBy(
  rung: RungDocument,
  judged: JudgedRung,
  context: SeenWith,
  repeatabilityOf: (feed: Feed) => MachineProfile['repeatability'] | null,
): SpoiledBalls | null {
  const normal = normals(seededRandom(SEED));
  const bits = doubtBits(rung);
  const count: Record<Spoilt, number> = { net: 0, out: 0, beyond: 0 };
  const off: { acrossM: number; heightM: number; timeS: number }[] = [];
  let thrown = 0;
  const counted = rung.feeds.filter((feed) => isIn(feed, rung.absent) && feed.counts !== false && !feed.letGo);
  const samples = Math.max(LEAST, Math.round(SAMPLES / counted.length));
  for (const feed of counted) {
    const middle = seen(rung, feed, bits, context);
    const ball = judged.balls.find((each) => rung.feeds[each.feed] === feed);
    if (!middle || !ball) continue;
    const repeatability = repeatabilityOf(feed);
    if (!repeatability) return null;
    const faultOf = faultsOf(rung, feed, context.sport, { middle, availableS: ball.availableS });
    const own = faultOf(feed.launch, rung.weather, middle);
    for (let k = 0; k < samples; k++) {
      const launch = thrownOff(feed.launch, repeatability, normal);
      const weather = gusting(rung.weather, normal);
      thrown++;
      const met = seen({ ...rung, weather }, { ...feed, launch }, bits, context);
      const fault = faultOf(launch, weather, met);
      if (fault !== null && fault !== own) count[fault]++;
      else if (met) {
        off.push({
          acrossM: met.contact.x - middle.contact.x,
          heightM: (met.arrival?.heightM ?? 0) - (middle.arrival?.heightM ?? 0),
          timeS: met.flightS - middle.flightS,
        });
      }
    }
  }
  if (thrown === 0) return null;
  const parts = { net: count.net / thrown, out: count.out / thrown, beyond: count.beyond / thrown };
  const within = (of: (each: (typeof off)[number]) => number): number =>
    Z90 * Math.sqrt(off.reduce((sum, each) => sum + of(each) ** 2, 0) / Math.max(1, off.length));
  return {
    share: parts.net + parts.out + parts.beyond,
    parts,
    within90: { acrossM: within(({ acrossM }) => acrossM), heightM: within(({ heightM }) => heightM), timeS: within(({ timeS }) => timeS) },
  };
}

/** The air in one gust. */
const gusting = (weather: RungDocument['weather'], normal: () => number): RungDocument['weather'] => ({
  ...weather,
  windXMps: weather.windXMps + (weather.gustMps ?? 0) * normal(),
  windYMps: weather.windYMps + (weather.gustMps ?? 0) * normal(),
});

const isTooQuick = (ease: number): boolean => comfortOf(ease) === 'too quick';

/** What is wrong with a throw of a ball, if anything. @param availableS for the ball as it is set */
function faultsOf(rung: RungDocument, feed: Feed, sport: Sport, { middle, availableS }: { middle: Seen; availableS: number }) {
  const { inPlay } = SPORT_RECORDS[sport].court;
  const zone = diamondOf(sport) && strikeZoneOf(sport, { ...rung, gameBallId: feed.gameBallId });
  return (launch: Feed['launch'], weather: RungDocument['weather'], met: Seen | null): Spoilt | null => {
    const conditions = conditionsOf({ ...rung, weather });
    const { target } = feed;
    const net = netBetween(sport, launch.y, target.kind === 'landing' ? target.y : target.planeY);
    if (net) {
      const end = endpointOf(conditions, launch, target, net);
      if (end && end.netClearanceM !== null && end.netClearanceM < 0) return 'net';
      // one that is met before it comes down is hit wherever it would have landed
      const isOut = target.kind === 'landing' && end && (Math.abs(end.x) > inPlay.x2 || end.along < inPlay.y1 || end.along > inPlay.y2);
      if (isOut && met?.arrival?.leg !== 0) return 'out';
    }
    if (!met) return 'out';
    if (isToFielders(sport, target)) return isTooQuick(met.flightS / met.needS) ? 'beyond' : null;
    if (zone) {
      const { x, heightM } = met.arrival!;
      const { radiusM } = conditions.ball;
      const isStrike = Math.abs(x) <= PLATE.halfWidthM + radiusM && heightM >= zone.bottomM - radiusM && heightM <= zone.topM + radiusM;
      if (!isStrike) return 'out';
      return met.hitter && isTooQuick(met.hitter.ease) ? 'beyond' : null;
    }
    const moreS = met.flightS - middle.flightS - away(met.contact, middle.contact) / LEVEL_NEEDS[rung.level].courtSpeedMps;
    return met.height?.word === 'unkind' || isTooQuick((availableS + moreS) / met.needS) ? 'beyond' : null;
  };
}
