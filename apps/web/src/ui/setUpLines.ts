import {
  away,
  conditionsOf,
  diamondOf,
  linearSpread,
  metsOf,
  netBetween,
  printAngle,
  printSpin,
  printTime,
  type RungDocument,
  SPORT_RECORDS,
  type Sport,
} from '@good-arc/core';
import type { MachineRow } from '../api/rows.ts';
import { dialWords } from './dialWords.ts';
import { describeSpot } from './place.ts';
import { sayAim, sayCones, sayLanding, sayMachine, sayRecover } from './setUpWords.ts';
import type { useUnits } from './Units.tsx';

/** A machine that stands nearer to where it stood is left there, m. */
const SAME_PLACE_M = 0.15;

/** Everything a hand sets before the first ball of a rung, in words; what does not apply is empty. */
export interface SetUpLines {
  stand: string;
  /** Where it stood for the rung below, when it moves. */
  stoodAt: string;
  dials: string;
  elevation: string;
  aim: string;
  feed: string;
  player: string;
  /** Where the player waits between balls. */
  recover: string;
  cones: string;
}

/** Several who hit in turn on two lines: each has a line, and a place on it. */
const hitOnLines = ({ sweep, hitters = 1 }: Pick<RungDocument, 'sweep' | 'hitters'>): boolean => sweep?.kind === 'two-line' && hitters > 1;

/** @param below the rung below; null for the first */
export function setUpLines(
  rung: RungDocument,
  { sport, machine, marksM, below }: { sport: Sport; machine: MachineRow; marksM: readonly number[]; below: RungDocument | null },
  units: ReturnType<typeof useUnits>,
): SetUpLines {
  const feed = rung.feeds.find(({ on }) => on) ?? rung.feeds[0]!;
  const { launch } = feed;
  const places = hitOnLines(rung) ? metsOf(rung, feed) : [feed.meet ?? rung.player.start];
  const was = below?.feeds[0]?.launch;
  const spin = [printSpin(launch.topspinRpm), launch.sidespinRpm !== 0 && `side ${printSpin(launch.sidespinRpm)}`]
    .filter(Boolean)
    .join(', ');
  return {
    stand: sayMachine(sport, launch, marksM, units.length),
    stoodAt: was && away(was, launch) > SAME_PLACE_M ? sayMachine(sport, was, marksM, units.length) : '',
    dials: dialWords(rung, machine) || `${units.speed(launch.speedMps)} · ${spin}`,
    elevation: printAngle(launch.elevationDeg, 1),
    aim: [
      sayAim(feed, sport, units.length),
      rung.sweep &&
        `it turns ${printAngle(rung.sweep.halfDeg, 1)} to each side of that${rung.sweep.kind === 'two-line' ? ', to two lines' : ''}`,
    ]
      .filter(Boolean)
      .join('; '),
    feed: `every ${printTime(rung.intervalS, 1)}`,
    player: diamondOf(sport)
      ? ''
      : places
          .map((spot) => `${places.length > 1 ? 'one ' : ''}${describeSpot(SPORT_RECORDS[sport].court, spot, units.length)}`)
          .join('; '),
    // each on their own line stays there
    recover: diamondOf(sport) || places.length > 1 ? '' : sayRecover(rung, sport, units.length),
    cones: sayCones(rung, sport, units.length),
  };
}

/** Where its first ball comes down, and how far from there two balls in three are, by the machine’s own scatter. */
export function sayArrival(
  rung: RungDocument,
  sport: Sport,
  { profile }: Pick<MachineRow, 'profile'>,
  units: ReturnType<typeof useUnits>,
): string {
  const feed = rung.feeds.find(({ on }) => on) ?? rung.feeds[0]!;
  const { launch, target } = feed;
  const spread = linearSpread({
    conditions: conditionsOf(rung),
    launch,
    target,
    repeatability: profile.repeatability,
    gustMps: 0,
    // its size does not matter to where balls come down
    size: { widthM: 1, depthM: 1 },
    net: netBetween(sport, launch.y, target.kind === 'landing' ? target.y : target.planeY),
  });
  const where = sayLanding(feed, sport, units.length);
  if (!spread) return where;
  const [across, along] = [Math.sqrt(spread.cov.xx), Math.sqrt(spread.cov.yy)];
  return `${where}; two balls in three within ${units.length(across)} to the side, ${units.length(along)} ${target.kind === 'plane' ? 'up or down' : 'long or short'}`;
}
