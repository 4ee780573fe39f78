import { diamondOf, type Level, PLATE, SPORT_RECORDS, type Sport, TARGET_PLACE_IDS, type TargetPlaceId } from '../catalog/index.ts';
import { degToRad, ftToM } from '../quantity/index.ts';
import type { Feed, RungDocument } from './schema.ts';
import { away, type Spot } from './timing.ts';

/** Targets stand so far in from baseline and sideline, and in the middle so far inside the baseline (common practice, no source). */
const CORNER_IN_M = ftToM(3);
const MIDDLE_IN_M = ftToM(5);
/** On a field either side is so far round from the middle (our judgement). */
const FIELD_SIDE_DEG = 25;

type Depth = 'deep' | 'short';
type Side = 'left' | 'middle' | 'right';
const PLACES: Readonly<Record<TargetPlaceId, { depth: Depth; side: Side; mirror: TargetPlaceId }>> = {
  'deep-left': { depth: 'deep', side: 'left', mirror: 'deep-right' },
  'deep-middle': { depth: 'deep', side: 'middle', mirror: 'deep-middle' },
  'deep-right': { depth: 'deep', side: 'right', mirror: 'deep-left' },
  'short-left': { depth: 'short', side: 'left', mirror: 'short-right' },
  'short-middle': { depth: 'short', side: 'middle', mirror: 'short-middle' },
  'short-right': { depth: 'short', side: 'right', mirror: 'short-left' },
};
const SIGN = { left: -1, middle: 0, right: 1 } as const;

/** Where the middle of a target of this size lies at a place, all of it inside the lines. m, in the frame of the court. */
export function targetSpot(sport: Sport, place: TargetPlaceId, size: RungDocument['targetSize']): Spot {
  const { depth, side } = PLACES[place];
  const sign = SIGN[side];
  const { play, court } = SPORT_RECORDS[sport];
  if (play.kind === 'diamond') {
    const turn = degToRad(sign * FIELD_SIDE_DEG);
    const far = play.targetsM[depth];
    return { x: far * Math.sin(turn), y: far * Math.cos(turn) };
  }
  const { inPlay } = court;
  const end = depth === 'deep' ? inPlay.y2 : play.shortM;
  const wanted = {
    x: depth === 'deep' ? sign * (inPlay.x2 - CORNER_IN_M) : (sign * inPlay.x2) / 2,
    y: depth === 'deep' ? end - (sign === 0 ? MIDDLE_IN_M : CORNER_IN_M) : end / 2,
  };
  return {
    x: inside(wanted.x, -inPlay.x2, inPlay.x2, size.widthM),
    y: inside(wanted.y, 0, end, size.depthM),
  };
}

/** The middle of a stretch so long that lies between two ends; half way when it is longer than that. */
function inside(middle: number, from: number, to: number, length: number): number {
  if (length >= to - from) return (from + to) / 2;
  return Math.min(to - length / 2, Math.max(from + length / 2, middle));
}

/**
 * Where a player first hits to: who starts, to the deep middle; the others cross-court from where the ball is met, a soft ball
 * short; a hitter up the middle (common practice, no source).
 * @param metX where the ball is met, m from the centre line, toward the player’s right
 */
function firstPlace(sport: Sport, level: Level, metX: number, soft = false): TargetPlaceId {
  if (diamondOf(sport)) return 'short-middle';
  const depth = soft ? 'short' : 'deep';
  if (level === 'Starting' || Math.abs(metX) < 0.25) return `${depth}-middle`;
  return metX > 0 ? `${depth}-left` : `${depth}-right`;
}

/** A hit ball passes a machine at least so far to its side, m (our judgement). */
const CLEAR_M = 0.8;

/** Whether a ball hit from here to there passes too near to the machine, or the target lies on it. */
export function passesMachine(met: Spot, target: Spot, machine: Spot): boolean {
  const [dx, dy] = [target.x - met.x, target.y - met.y];
  const length2 = dx * dx + dy * dy;
  const share = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((machine.x - met.x) * dx + (machine.y - met.y) * dy) / length2));
  return Math.hypot(met.x + share * dx - machine.x, met.y + share * dy - machine.y) < CLEAR_M;
}

/** Where the middle of a target is, and how large it is. */
export interface FirstTarget {
  targetSize: RungDocument['targetSize'];
  targetAt: Spot;
}

