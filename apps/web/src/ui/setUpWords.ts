import {
  areaOf,
  away,
  degToRad,
  diamondOf,
  type Feed,
  polesToward,
  type RungDocument,
  recoverAfter,
  SPORT_RECORDS,
  type Sport,
  type Spot,
  shortTurnDeg,
  targetsOf,
} from '@good-arc/core';
import { asidesOf, describeSpot } from './place.ts';
import { sayPlace, targetPlan } from './sayTarget.ts';

/** A mark this near counts as the mark, m: a hand's breadth. */
const ON_MARK_M = 0.1;
/** Farther than this a painted mark is no help, m. */
const NEAR_MARK_M = 0.8;

/** Where the machine stands, by the painted marks of a cage where there are any near, else by the nearest lines. */
export function sayMachine(
  sport: Sport,
  { x, y }: { x: number; y: number },
  marksM: readonly number[],
  length: (m: number) => string,
): string {
  const [near] = [...marksM].sort((a, b) => Math.abs(a - y) - Math.abs(b - y));
  if (!diamondOf(sport) || near === undefined || Math.abs(near - y) > NEAR_MARK_M)
    return describeSpot(SPORT_RECORDS[sport].court, { x, y }, length);
  const off = y - near;
  const along =
    Math.abs(off) <= ON_MARK_M
      ? `on the painted ${length(near)} mark`
      : `${length(Math.abs(off))} ${off > 0 ? 'behind' : 'in front of'} the painted ${length(near)} mark`;
  const across =
    Math.abs(x) < 0.05
      ? 'on the middle line'
      : `${length(Math.abs(x))} ${asidesOf(SPORT_RECORDS[sport].court)[x > 0 ? 1 : 0]} of the middle line`;
  return `${along}, ${across}`;
}

/** The turn of the barrel from straight along the court: `13° left`, seen from behind the machine. */
export function sayTurn(bearingDeg: number): string {
  const straight = Math.cos((bearingDeg * Math.PI) / 180) > 0 ? 0 : 180;
  const turn = shortTurnDeg(bearingDeg - straight);
  if (Math.abs(turn) < 0.5) return 'straight';
  return `${Math.abs(turn).toFixed(0)}° ${turn > 0 ? 'right' : 'left'}`;
}

/** What the muzzle is pointed at, seen from behind the machine: a spot at the net, beside the plate, or where the ball lands. */
export function sayAim({ launch, target }: Pick<Feed, 'launch' | 'target'>, sport: Sport, length: (m: number) => string): string {
  const [ux, uy] = [Math.sin(degToRad(launch.bearingDeg)), Math.cos(degToRad(launch.bearingDeg))];
  const side = (right: number, of: string): string =>
    Math.abs(right) < 0.1 ? `at the middle of ${of}` : `${length(Math.abs(right))} ${right > 0 ? 'right' : 'left'} of the middle of ${of}`;
  const ahead = (y: number): number | null =>
    Math.abs(uy) > 0.05 && (y - launch.y) / uy > 0 ? launch.x + (ux * (y - launch.y)) / uy : null;
  const facing = Math.sign(uy) || 1;
  const atNet = launch.y * (target.kind === 'landing' ? target.y : target.planeY) < 0 ? ahead(0) : null;
  if (!diamondOf(sport) && atNet !== null) return side(atNet * facing, 'the net');
  if (target.kind === 'plane') {
    const x = ahead(target.planeY);
    return x === null ? sayTurn(launch.bearingDeg) : side(x * facing, 'the plate');
  }
  return `where it lands: ${describeSpot(targetPlan(sport), target, length)}`;
}

/** Where the machine’s ball is to come down, or pass over the plate. */
export function sayLanding({ target }: Pick<Feed, 'target'>, sport: Sport, length: (m: number) => string): string {
  if (target.kind === 'plane') return `over the plate at ${length(target.z)}`;
  return describeSpot(targetPlan(sport), target, length);
}

/** Where a player waits between balls: each place once, with the balls (from 1) after which it is. */
export function recoveries(rung: RungDocument): { spot: Spot; feeds: number[] }[] {
  const all: { spot: Spot; feeds: number[] }[] = [];
  rung.feeds.forEach((feed, i) => {
    const spot = feed.on ? recoverAfter(rung, feed) : null;
    if (!spot) return;
    const same = all.find((each) => away(each.spot, spot) < 0.05);
    if (same) same.feeds.push(i + 1);
    else all.push({ spot, feeds: [i + 1] });
  });
  return all;
}

/** The same in words; empty when they go straight on. */
export function sayRecover(rung: RungDocument, sport: Sport, length: (m: number) => string): string {
  const all = recoveries(rung);
  return all
    .map(({ spot, feeds }) => {
      const place = describeSpot(SPORT_RECORDS[sport].court, spot, length);
      return all.length === 1 ? place : `after ${feeds.length === 1 ? 'ball' : 'balls'} ${feeds.join(', ')} ${place}`;
    })
    .join('; ');
}

/** The boxes of cones that are hit to, each with its size and its middle from the lines; empty when the coach says where. */
export function sayCones(rung: RungDocument, sport: Sport, length: (m: number) => string): string {
  const all = targetsOf(rung);
  const { widthM, depthM } = rung.targetSize;
  if (all.length === 0) return '';
  if (all.every(({ target }) => areaOf(sport, target))) return '';
  const where = all.map(({ target, feeds }) => {
    if (polesToward(sport, target)) return sayPlace(target, sport, length);
    const from = diamondOf(sport)
      ? `${length(Math.hypot(target.x, target.y))} from the plate`
      : describeSpot(SPORT_RECORDS[sport].court, target, length);
    const middle = `${sayPlace(target, sport, length)}, middle ${from}`;
    return all.length === 1 ? middle : `${feeds.length === 1 ? 'ball' : 'balls'} ${feeds.join(', ')} ${middle}`;
  });
  if (all.every(({ target }) => polesToward(sport, target) !== null)) return `poles ${length(widthM)} apart: ${where.join('; ')}`;
  return `box ${length(widthM)} × ${length(depthM)}: ${where.join('; ')}`;
}