/** A size to the decimetre, cut by the lines. */
function cut(
  sport: Sport,
  place: TargetPlaceId,
  { widthM, depthM }: RungDocument['targetSize'],
  scale: number,
): RungDocument['targetSize'] {
  const { play, court } = SPORT_RECORDS[sport];
  const tenth = (value: number): number => Math.max(0.1, Math.round(value * scale * 10) / 10);
  if (play.kind === 'diamond') return { widthM: tenth(widthM), depthM: tenth(depthM) };
  const { inPlay } = court;
  const end = PLACES[place].depth === 'deep' ? inPlay.y2 : play.shortM;
  const within = (value: number, most: number): number => Math.min(tenth(value), Math.floor(most * 10) / 10);
  // a corner is no more than half the court
  const across = (inPlay.x2 - inPlay.x1) / (PLACES[place].side === 'middle' ? 1 : 2);
  return { widthM: within(widthM, across), depthM: within(depthM, end) };
}

/** In a cage two poles stand so far from the plate, m, and count as a box so deep (our judgement: past the usual screen of a feeder). */
const POLES_M = 12;
const POLES_DEEP_M = 1;

/** Where between two poles a ball passes that is hit toward a place of the field. */
function polesAt(sport: Sport, place: TargetPlaceId): Spot {
  const far = targetSpot(sport, place, { widthM: 0.1, depthM: 0.1 });
  const share = POLES_M / Math.hypot(far.x, far.y);
  return { x: far.x * share, y: far.y * share };
}

/** The place toward which a ball is hit that passes between two poles of a cage; null for another target. */
export function polesToward(sport: Sport, target: Spot): TargetPlaceId | null {
  if (!diamondOf(sport)) return null;
  return (['short-left', 'short-middle', 'short-right'] as const).find((place) => away(polesAt(sport, place), target) < 0.3) ?? null;
}

/**
 * A target at a place, as large as this player hits it from where the ball is met.
 * @param sizeFrom its size, m, from a distance: `firstTargetFor` of a scatter @param scale of it @param caged in a cage, which shows no more than two poles
 */
export function sizedTarget(
  sport: Sport,
  place: TargetPlaceId,
  met: Spot,
  sizeFrom: (distanceM: number) => RungDocument['targetSize'],
  { scale = 1, caged = false }: { scale?: number; caged?: boolean } = {},
): FirstTarget {
  if (caged && diamondOf(sport)) {
    const { widthM } = cut(sport, place, sizeFrom(POLES_M), scale);
    return { targetSize: { widthM, depthM: POLES_DEEP_M }, targetAt: polesAt(sport, place) };
  }
  const distanceM = away(met, targetSpot(sport, place, { widthM: 0.1, depthM: 0.1 }));
  const targetSize = cut(sport, place, sizeFrom(distanceM), scale);
  return { targetSize, targetAt: targetSpot(sport, place, targetSize) };
}

/**
 * The first target of a level, moved to the other side when a machine of a net sport stands in the way. A pitching machine has its screen.
 * @param ways from where each rung is thrown and where it is met, the hardest last: one target for all of them can be compared
 */
export function firstTargetAt(
  sport: Sport,
  level: Level,
  ways: readonly { machine: Spot; met: Spot }[],
  sizeFrom: (distanceM: number) => RungDocument['targetSize'],
  { soft = false, scale = 1, caged = false } = {},
): FirstTarget {
  const met = ways.at(-1)?.met ?? SPORT_RECORDS[sport].court.player;
  const first = firstPlace(sport, level, met.x, soft);
  const { depth } = PLACES[first];
  const targets = [first, `${depth}-left` as const, `${depth}-right` as const, `${depth}-middle` as const].map((place) =>
    sizedTarget(sport, place, met, sizeFrom, { scale, caged }),
  );
  if (diamondOf(sport)) return targets[0]!;
  // where none is free of all its machines, the one that is free of most
  const blocked = ({ targetAt }: FirstTarget): number => ways.filter((way) => passesMachine(way.met, targetAt, way.machine)).length;
  return targets.reduce((a, b) => (blocked(b) < blocked(a) ? b : a));
}

/** The same place in a mirror. */
export const mirrorPlace = (place: TargetPlaceId): TargetPlaceId => PLACES[place].mirror;

/** A target on the ground: its middle and its size, m. */
export type PlayerTarget = Spot & RungDocument['targetSize'];

/** Where this ball should be hit to; null when the rung leaves the place open. */
export function targetOf(rung: Pick<RungDocument, 'targetAt' | 'targetSize'>, feed: Pick<Feed, 'targetAt'>): PlayerTarget | null {
  const at = feed.targetAt ?? rung.targetAt;
  return at ? { ...at, ...rung.targetSize } : null;
}

/** A ball that missed by no more than such a share of the target’s size was near. */
const NEAR_SHARE = 0.5;

/** What a ball counts as that came down there. */
export function outcomeAt({ x, y, widthM, depthM }: PlayerTarget, at: { x: number; y: number }): 'in' | 'near' | 'out' {
  const off = Math.max(Math.abs(at.x - x) / widthM, Math.abs(at.y - y) / depthM);
  return off <= 0.5 ? 'in' : off <= 0.5 + NEAR_SHARE ? 'near' : 'out';
}

/** Every target of a rung once, with the numbers (from 1) of the feeds that go there; feeds that are off are left out. */
export function targetsOf(rung: Pick<RungDocument, 'targetAt' | 'targetSize' | 'feeds'>): { target: PlayerTarget; feeds: number[] }[] {
  const all: { target: PlayerTarget; feeds: number[] }[] = [];
  rung.feeds.forEach((feed, i) => {
    const target = feed.on && feed.counts !== false ? targetOf(rung, feed) : null;
    if (!target) return;
    const same = all.find((each) => away(each.target, target) < 0.05);
    if (same) same.feeds.push(i + 1);
    else all.push({ target, feeds: [i + 1] });
  });
  return all;
}

/** Where a ball of a net sport is hit, as far as it is known before it is flown. */
export const metAt = (rung: Pick<RungDocument, 'player'>, { meet, target }: Pick<Feed, 'meet' | 'target'>): Spot =>
  meet ?? { x: target.x, y: rung.player.start.y };

/** So far short of the middle, or past it, m (common practice, no source). */
const SHORT_OF_M = 0.4;
const PAST_M = 0.5;

/**
 * Where a player waits for the next ball after this one. By the shot, that is on the side the ball was met after a cross-court ball, since the open court
 * lies there, and past the middle after one down the line.
 * @returns null when they go straight to the next ball
 */
export function recoverAfter(
  rung: Pick<RungDocument, 'player' | 'recoverByShot' | 'targetAt' | 'targetSize'>,
  feed: Pick<Feed, 'meet' | 'target' | 'targetAt'>,
): Spot | null {
  const { start, recover } = rung.player;
  const target = targetOf(rung, feed);
  if (!rung.recoverByShot || !target) return recover;
  const { y } = recover ?? start;
  const met = metAt(rung, feed);
  const side = Math.sign(met.x);
  if (side === 0 || target.x === 0) return { x: 0, y };
  return { x: side === Math.sign(target.x) ? -side * PAST_M : side * SHORT_OF_M, y };
}

/** Whether a feed of a net sport, hit to this target, passes the machine that threw it too near. */
export const isWayBlocked = (rung: Pick<RungDocument, 'player'>, feed: Feed, target: Spot): boolean =>
  passesMachine(metAt(rung, feed), target, feed.launch);

/** The named place a target stands at, when it is at one. */
export function placeOfTarget(sport: Sport, target: PlayerTarget): TargetPlaceId | null {
  const off = (id: TargetPlaceId): number => {
    const spot = targetSpot(sport, id, target);
    return away(spot, target);
  };
  const nearest = TARGET_PLACE_IDS.reduce((a, b) => (off(b) < off(a) ? b : a));
  return off(nearest) < SPORT_RECORDS[sport].targetSnapM ? nearest : null;
}

/** A target on a field without lines is no larger than this, m (our judgement: there is nothing left to aim at). */
const WIDEST_M = 40;

/**
 * Another size for a target, no larger than the court beyond the net: at a named place it stays that place, wholly inside the lines; elsewhere its middle
 * stays.
 */
export function resizeTarget(
  sport: Sport,
  { targetAt, targetSize: before }: Pick<RungDocument, 'targetAt' | 'targetSize'>,
  { widthM, depthM }: RungDocument['targetSize'],
): Pick<RungDocument, 'targetAt' | 'targetSize'> {
  const { inPlay, net } = SPORT_RECORDS[sport].court;
  const most = net ? { widthM: inPlay.x2 - inPlay.x1, depthM: inPlay.y2 } : { widthM: WIDEST_M, depthM: WIDEST_M };
  const targetSize = { widthM: Math.min(most.widthM, widthM), depthM: Math.min(most.depthM, depthM) };
  if (!targetAt) return { targetSize };
  const place = placeOfTarget(sport, { ...targetAt, ...before });
  return { targetSize, targetAt: place ? targetSpot(sport, place, targetSize) : targetAt };
}

/** The target of one rung, to be given to another. */
export const targetFrom = ({ targetSize, targetAt }: RungDocument): Pick<RungDocument, 'targetSize' | 'targetAt'> => ({
  targetSize,
  ...(targetAt && { targetAt }),
});

/** Where a ball of the machine should come down, m: small over the plate, larger in the field (our judgement). */
export const landingZone = (sport: Sport, kind: 'landing' | 'plane'): RungDocument['targetSize'] =>
  kind === 'plane' ? { widthM: 2 * PLATE.halfWidthM, depthM: 0.5 } : SPORT_RECORDS[sport].landingZone;

/** Whether a ball goes to fielders, who take it, and not to a hitter. */
export const isToFielders = (sport: Sport, target: Feed['target']): boolean => diamondOf(sport) !== null && target.kind === 'landing';
